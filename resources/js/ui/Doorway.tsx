import type { ReactNode } from 'react';
import { words } from '../words/en';

/** The screens before the sign-in: one column beside a length of rope. */
export function Doorway({ title, lead, children }: { title: string; lead: string; children: ReactNode }) {
  return (
    <main className="grid min-h-dvh rail:grid-cols-[1fr_1.1fr]">
      <div aria-hidden className="relative hidden overflow-hidden bg-wash rail:block">
        <HangingRope />
      </div>
      <div className="mx-auto flex w-full max-w-md flex-col justify-center gap-6 px-6 py-10">
        <div>
          <p className="mb-6 font-display text-xl font-bold text-hemp-deep">{words.app}</p>
          <h1 className="mb-2 text-4xl">{title}</h1>
          <p className="text-soft">{lead}</p>
        </div>
        {children}
      </div>
    </main>
  );
}

function HangingRope() {
  const d = 'M260 -40C260 120 180 190 180 330C180 470 400 480 400 330C400 200 210 250 230 470C245 620 330 640 330 900';
  return (
    <svg viewBox="0 0 560 800" className="absolute inset-0 size-full" preserveAspectRatio="xMidYMid slice" fill="none">
      <path d={d} stroke="var(--rope-line)" strokeWidth={54} />
      <path d={d} stroke="var(--rope-1)" strokeWidth={45} />
      <path d={d} stroke="var(--rope-1-light)" strokeWidth={15} transform="translate(-7 -7)" />
      <path d="M256 560C262 590 300 600 318 668" stroke="var(--wash)" strokeWidth={0} />
    </svg>
  );
}
