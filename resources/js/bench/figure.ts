import type { Schemas } from '../api/client';
import { number, percent, span } from '../words/format';
import { words } from '../words';

/** A figure of a rig or an instrument with its measure, in the group's units. */
export function figureText(one: Schemas['RigFigure'], units: Schemas['Me']['group']['units']): string {
  if (one.unit === 'mm') return span(one.value, units);
  if (one.unit === 'share') return percent(one.value);
  return `${number(one.value, one.unit === 'ratio' ? 2 : 0)}${words.bench.units[one.unit]}`;
}
