import type { Schemas } from '../api/client';
import { fingerMm } from './device';

export type Measure = NonNullable<Schemas['NewCheckEvent']['measured_by']>;

/** What a tail may be typed in; inches are read off the same kind of rule as millimetres. */
export type Unit = Measure | 'inches';

export const measureOf = (unit: Unit): Measure => (unit === 'inches' ? 'mm' : unit);

/** What was typed, as a length in mm; null when it is no length. */
export function toMillimetres(text: string, by: Unit, diameter: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value) || value < 0) return null;
  const unit = { mm: 1, inches: 25.4, gauge: 1, finger: fingerMm(), diameters: diameter }[by];
  return Math.round(value * unit * 10) / 10;
}
