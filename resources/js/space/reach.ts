import type { Schemas } from '../api/client';
import type { InSpace } from './decode';
import type { Reach } from './stage3d';

/** How far ropes have come in a step, from lengths of the flat drawing to shares of each rope. */
export function reachIn(
  knot: Pick<InSpace, 'ropes'>,
  moment: { reach: Record<string, number>; far: Record<string, number> },
): Reach {
  return Object.fromEntries(
    knot.ropes.map(({ id, length, comes }) => {
      const reach = shareOf(moment.reach[id] ?? length, length, comes);
      const far = moment.far[id];
      // A rope that is doubled and has come to its far side is all there.
      const isWhole = reach > 0.9999 || (far !== undefined && far / length <= reach);
      return [id, isWhole ? { reach: 1, far: 2 } : { reach, far: far === undefined ? 2 : far / length }];
    }),
  );
}

/** The share of a rope that is laid where the flat drawing has come to a length: evenly, or as a lashing's turns were built. */
function shareOf(at: number, length: number, comes: readonly (readonly number[])[]): number {
  for (let k = 1; k < comes.length; k++) {
    const [from = 0, laid = 0] = comes[k - 1] ?? [];
    const [to = 0, then = 0] = comes[k] ?? [];
    if (at <= to) return laid + ((then - laid) * (at - from)) / Math.max(1e-6, to - from);
  }
  return comes.length > 0 ? 1 : at / length;
}

/** Whether the group's usual rope is braided: knots are shown in the rope that is in the hand. */
export const isBraided = (knot: Pick<Schemas['Knot'], 'ropes'>): boolean =>
  knot.ropes.find((rope) => rope.usual)?.laid === false;
