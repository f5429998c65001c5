import type { Schemas } from '../api/client';

type Step = Schemas['KnotStep'];

/** How far each rope's end has come, which stretch is moving, and where the far side of a bight begins. */
export type Moment = { reach: Record<string, number>; moved: Record<string, number[]>; far: Record<string, number> };

/** The whole drawing that a step shows, where it is not the rope being laid: the finished knot, or half-way to it. */
export function wholeAt(knot: Pick<Schemas['Knot'], 'tight' | 'half'>, step: Step | undefined) {
  return step?.tight ? knot.tight : step?.half ? knot.half : null;
}

/** What lies there when a share of a step is done; all of it, unless said otherwise. */
export function momentOf(step: Step, share = 1): Moment {
  const between = (from: number, to: number): number => from + (to - from) * share;
  return {
    reach: Object.fromEntries(
      Object.entries(step.reach).map(([id, to]) => [id, between(step.moved[id]?.[0] ?? to, to)]),
    ),
    moved: step.moved,
    far: Object.fromEntries(Object.entries(step.far).map(([id, [from = 0, to = from]]) => [id, between(from, to)])),
  };
}
