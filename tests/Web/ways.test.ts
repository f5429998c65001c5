import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../resources/js/api/client';
import { beginnings, hangingFrom, wayOf } from '../../resources/js/knots/ways';

type About = Schemas['KnotAbout'];

const knot = (id: string, depth: number, ...prerequisites: string[]) =>
  ({ id, name: id.toUpperCase(), depth, prerequisites }) as unknown as About;

const KNOTS = [
  knot('timber', 0),
  knot('overhand', 0),
  knot('slip', 1, 'overhand'),
  knot('bowline', 1, 'overhand'),
  knot('half', 0),
  knot('trucker', 2, 'slip', 'half'),
];

const ids = (knots: About[]): string[] => knots.map((one) => one.id);

it('begins with what most hangs from, and hangs each knot once', () => {
  expect(ids(beginnings(KNOTS))).toEqual(['overhand', 'half', 'timber']);
  expect(ids(hangingFrom('overhand', KNOTS))).toEqual(['bowline', 'slip']);
  const hung = (knots: About[]): string[] => knots.flatMap((one) => [one.id, ...hung(hangingFrom(one.id, KNOTS))]);
  expect(hung(beginnings(KNOTS)).sort()).toEqual(ids(KNOTS).sort());
});

describe('the way of a knot', () => {
  /** The slow way: whatever is joined by steps that all go back, or all go on. */
  const reached = (id: string, step: (id: string) => string[]): string[] => {
    const found = new Set([id]);
    for (let round = 0; round < KNOTS.length; round++)
      for (const one of [...found]) step(one).forEach((next) => found.add(next));
    return [...found];
  };
  it.each(ids(KNOTS))('of %s is what it needs and what needs it, near and far', (id) => {
    const back = reached(id, (one) => KNOTS.find((each) => each.id === one)?.prerequisites ?? []);
    const on = reached(id, (one) => ids(KNOTS.filter((each) => each.prerequisites.includes(one))));
    expect([...wayOf(id, KNOTS)].sort()).toEqual([...new Set([...back, ...on])].sort());
  });
});
