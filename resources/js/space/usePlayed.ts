import { useEffect, useRef, useState } from 'react';
import { glide, wantsStill } from '../drawing/motion';

/** How far a movement has come, from 0 to 1, that is played or held at some place; null where nobody has begun it. */
export function usePlayed(lasts: number) {
  const [at, setAt] = useState<number | null>(null);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  const to = (value: number | null): void => {
    stop.current();
    setAt(value);
  };
  const go = (): void => {
    to(wantsStill() ? 1 : 0);
    if (!wantsStill()) stop.current = glide(lasts, setAt);
  };
  return { at, to, go };
}
