import type { ReactNode } from 'react';

/** A list on a card, under its heading. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="print:break-inside-avoid">
      <h2 className="mb-1 text-xl">{title}</h2>
      <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">{children}</ul>
    </section>
  );
}
