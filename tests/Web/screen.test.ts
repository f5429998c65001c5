import { createElement, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { beforeEach, expect, it, vi } from 'vitest';
import { useScreen } from '../../resources/js/demonstrate/screen';

const REMOTE = { id: 'hall', taken: true, knot: 'bowline', step: 2, steps: 6, turn: 4, side: null };

/** What the screen has told the server, each with what answers it. */
let told: { step: number; answer: () => void }[];

beforeEach(() => {
  told = [];
  sessionStorage.setItem('screen', 'hall');
  document.cookie = 'XSRF-TOKEN=word';
  document.body.innerHTML = '<div id="app"></div>';
  vi.stubGlobal('fetch', (path: string, asked?: RequestInit) => {
    if (asked?.method !== 'PUT')
      return Promise.resolve(new Response(JSON.stringify(REMOTE), { headers: { ETag: 'a' } }));
    const { step } = JSON.parse(String(asked.body)) as { step: number };
    return new Promise<Response>((done) => {
      told.push({
        step,
        answer: () => done(new Response(JSON.stringify({ ...REMOTE, step, turn: REMOTE.turn + told.length }))),
      });
    });
  });
});

it('tells a phone the step it has come to last, however slowly it is answered', async () => {
  let go: (step: number) => void = () => undefined;
  let shown = 0;
  const Hall = () => {
    const [step, setStep] = useState(1);
    go = setStep;
    shown = step;
    useScreen('bowline', step, 6, setStep, () => undefined);
    return null;
  };
  const root = createRoot(document.getElementById('app') as HTMLElement);
  root.render(createElement(Hall));
  const soon = (ask: () => void) => vi.waitFor(ask, { timeout: 30_000 });
  const steps = () => told.map((one) => one.step);
  // It comes up where it was, and says so.
  await soon(() => expect([shown, steps().at(-1)]).toEqual([2, 2]));
  const before = told.length;
  go(3);
  await soon(() => expect(shown).toBe(3));
  go(4);
  await soon(() => expect(shown).toBe(4));
  expect(steps()).toHaveLength(before);
  told.at(-1)?.answer();
  await soon(() => expect(steps().slice(before)).toEqual([4]));
  told.at(-1)?.answer();
  go(5);
  await soon(() => expect(steps().slice(before)).toEqual([4, 5]));
  root.unmount();
});
