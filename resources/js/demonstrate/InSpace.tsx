import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { knotInSpaceQuery } from '../api/queries';
import { glide, wantsStill } from '../drawing/motion';
import { type Turn } from '../space/sides';
import { SpaceView } from '../space/SpaceView';
import { isBraided, reachIn } from '../space/reach';
import { useTravel } from './useTravel';

type Step = Schemas['KnotStep'];

/** Drawing a knot up lasts so long, in milliseconds. */
const DRAWS_UP = 1800;

/** A step as ropes in space: the end travels along its way, and what is set is drawn up before one's eyes. */
export function InSpace({
  knot,
  step,
  run,
  pace,
  again,
  asked,
}: {
  knot: Schemas['Knot'];
  step: Step | undefined;
  run: number;
  pace: number;
  again: boolean;
  /** the side that a phone has turned it to */
  asked: Turn | null;
}) {
  const { data } = useQuery(knotInSpaceQuery(knot.id, knot.method));
  const moment = useTravel(step, run, pace, again);
  const to = step?.tight ? 1 : step?.half ? 0.5 : 0;
  const tightness = useDrawnUp(to, run, pace);
  return (
    <SpaceView
      knot={knot}
      view={knot.view}
      tightness={tightness}
      reach={data && moment && to === 0 ? reachIn(data, moment) : null}
      step={step && to === 0 ? knot.steps.indexOf(step) + 1 : undefined}
      braided={isBraided(knot)}
      asked={asked}
      className="absolute inset-2"
    />
  );
}

/** On its way to how tight it is to be; at once where nothing is to move. */
function useDrawnUp(to: number, run: number, pace: number): number {
  const [now, setNow] = useState({ to, run, value: to });
  const still = wantsStill();
  useEffect(() => {
    if (still || to === 0) return undefined;
    return glide(DRAWS_UP / pace, (share) => setNow({ to, run, value: to * share }));
  }, [to, run, pace, still]);
  if (still || to === 0) return to;
  return now.to === to && now.run === run ? now.value : 0;
}
