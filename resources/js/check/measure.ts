import type { Schemas } from '../api/client';
import { fingerMm } from './device';

export type Measure = NonNullable<Schemas['NewCheckEvent']['measured_by']>;

/** What was typed, as a length in mm; null when it is no length. */
export function toMillimetres(text: string, by: Measure, diameter: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value) || value < 0) return null;
  const unit = { mm: 1, gauge: 1, finger: fingerMm(), diameters: diameter }[by];
  return Math.round(value * unit * 10) / 10;
}
