const SKEW = 'compadre-skew';

/** A clock is put right when it is off by more than this, in milliseconds: the server's answers name whole seconds. */
const ENOUGH = 2_000;

let skew = Number(localStorage.getItem(SKEW) ?? 0) || 0;

/** Notes how far this device's clock is off, from the time an answer was given; what was kept here says nothing of that. */
export function noteTime(response: Response): void {
  const given = Date.parse(response.headers.get('Date') ?? '');
  if (Number.isNaN(given) || response.headers.has('X-Kept') || /^\/api\/(knots|badges)/.test(new URL(response.url).pathname)) return;
  const off = given - Date.now();
  if (Math.abs(off - skew) < ENOUGH) return;
  skew = off;
  localStorage.setItem(SKEW, String(off));
}

/** The server's time in milliseconds, also without a network: this device's clock, put right. */
export const serverNow = (): number => Date.now() + skew;

/** Which day it is there, as 2026-11-24. */
export const dayIn = (zone: string): string => new Intl.DateTimeFormat('sv-SE', { timeZone: zone }).format(new Date(serverNow()));
