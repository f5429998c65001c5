import { type FocusEvent, type KeyboardEvent, useState } from 'react';

/** So far a press of an arrow leads the rope, in rope widths; and with shift. */
const STEP = 0.5;
const STRIDE = 2;

const WAYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

type Table = {
  /** Where the next rope that is not laid yet begins; nowhere once all are laid. */
  start: number[] | undefined;
  laying: { points: number[][] } | null;
  box: readonly [number, number, number, number];
  begin: (at: number[]) => void;
  go: (to: number[]) => void;
  lift: () => void;
};

/** The table without a pointer: the space bar takes a rope up and lays it down, and arrows lead it. */
export function usePen({ start, laying, box: [left, top, width, height], begin, go, lift }: Table) {
  const [shown, show] = useState(false);
  const pen = laying?.points.at(-1) ?? start;
  const onKeyDown = (event: KeyboardEvent): void => {
    const way = WAYS[event.key];
    if (way && laying && pen) {
      const far = event.shiftKey ? STRIDE : STEP;
      const [x = 0, y = 0] = pen;
      go([within(x + way[0] * far, left, width), within(y + way[1] * far, top, height)]);
    } else if (event.key === ' ' || event.key === 'Enter') {
      if (laying) lift();
      else if (start) begin(start);
    } else if (!way) return;
    show(true);
    event.preventDefault();
  };
  return {
    at: shown ? pen : undefined,
    onKeyDown,
    onFocus: (event: FocusEvent): void => show(event.currentTarget.matches(':focus-visible')),
    onBlur: (): void => show(false),
    hide: (): void => show(false),
  };
}

const within = (at: number, from: number, room: number): number => Math.min(Math.max(at, from), from + room);
