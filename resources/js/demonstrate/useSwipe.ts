import { useRef, type TouchEvent } from 'react';

type Swipe = { onTouchStart: (event: TouchEvent) => void; onTouchEnd: (event: TouchEvent) => void };

/** A finger drawn across goes a step on or back. */
export function useSwipe(next: () => void, previous: () => void): Swipe {
  const start = useRef<number | null>(null);
  return {
    onTouchStart: (event) => {
      start.current = event.touches[0]?.clientX ?? null;
    },
    onTouchEnd: (event) => {
      const end = event.changedTouches[0]?.clientX;
      if (start.current === null || end === undefined) return;
      const moved = end - start.current;
      start.current = null;
      if (Math.abs(moved) > 60) (moved < 0 ? next : previous)();
    },
  };
}
