import type { Schemas } from '../api/client';

type Crew = Schemas['Crew'];

/** What of the crew is shown: a badge, a knot somebody needs next, a patrol (null: who is in none), or what is due. */
export type Sieve = { badge: string; needs: string; patrol: string | null | undefined; due: boolean };

/** The patrols of a crew, by name. Where there are none, there is nothing to sift by. */
export const patrolsOf = (crew: Crew): string[] =>
  [...new Set(crew.learners.flatMap((one) => one.patrol ?? []))].sort((a, b) => a.localeCompare(b));

export function sieved(
  crew: Crew,
  { badge, needs, patrol, due }: Sieve,
): { learners: Crew['learners']; knots: Crew['knots'] } {
  const wanted = crew.badges.find((one) => one.id === badge);
  const isDue = (learner: Crew['learners'][number], knot: string): boolean => learner.marks[knot]?.due === true;
  const knots = crew.knots.filter(
    (knot) =>
      (!wanted || wanted.knots.includes(knot.id)) &&
      (needs === '' || knot.id === needs) &&
      (!due || crew.learners.some((learner) => isDue(learner, knot.id))),
  );
  const learners = crew.learners.filter(
    (learner) =>
      (!wanted || learner.badges.some((one) => one.badge === badge)) &&
      (needs === '' || learner.wanted[needs] !== undefined) &&
      (patrol === undefined || (learner.patrol ?? null) === patrol) &&
      (!due || knots.some((knot) => isDue(learner, knot.id))),
  );
  return { learners, knots };
}
