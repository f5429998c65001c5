import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { type Moment, momentOf } from '../drawing/moment';
import { glide, wantsStill } from '../drawing/motion';

type Step = Schemas['KnotStep'];

/** Rope widths a second: slow enough for the eyes at the back. */
const SPEED = 7;

/** How long a finished move rests before it is shown again, in milliseconds. */
const REST = 1500;

/**
 * The moment to draw: the ends travel along their paths to where the step leaves them, at a pace of 1 or slower or faster; over
 * and over again where the room ties along.
 */
export function useTravel(step: Step | undefined, run: number, pace = 1, again = false): Moment | null {
  const [gone, setGone] = useState<{ step: Step | undefined; run: number; share: number }>({
    step: undefined,
    run: 0,
    share: 1,
  });
  const still = !step || Object.keys(step.moved).length === 0 || wantsStill();
  useEffect(() => {
    if (still) return undefined;
    const farthest = Math.max(...Object.values(step.moved).map(([from = 0, to = 0]) => to - from));
    const lasts = Math.max(700, (farthest / SPEED) * 1000) / pace;
    let stop = (): void => undefined;
    const travel = (): void => {
      stop = glide(
        lasts,
        (share) => setGone({ step, run, share }),
        () => {
          if (!again) return;
          const rest = window.setTimeout(travel, REST);
          stop = () => clearTimeout(rest);
        },
      );
    };
    travel();
    return () => stop();
  }, [step, run, still, pace, again]);
  if (!step) return null;
  // Until the first frame of a new step is drawn, its ends lie where they started.
  const share = still ? 1 : gone.step === step && gone.run === run ? gone.share : 0;
  return momentOf(step, share);
}
