/** Whether whoever looks wants nothing to move by itself. */
export const wantsStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/**
 * From 0 to 1 in so many milliseconds, softly at both ends, a share for each frame.
 *
 * @returns what stops it
 */
export function glide(lasts: number, show: (share: number) => void, done?: () => void): () => void {
  let frame = 0;
  let started: number | null = null;
  const draw = (now: number): void => {
    started ??= now;
    const part = Math.min(1, (now - started) / lasts);
    show(part * part * (3 - 2 * part));
    if (part < 1) frame = requestAnimationFrame(draw);
    else done?.();
  };
  frame = requestAnimationFrame(draw);
  return () => cancelAnimationFrame(frame);
}
