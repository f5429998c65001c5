import { createElement } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { store } from '../../resources/js/outbox/store';
import { useLive } from '../../resources/js/outbox/useLive';

const MARK = { learner: 'ada', present: true, state: 'waiting' as const };
let root: Root;

/** Who is here in a meeting, as this device has it. */
function Here({ meeting }: { meeting: string }) {
  const roll = useLive(() => store.roll.where('meeting').equals(meeting).toArray(), [meeting], []);
  return roll.map((one) => one.learner).join();
}

const shown = (): string | null => document.body.textContent;

beforeEach(() => {
  document.body.innerHTML = '<div></div>';
  root = createRoot(document.body.firstElementChild as Element);
});
afterEach(async () => {
  root.unmount();
  await store.roll.clear();
});

it('shows what is kept, what comes to it, and of another meeting that one’s own', async () => {
  await store.roll.put({ ...MARK, key: 'a', meeting: 'first' });
  root.render(createElement(Here, { meeting: 'first' }));
  await vi.waitFor(() => expect(shown()).toBe('ada'));
  await store.roll.bulkPut([
    { ...MARK, key: 'b', meeting: 'first', learner: 'bram' },
    { ...MARK, key: 'c', meeting: 'second', learner: 'cleo' },
  ]);
  await vi.waitFor(() => expect(shown()).toBe('ada,bram'));
  root.render(createElement(Here, { meeting: 'second' }));
  await vi.waitFor(() => expect(shown()).toBe('cleo'));
  await store.roll.delete('c');
  await vi.waitFor(() => expect(shown()).toBe(''));
});

it('draws the page all the same on a device that keeps nothing', async () => {
  let refused = 0;
  const refuse = (): Promise<string> => Promise.reject(new Error(`No storage here, however often: ${++refused}.`));
  const Page = () => useLive(refuse, [], 'nobody');
  root.render(createElement(Page));
  await vi.waitFor(() => expect(refused).toBeGreaterThan(0));
  // What it is told comes a turn later.
  for (let turn = 0; turn < 5; turn++) await new Promise((done) => setTimeout(done));
  expect(shown()).toBe('nobody');
});
