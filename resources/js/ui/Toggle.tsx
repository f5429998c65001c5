import type { ReactNode } from 'react';

/** A round button that is on or off, as one of a row to sift by. */
export function Toggle({ on, onClick, children }: { on: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onClick}
      className="min-h-12 rounded-full border-2 border-line bg-card px-4 font-semibold whitespace-nowrap aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
    >
      {children}
    </button>
  );
}
