const SKEW = 'compadre-skew';

/** A clock is put right when it is off by more than this, in milliseconds: the server's answers name whole seconds. */
const ENOUGH = 2_000;

/** From here on somebody should look which of the two clocks is wrong, in milliseconds. */
const APART = 300_000;

const told = new Set<() => void>();
let skew = Number(localStorage.getItem(SKEW) ?? 0) || 0;

const found = (): { device: number; server: number } | null =>
  Math.abs(skew) < APART ? null : { device: Date.now(), server: Date.now() + skew };
let apart = found();

/** Notes how far this device's clock is off, from the time an answer was given; what was kept here says nothing of that. */
export function noteTime(response: Response): void {
  const given = Date.parse(response.headers.get('Date') ?? '');
  if (
    Number.isNaN(given) ||
    response.headers.has('X-Kept') ||
    /^\/api\/(knots|badges)/.test(new URL(response.url).pathname)
  )
    return;
  const off = given - Date.now();
  if (Math.abs(off - skew) < ENOUGH) return;
  skew = off;
  localStorage.setItem(SKEW, String(off));
  apart = found();
  told.forEach((tell) => tell());
}

/** Calls back whenever this device has found its clock to be off by another time. */
export function onClock(tell: () => void): () => void {
  told.add(tell);
  return () => void told.delete(tell);
}

/** What this device's clock and the server's said when they were last found not to agree, in milliseconds; null where they do. */
export const clocksApart = (): { device: number; server: number } | null => apart;

/** The server's time in milliseconds, also without a network: this device's clock, put right. */
export const serverNow = (): number => Date.now() + skew;

/** Which day it is there now, or was at that moment, as 2026-11-24. */
export const dayIn = (zone: string, at = serverNow()): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: zone }).format(new Date(at));

/** Which time of day it was there, as 18:05. */
export const timeIn = (zone: string, at: number): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: zone, timeStyle: 'short' }).format(new Date(at));
