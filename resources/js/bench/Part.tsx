import type { ReactNode } from 'react';

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="print:break-inside-avoid">
      <h2 className="mb-1 text-xl print:mb-0 print:text-sm">{title}</h2>
      <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4 print:rounded-none print:border-0 print:border-t print:px-0">
        {children}
      </ul>
    </section>
  );
}
