import { locale } from './language';

/** A calendar day, such as 2026-11-24, without any shift of time zone. */
function day(date: string): Date {
  return new Date(`${date}T12:00:00Z`);
}

export function dayShort(date: string): string {
  return new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(day(date));
}

export function dayLong(date: string): string {
  return new Intl.DateTimeFormat(locale, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
    day(date),
  );
}

/** A day with its year: of what may lie years back. */
export function dayOf(date: string, month: 'short' | 'long' = 'short'): string {
  return new Intl.DateTimeFormat(locale, { day: 'numeric', month, year: 'numeric', timeZone: 'UTC' }).format(day(date));
}

export function moment(iso: string): string {
  return new Intl.DateTimeFormat(locale, { weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(
    new Date(iso),
  );
}

/** A moment with its day and year, from milliseconds. */
export function momentLong(at: number): string {
  return new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(at));
}

export function number(value: number, digits = 0): string {
  return new Intl.NumberFormat(locale, { maximumFractionDigits: digits }).format(value);
}

export function percent(value: number): string {
  return new Intl.NumberFormat(locale, { style: 'percent' }).format(value);
}

export function listOf(parts: string[], type: 'conjunction' | 'disjunction' = 'conjunction'): string {
  return new Intl.ListFormat(locale, { type }).format(parts);
}

/** A name within a sentence: small, where the language does not write all nouns large, and the name is no abbreviation. */
export const inSentence = (name: string): string =>
  /^(de|lb)\b/.test(locale) || /^\p{Lu}{2}/u.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);

/** Words at the beginning of a sentence. */
export const sentence = (said: string): string => said.charAt(0).toLocaleUpperCase(locale) + said.slice(1);

/** So many of a unit, as the language writes it. */
const inUnit = (value: number, unit: string, digits = 0): string =>
  new Intl.NumberFormat(locale, { style: 'unit', unit, maximumFractionDigits: digits }).format(value);

/** How large a file is. */
export const size = (bytes: number): string =>
  bytes < 100_000 ? inUnit(Math.ceil(bytes / 1000), 'kilobyte') : inUnit(bytes / 1e6, 'megabyte', 1);

/** How much room a disk has, from megabytes. */
export const gigabytes = (mb: number): string => inUnit(mb / 1000, 'gigabyte', mb < 10_000 ? 1 : 0);

/** A thickness, or whatever else is in millimetres for everybody. */
export const millimetres = (mm: number, digits = 0): string => inUnit(mm, 'millimeter', digits);

/** A time of day some minutes after another, as 18:35. */
export function timeAfter(start: string, minutes: number): string {
  const [hours = 0, mins = 0] = start.split(':').map(Number);
  const total = hours * 60 + mins + Math.round(minutes);
  return `${String(Math.floor(total / 60) % 24).padStart(2, '0')}:${String(total % 60).padStart(2, '0')}`;
}

/** A length of rope as the group reads it, in metres or feet. */
export function metres(mm: number, units: 'mm' | 'inches'): string {
  return units === 'mm' ? inUnit(mm / 1000, 'meter', 2) : inUnit(mm / 304.8, 'foot', 1);
}

/** A length as the group reads it; the core's are always in mm. */
export function length(mm: number, units: 'mm' | 'inches'): string {
  return units === 'mm' ? inUnit(mm, 'millimeter') : inUnit(mm / 25.4, 'inch', 1);
}

/** What lengths up to so many mm are asked for and shown in. */
export function measureFor(most: number, units: 'mm' | 'inches'): { mark: string; mm: number; digits: number } {
  if (units === 'mm') return most < 2000 ? { mark: 'mm', mm: 1, digits: 0 } : { mark: 'm', mm: 1000, digits: 2 };
  return most < 2000 ? { mark: 'in', mm: 25.4, digits: 1 } : { mark: 'ft', mm: 304.8, digits: 1 };
}

/** A length, short or long, as the group reads it. */
export function span(size: number, units: 'mm' | 'inches'): string {
  return size < 1000 ? length(size, units) : metres(size, units);
}
