import { lazy, Suspense, useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { Route, Routes } from 'react-router';
import { ApiProblem } from '../api/client';
import * as limits from '../api/limits';
import { Button } from '../ui/Button';
import { Doorway } from '../ui/Doorway';
import { CodeField } from '../ui/CodeField';
import { Loading } from '../ui/states';
import { words } from '../words';
import { HomePage } from './HomePage';
import { kept, lookAgain, openWith, tell, watchKept } from './kept';

const KnotToPractise = lazy(async () => ({ default: (await import('./KnotToPractise')).KnotToPractise }));
const TieAlong = lazy(async () => ({ default: (await import('./TieAlong')).TieAlong }));
const DrawIt = lazy(async () => ({ default: (await import('./DrawIt')).DrawIt }));
const TaskPage = lazy(async () => ({ default: (await import('./TaskPage')).TaskPage }));

/** The practice corner: a card's code first, then this group's knots. */
export function Corner() {
  const state = useSyncExternalStore(watchKept, kept);
  // A card may be scanned while the corner is open: only what stands behind the address changes then.
  const scanned = useSyncExternalStore(watchAddress, codeInAddress);
  const [ended, setEnded] = useState(false);
  useEffect(() => {
    // A card that was just scanned is tried at its own door.
    if (kept() === null || ![null, kept()?.code].includes(codeInAddress())) return;
    void lookAgain().then((card) => {
      setEnded(card === 'ended');
      void tell();
    });
  }, []);
  return state && (scanned === null || scanned === state.code) ? (
    <Suspense fallback={<Loading />}>
      <Routes>
        <Route index element={<HomePage kept={state} />} />
        <Route path="/:knot" element={<KnotToPractise kept={state} />} />
        <Route path="/:knot/tie" element={<TieAlong kept={state} />} />
        <Route path="/:knot/draw" element={<DrawIt kept={state} />} />
        <Route path="/:knot/:kind" element={<TaskPage kept={state} />} />
        <Route path="*" element={<HomePage kept={state} />} />
      </Routes>
    </Suspense>
  ) : (
    <CodeDoor key={scanned} ended={ended} scanned={scanned} />
  );
}

/** A scanned card's code stands behind the address, where no server reads it. */
const codeInAddress = (): string | null => location.hash.slice(1) || null;

function watchAddress(onChange: () => void): () => void {
  window.addEventListener('hashchange', onChange);
  return () => window.removeEventListener('hashchange', onChange);
}

function CodeDoor({ ended, scanned }: { ended: boolean; scanned: string | null }) {
  const [code, setCode] = useState(scanned ?? '');
  const [fault, setFault] = useState<string | undefined>(undefined);
  const [opening, setOpening] = useState(scanned !== null);
  const open = useCallback((typed: string): void => {
    void openWith(typed.trim().toUpperCase())
      .then(() => history.replaceState(null, '', location.pathname))
      .catch((error: unknown) =>
        setFault(error instanceof ApiProblem ? (error.about('/code') ?? error.message) : String(error)),
      )
      .finally(() => setOpening(false));
  }, []);
  // A card that was scanned opens by itself.
  useEffect(() => {
    if (scanned) open(scanned);
  }, [scanned, open]);
  return (
    <Doorway title={words.practice.title} lead={ended ? words.practice.ended : words.practice.lead}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          setOpening(true);
          setFault(undefined);
          open(code);
        }}
      >
        <CodeField
          label={words.practice.code}
          fault={fault}
          value={code}
          onChange={(event) => setCode(event.target.value)}
          {...limits.enterCorner.code}
        />
        <Button type="submit" look="signal" disabled={opening}>
          {opening ? words.practice.loading : words.practice.go}
        </Button>
      </form>
    </Doorway>
  );
}
