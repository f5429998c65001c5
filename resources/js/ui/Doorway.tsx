import type { ReactNode } from 'react';
import { words } from '../words';
import { HANGING_ROPE, LOOKS } from './looks';

/** The screens before the sign-in: one column beside a length of rope. */
export function Doorway({ title, lead, children }: { title: string; lead: string; children: ReactNode }) {
  return (
    <main className={LOOKS.doorway}>
      <div aria-hidden className={LOOKS.doorwayRope} dangerouslySetInnerHTML={{ __html: HANGING_ROPE }} />
      <div className={LOOKS.doorwayPage}>
        <div>
          <p className={LOOKS.doorwayApp}>{words.app}</p>
          <h1 className={LOOKS.doorwayTitle}>{title}</h1>
          <p className="text-soft">{lead}</p>
        </div>
        {children}
      </div>
    </main>
  );
}
