import type { Schemas } from '../api/client';

export type Measure = NonNullable<Schemas['NewCheckEvent']['measured_by']>;

/** A finger until a leader has measured their own; the core says how far that can be trusted. */
const FINGER_MM = 16;

/** What was typed, as a length in mm; null when it is no length. */
export function toMillimetres(text: string, by: Measure, diameter: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value) || value < 0) return null;
  const unit = { mm: 1, gauge: 1, finger: FINGER_MM, diameters: diameter }[by];
  return Math.round(value * unit * 10) / 10;
}
