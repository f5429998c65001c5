import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';

export type Awards = Schemas['Awards'];
export type Award = Schemas['Award'];

/** A station on the way of a badge, on the rope that leads to the next. */
export function Station({ title, count, children }: { title: string; count: number; children: ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="relative mb-4 flex items-center gap-3 text-xl">
        <span
          aria-hidden
          className={`relative z-10 grid size-10 shrink-0 place-items-center rounded-full border-2 font-sans text-base tabular-nums ${count > 0 ? 'border-ink bg-hemp text-[#11242d]' : 'border-hemp bg-card text-soft'}`}
        >
          {count}
        </span>
        <span aria-hidden className="absolute inset-x-0 top-1/2 h-1 -translate-y-1/2 rounded bg-hemp" />
        <span className="relative z-10 bg-paper px-2">{title}</span>
      </h2>
      {children}
    </section>
  );
}
