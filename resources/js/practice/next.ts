import type { Corner, Day } from './kept';

type Knot = Corner['knots'][number];

/** Days from one day to another, both as 2026-11-24. */
const between = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

export type Standing = { last: string; rests: number; ago: number; left: number };

/** Where a knot stands by this device's own days: the core's table, rung by rung. */
export function standing(corner: Corner, days: Day[], knot: string, today: string): Standing | null {
  const own = days.filter((one) => one.knot === knot).sort((a, b) => a.day.localeCompare(b.day));
  const { first, rests, next } = corner.rest;
  let rung = -1;
  for (const one of own) rung = rung < 0 ? first[one.felt] : (next[one.felt][rung] ?? 0);
  const last = own.at(-1)?.day;
  if (last === undefined) return null;
  const ago = between(last, today);
  const wait = rests[rung] ?? 1;
  return { last, rests: wait, ago, left: wait - ago };
}

export type Why = { kind: 'home' } | { kind: 'due'; days: number } | { kind: 'comes' } | { kind: 'fresh' };

/** The one thing to do next, and why; null where nothing has to be. What wants an adult is never put forward. */
export function whatNext(corner: Corner, days: Day[], today: string): { knot: Knot; why: Why } | null {
  const all = corner.knots
    .filter((knot) => !knot.with_adult)
    .map((knot) => ({ knot, at: standing(corner, days, knot.id, today) }));
  const home = all.find(({ knot, at }) => knot.home && (at === null || at.left <= 0));
  if (home) return { knot: home.knot, why: { kind: 'home' } };
  const due = all
    .filter(({ at }) => at !== null && at.left <= 0)
    .sort((a, b) => (a.at?.left ?? 0) - (b.at?.left ?? 0))[0];
  if (due?.at) return { knot: due.knot, why: { kind: 'due', days: due.at.ago } };
  const comes = all
    .filter(({ knot, at }) => at === null && knot.comes !== null)
    .sort((a, b) => (a.knot.comes ?? 0) - (b.knot.comes ?? 0))[0];
  if (comes) return { knot: comes.knot, why: { kind: 'comes' } };
  const fresh = all.find(({ at }) => at === null);
  return fresh ? { knot: fresh.knot, why: { kind: 'fresh' } } : null;
}
