import { act, createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { type Checks, cleanPass, useChecks } from '../../resources/js/check/useChecks';

type Recorded = { learner: string; target?: string; answer: () => void };

/** What was recorded and is not answered yet, in the order of the taps. */
const open = vi.hoisted((): Recorded[] => []);

vi.mock('../../resources/js/check/events', () => ({
  record: (draft: { learner: string; target?: string }) =>
    new Promise((resolve) => {
      open.push({
        ...draft,
        answer: () => resolve({ id: `${draft.learner} ${draft.target ?? ''}`.trim(), verdict: 'has_it', next: '' }),
      });
    }),
}));

vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);

const root = createRoot(document.body);
let checks: Checks;

function Page(): null {
  checks = useChecks();
  return null;
}

const subject = (learner: string) => ({ learner, name: learner, knot: 'bowline', meeting: null });
const parts = cleanPass({ has_dressing: true, has_tail: true });
const pass = (learner: string): void => void checks.send(subject(learner), parts, { verdict: 'has_it', next: '' });
const answered = (...places: number[]): Promise<void> =>
  act(async () => {
    for (const one of places.map((place) => open[place])) one?.answer();
    open.length = 0;
    await Promise.resolve();
  });
const undoable = (): string[] =>
  (JSON.parse(sessionStorage.getItem('compadre-undo') ?? '{"done":[]}') as { done: { id: string }[] }).done.map(
    (one) => one.id,
  );

beforeEach(async () => {
  sessionStorage.clear();
  open.length = 0;
  await act(() => root.render(createElement(Page, { key: Math.random() })));
});
afterEach(() => act(() => root.render(null)));

it('can take back each of several that were tapped before the first was answered', async () => {
  act(() => ['Ada', 'Bram', 'Cleo'].forEach(pass));
  // Answers come in any order.
  await answered(1, 0, 2);
  expect(undoable()).toEqual(['Bram', 'Ada', 'Cleo']);
  for (const [last, left] of [
    ['Cleo', ['Bram', 'Ada']],
    ['Ada', ['Bram']],
    ['Bram', []],
  ] as const) {
    expect(checks.last?.undo?.id).toBe(last);
    act(() => void checks.undo());
    expect(open.map((one) => one.target)).toEqual([last]);
    await answered(0);
    expect(undoable()).toEqual(left);
  }
});

it('keeps the last ten, and puts one that was seen closer in the place of what it was', async () => {
  const names = Array.from({ length: 12 }, (_, n) => `L${n}`);
  act(() => names.forEach(pass));
  await answered(...names.keys());
  expect(undoable()).toEqual(names.slice(2));
  act(() => void checks.replace('L5', subject('L5'), { ...parts, prompts: 1 }, { verdict: 'with_help', next: '' }));
  await answered(0);
  await answered(0);
  expect(undoable()).toEqual([...names.slice(2).filter((one) => one !== 'L5'), 'L5']);
});
