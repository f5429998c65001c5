import type { Schemas } from '../api/client';

type Crew = Schemas['Crew'];

/** What of the crew is shown: a badge, a knot somebody needs next, or what is due. */
export type Sieve = { badge: string; needs: string; due: boolean };

export function sieved(crew: Crew, { badge, needs, due }: Sieve): { learners: Crew['learners']; knots: Crew['knots'] } {
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
      (!due || knots.some((knot) => isDue(learner, knot.id))),
  );
  return { learners, knots };
}
