import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, ChevronLeft, ChevronRight, RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { ApiProblem, call } from '../api/client';
import * as limits from '../api/limits';
import { Doorway } from '../ui/Doorway';
import { Button } from '../ui/Button';
import { CodeField } from '../ui/CodeField';
import { SIDE as LOOKED_AT } from '../drawing/look';
import { words } from '../words';
import { type Remote, usePolled } from './screen';
import { useWakeLock } from './useWakeLock';

const KEPT = 'phone';

/** The side that the hall begins from, and how far one tap turns it, in degrees. */
const BEGIN = { yaw: LOOKED_AT.yaw, pitch: -LOOKED_AT.pitch };
const TAP = 30;

/** A phone that steps the room's screen and turns it: a code first, then large buttons. */
export function PhonePage() {
  const [token, setToken] = useState(() => sessionStorage.getItem(KEPT));
  const [remote, setRemote] = useState<Remote | null>(null);
  const [code, setCode] = useState('');
  const [fault, setFault] = useState<string | undefined>(undefined);
  usePolled(
    token === null ? null : '/api/remote',
    setRemote,
    () => {
      sessionStorage.removeItem(KEPT);
      setToken(null);
      setRemote(null);
      setFault(words.phone.ended);
    },
    token ?? '',
  );
  const take = (): void => {
    void call('POST', '/api/remote', { body: { code } })
      .then((answer) => {
        sessionStorage.setItem(KEPT, answer.token);
        setFault(undefined);
        setRemote(answer.remote);
        setToken(answer.token);
      })
      .catch((error: unknown) =>
        setFault(error instanceof ApiProblem ? (error.about('/code') ?? error.message) : String(error)),
      );
  };
  if (token === null || remote === null) {
    return (
      <Doorway title={words.phone.title} lead={words.phone.lead}>
        <form
          className="flex flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            take();
          }}
        >
          <CodeField
            label={words.phone.code}
            fault={fault}
            value={code}
            onChange={(event) => setCode(event.target.value)}
            {...limits.takeScreen.code}
          />
          <Button type="submit" look="signal">
            {words.phone.go}
          </Button>
        </form>
      </Doorway>
    );
  }
  return <Turner token={token} remote={remote} onTurned={setRemote} />;
}

function Turner({ token, remote, onTurned }: { token: string; remote: Remote; onTurned: (remote: Remote) => void }) {
  useWakeLock();
  const turn = (by: number): void => {
    const step = Math.max(1, Math.min(remote.steps, remote.step + by));
    onTurned({ ...remote, step });
    void call('PUT', '/api/remote', { headers: { 'X-Remote': token }, body: { step } })
      .then(onTurned)
      .catch(() => undefined);
  };
  const turnTo = (yaw: number, pitch: number): void => {
    const { min, max } = limits.Side.pitch;
    // Round the back, on the other side of it.
    const side = { yaw: ((((yaw + 180) % 360) + 360) % 360) - 180, pitch: Math.max(min, Math.min(max, pitch)) };
    onTurned({ ...remote, side });
    void call('PUT', '/api/remote/side', { headers: { 'X-Remote': token }, body: side })
      .then(onTurned)
      .catch(() => undefined);
  };
  const { yaw, pitch } = remote.side ?? BEGIN;
  const name = remote.knot.replaceAll('-', ' ');
  return (
    <main className="flex min-h-dvh flex-col gap-4 p-5 pb-[max(1.25rem,env(safe-area-inset-bottom))]">
      <h1 className="text-3xl first-letter:uppercase">{name}</h1>
      <p aria-live="polite" className="text-xl text-soft">
        {words.show.step({ n: remote.step, all: remote.steps })}
      </p>
      <button
        type="button"
        onClick={() => turn(1)}
        disabled={remote.step >= remote.steps}
        className="grid flex-[3] place-items-center rounded-3xl bg-signal text-on-signal disabled:opacity-40"
      >
        <span className="flex flex-col items-center gap-2 text-3xl font-bold">
          <ChevronRight aria-hidden className="size-20" />
          {words.show.next}
        </span>
      </button>
      <button
        type="button"
        onClick={() => turn(-1)}
        disabled={remote.step <= 1}
        className="grid flex-1 place-items-center rounded-3xl border-2 border-line bg-card disabled:opacity-40"
      >
        <span className="flex items-center gap-2 text-xl font-semibold">
          <ChevronLeft aria-hidden className="size-8" />
          {words.show.previous}
        </span>
      </button>
      <div role="group" aria-label={words.phone.turn} className="grid grid-cols-5 gap-2">
        {(
          [
            ['left', ArrowLeft, yaw - TAP, pitch],
            ['up', ArrowUp, yaw, pitch + TAP],
            ['back', RotateCcw, BEGIN.yaw, BEGIN.pitch],
            ['down', ArrowDown, yaw, pitch - TAP],
            ['right', ArrowRight, yaw + TAP, pitch],
          ] as const
        ).map(([way, Icon, toYaw, toPitch]) => (
          <button
            key={way}
            type="button"
            aria-label={words.phone.turns[way]}
            onClick={() => turnTo(toYaw, toPitch)}
            className="grid min-h-16 place-items-center rounded-2xl border-2 border-line bg-card"
          >
            <Icon aria-hidden className="size-7" />
          </button>
        ))}
      </div>
    </main>
  );
}
