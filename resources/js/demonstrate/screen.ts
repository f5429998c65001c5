import { useEffect, useRef, useState } from 'react';
import { ApiProblem, call, type Schemas } from '../api/client';

export type Remote = Schemas['Remote'];

/** Asks once a second what is shown; where nothing has changed the server answers with an empty page. A phone shows what it holds. */
export function usePolled(
  path: string | null,
  onNews: (remote: Remote) => void,
  onGone: () => void,
  remote = '',
): void {
  const now = useRef({ onNews, onGone });
  useEffect(() => {
    now.current = { onNews, onGone };
  });
  useEffect(() => {
    if (path === null) return undefined;
    let tag = '';
    let stopped = false;
    const ask = async (): Promise<void> => {
      const answer = await fetch(path, {
        headers: {
          Accept: 'application/json',
          ...(remote === '' ? {} : { 'X-Remote': remote }),
          ...(tag === '' ? {} : { 'If-None-Match': tag }),
        },
        credentials: 'same-origin',
        cache: 'no-store',
      }).catch(() => null);
      if (stopped || !answer) return;
      if (answer.status === 404 || answer.status === 401) now.current.onGone();
      if (answer.status !== 200) return;
      tag = answer.headers.get('ETag') ?? '';
      now.current.onNews((await answer.json()) as Remote);
    };
    void ask();
    const clock = window.setInterval(() => void ask(), 1000);
    return () => {
      stopped = true;
      clearInterval(clock);
    };
  }, [path, remote]);
}

const KEPT = 'screen';

/** This screen as a phone may step it: it follows the phone, and tells it what is shown. It outlasts a reload. */
export function useScreen(
  knot: string,
  step: number,
  steps: number,
  go: (step: number) => void,
  turnTo: (side: NonNullable<Remote['side']>) => void,
): { code: string | null; taken: boolean; offer: () => void; end: () => void; fault: string | null } {
  const [id, setId] = useState(() => sessionStorage.getItem(KEPT));
  const [code, setCode] = useState<string | null>(null);
  const [taken, setTaken] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const turn = useRef(-1);
  // The side the phone has turned it to, once: the hall may turn it on from there.
  const side = useRef('null');
  const follow = (remote: Remote): void => {
    const now = JSON.stringify(remote.side);
    if (remote.side && now !== side.current) turnTo(remote.side);
    side.current = now;
  };
  // After a reload the screen first asks where it was, before it says where it is.
  const [ready, setReady] = useState(false);
  const said = useRef<{ knot: string; step: number; steps: number } | null>(null);
  const telling = useRef(false);
  // One after the other, and always the last: of two that overtake each other the phone would be left with the first.
  const tell = async (screen: string): Promise<void> => {
    if (telling.current) return;
    telling.current = true;
    while (said.current) {
      const shown = said.current;
      said.current = null;
      const remote = await call('PUT', '/api/screens/{remote}', {
        params: { path: { remote: screen } },
        body: shown,
      }).catch(() => null);
      if (remote) turn.current = remote.turn;
    }
    telling.current = false;
  };
  const forget = (): void => {
    said.current = null;
    sessionStorage.removeItem(KEPT);
    turn.current = -1;
    side.current = 'null';
    setReady(false);
    setId(null);
    setCode(null);
    setTaken(false);
  };
  usePolled(
    id === null ? null : `/api/screens/${id}`,
    (remote) => {
      setTaken(remote.taken);
      if (remote.taken) setCode(null);
      if (remote.turn > turn.current) {
        turn.current = remote.turn;
        if (remote.knot === knot && remote.step !== step) go(remote.step);
        follow(remote);
      }
      setReady(true);
    },
    forget,
  );
  useEffect(() => {
    if (id === null || !ready) return;
    said.current = { knot, step, steps };
    void tell(id);
  }, [id, ready, knot, step, steps]);
  const offer = (): void => {
    setFault(null);
    void call('POST', '/api/screens', { body: { knot, step, steps } })
      .then((answer) => {
        sessionStorage.setItem(KEPT, answer.remote.id);
        turn.current = answer.remote.turn;
        setReady(true);
        setId(answer.remote.id);
        setCode(answer.code);
      })
      .catch((error: unknown) => setFault(error instanceof ApiProblem ? error.message : String(error)));
  };
  const end = (): void => {
    if (id !== null)
      void call('DELETE', '/api/screens/{remote}', { params: { path: { remote: id } } }).catch(() => undefined);
    forget();
  };
  return { code, taken, offer, end, fault };
}
