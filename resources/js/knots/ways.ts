import type { Schemas } from '../api/client';

type About = Schemas['KnotAbout'];

const byName = (a: About, b: About): number => a.name.localeCompare(b.name);

/** The knots that hang from one: those that need it before anything else, by name. */
export const hangingFrom = (id: string, knots: About[]): About[] =>
  knots.filter((knot) => knot.prerequisites[0] === id).sort(byName);

/** The knots that need no other; what most hangs from comes first. */
export function beginnings(knots: About[]): About[] {
  const size = (id: string): number => hangingFrom(id, knots).reduce((sum, child) => sum + size(child.id), 0) || 1;
  return knots.filter((knot) => knot.depth === 0).sort((a, b) => size(b.id) - size(a.id) || byName(a, b));
}

/** How a knot looks on the map: picked, on the way of the one that is, or neither. */
export const lookOf = (id: string, picked: string | null, way: Set<string> | null): string =>
  picked === id
    ? 'border-signal bg-signal text-on-signal'
    : way?.has(id)
      ? 'border-signal bg-card'
      : 'border-line bg-card';

/** A knot's whole way: what it needs, and what needs it, near and far. */
export function wayOf(id: string, knots: About[]): Set<string> {
  const way = new Set([id]);
  const back = (of: string): void =>
    knots
      .find((knot) => knot.id === of)
      ?.prerequisites.forEach((before) => {
        way.add(before);
        back(before);
      });
  const on = (of: string): void =>
    knots
      .filter((knot) => knot.prerequisites.includes(of))
      .forEach((after) => {
        way.add(after.id);
        on(after.id);
      });
  back(id);
  on(id);
  return way;
}
