import { describe, expect, it } from 'vitest';
import { type Line, meetings, steady, told } from '../../resources/js/drawing/crossings';
import type { Corner, Day } from '../../resources/js/practice/kept';
import { standing, whatNext } from '../../resources/js/practice/next';

/** A line from point to point. */
const line = (id: string, ...points: number[][]): Line => ({ id, points });

/** The overhand knot as a finger lays it: a loop, and the end through it. */
const OVERHAND = line('rope', [-6, 0], [4, 0], [4, 4], [0, 4], [0, -3], [2, -3], [2, 6]);

describe('where lines meet', () => {
  it('finds each crossing once, with what was laid later on top', () => {
    const found = meetings([OVERHAND]);
    expect(found.map((one) => one.at)).toEqual([
      [0, 0],
      [2, 0],
      [2, 4],
    ]);
    expect(found.every((one) => !one.firstOver)).toBe(true);
    const { visits, turns, key, met } = told([OVERHAND], found);
    expect(visits.rope).toEqual([
      [0, false],
      [1, false],
      [2, false],
      [0, true],
      [1, true],
      [2, true],
    ]);
    expect(turns).toHaveLength(3);
    expect(key).toMatch(/^0u1u2u0o1o2o [+-]{3}$/);
    expect(met).toEqual([0, 1, 2]);
  });

  it('tells on which side the upper passes', () => {
    const lower = line('a', [-2, 0], [2, 0]);
    const upper = line('b', [0, -2], [0, 2]);
    // Following the lower to the right, the upper comes from the left (upward is negative) and goes to the right.
    expect(told([lower, upper], meetings([lower, upper])).turns).toEqual([1]);
    const back = line('b', [0, 2], [0, -2]);
    expect(told([lower, back], meetings([lower, back])).turns).toEqual([-1]);
  });

  it('changes its word and its side where a crossing is turned over', () => {
    const found = meetings([OVERHAND]).map((one, n) => (n === 1 ? { ...one, firstOver: true } : one));
    const plain = told([OVERHAND], meetings([OVERHAND]));
    const { key, turns } = told([OVERHAND], found);
    expect(key).toMatch(/^0u1o2u0o1u2o /);
    expect(turns[1]).toBe(-(plain.turns[1] ?? 0));
    expect(turns[0]).toBe(plain.turns[0]);
  });

  it('lets what holds a loop pass over all before it and under all after it', () => {
    const skewer: Line = {
      id: 'held',
      points: [
        [-9, 1],
        [2, 1],
        [9, 1],
      ],
      holds: true,
    };
    const found = meetings([OVERHAND, skewer]).filter((one) => one.second === 1);
    expect(found.map((one) => [one.at[0], one.firstOver, one.fixed])).toEqual([
      [4, true, true],
      [0, false, true],
      // On the very middle: it has passed through.
      [2, true, true],
    ]);
  });

  it('says the same however the points lie', () => {
    const fine = line('rope', ...steady(OVERHAND.points));
    expect(told([fine], meetings([fine])).key).toBe(told([OVERHAND], meetings([OVERHAND])).key);
  });
});

describe('a finger’s line', () => {
  it('keeps its ends, and loses its tremble', () => {
    const shaken = Array.from({ length: 200 }, (_, n) => [n / 5, (n % 2) * 0.3]);
    const calm = steady(shaken);
    expect(calm[0]).toEqual(shaken[0]);
    expect(calm.at(-1)).toEqual(shaken.at(-1));
    const off = (points: number[][]) => Math.max(...points.slice(5, -5).map(([, y = 0]) => Math.abs(y - 0.15)));
    expect(off(calm)).toBeLessThan(off(shaken) / 1.5);
  });

  it('is nothing where nothing was laid', () => {
    expect(steady([])).toEqual([]);
    expect(meetings([line('rope')])).toEqual([]);
    expect(told([line('rope')], [])).toEqual({ visits: { rope: [] }, turns: [], key: ' ', met: [] });
  });
});

describe('what is tied next', () => {
  const rest = {
    first: { easy: 1, thought: 0, hard: 0 },
    rests: [2, 4, 8],
    next: { easy: [1, 2, 2], thought: [0, 1, 2], hard: [0, 0, 1] },
  };
  const knot = (id: string, more: Partial<Corner['knots'][number]> = {}): Corner['knots'][number] => ({
    id,
    name: id,
    family: 'loop',
    method: 'usual',
    minutes: 5,
    with_adult: false,
    home: false,
    comes: null,
    ...more,
  });
  const corner = (...knots: Corner['knots']): Corner => ({
    view: 'learner',
    words: 'leaders',
    ends_on: '2026-12-22',
    today: '2026-11-24',
    hints: false,
    knots,
    rest,
    enough_minutes: 10,
  });
  const day = (id: string, on: string, felt: Day['felt'] = 'easy'): Day => ({ knot: id, day: on, felt });

  it('follows the table from day to day', () => {
    const days = [day('a', '2026-11-20'), day('a', '2026-11-10', 'hard'), day('b', '2026-11-23')];
    // Hard, then easy: from the lowest rung to the second.
    expect(standing(corner(), days, 'a', '2026-11-24')).toEqual({ last: '2026-11-20', rests: 4, ago: 4, left: 0 });
    expect(standing(corner(), days, 'c', '2026-11-24')).toBeNull();
  });

  it('puts home first, then what is longest overdue, then what is taught soon, then what is new', () => {
    const all = corner(
      knot('new'),
      knot('soon', { comes: 3 }),
      knot('sooner', { comes: 1 }),
      knot('late'),
      knot('later'),
      knot('home', { home: true }),
    );
    const days = [day('late', '2026-11-19'), day('later', '2026-11-10')];
    const next = (more: Day[]) => whatNext(all, [...days, ...more], '2026-11-24');
    expect(next([])).toMatchObject({ knot: { id: 'home' }, why: { kind: 'home' } });
    const atHome = day('home', '2026-11-24');
    expect(next([atHome])).toMatchObject({ knot: { id: 'later' }, why: { kind: 'due', days: 14 } });
    expect(next([atHome, day('later', '2026-11-24')])?.knot.id).toBe('late');
    const tied = [atHome, day('later', '2026-11-24'), day('late', '2026-11-24')];
    expect(next(tied)).toMatchObject({ knot: { id: 'sooner' }, why: { kind: 'comes' } });
    expect(next([...tied, day('sooner', '2026-11-24'), day('soon', '2026-11-24')])).toMatchObject({
      knot: { id: 'new' },
      why: { kind: 'fresh' },
    });
    expect(
      next([...tied, day('sooner', '2026-11-24'), day('soon', '2026-11-24'), day('new', '2026-11-24')]),
    ).toBeNull();
  });

  it('never puts forward what wants an adult', () => {
    expect(whatNext(corner(knot('noose', { with_adult: true, comes: 0 })), [], '2026-11-24')).toBeNull();
  });
});
