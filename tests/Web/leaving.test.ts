import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { House, Schemas } from '../../resources/js/api/client';

const cleared = vi.fn();
vi.mock('../../resources/js/device/leaving', async (original) => ({
  ...(await original<object>()),
  clearPage: cleared,
}));
vi.mock('../../resources/js/shell/Inside', () => ({ Inside: () => 'Ada P. and the others' }));
vi.mock('../../resources/js/shell/start', () => ({ start: () => undefined }));

const HOUSE: House = { house: 'group', signed_in: true, hosts: false, needs_setup: false, today: '2026-11-24' };
const ME = { user: { id: 'maren' }, group: { time_zone: 'UTC' }, ahead: [] } as unknown as Schemas['Me'];

/** Lets the server answer; until then a request waits. */
let answer: () => void;

beforeEach(() => {
  localStorage.clear();
  cleared.mockReset();
  vi.resetModules();
  document.body.innerHTML = '<div id="app"></div>';
  document.cookie = 'XSRF-TOKEN=word';
  window.matchMedia ??= () => ({ matches: false }) as MediaQueryList;
  const answered = new Promise<void>((done) => (answer = done));
  vi.stubGlobal('fetch', () => answered.then(() => new Response(null, { status: 204 })));
});

/** A busy machine takes its time. */
const soon = <Found>(ask: () => Found): Promise<Found> => vi.waitFor(ask, { timeout: 20_000 });
const shows = (what: string) => soon(() => expect(document.body.textContent).toContain(what));

async function opened() {
  const { enter } = await import('../../resources/js/shell/enter');
  enter(document.getElementById('app') as HTMLElement, { house: HOUSE, me: ME });
  await shows('Ada P. and the others');
  const { meQuery, queryClient } = await import('../../resources/js/api/queries');
  return {
    ...(await import('../../resources/js/device/offline')),
    hearsNobodyIn: () => queryClient.setQueryData(meQuery.queryKey, null),
  };
}

describe('a page that is being left', () => {
  it('shows neither the group nor the sign-in until it is cleared', async () => {
    const { leave, hearsNobodyIn } = await opened();
    const left = leave();
    await shows('One moment');
    hearsNobodyIn();
    await new Promise((done) => setTimeout(done));
    expect(document.body.textContent).not.toContain('Ada P.');
    expect(document.querySelector('input')).toBeNull();
    expect(cleared).not.toHaveBeenCalled();
    answer();
    await left;
    expect(cleared).toHaveBeenCalledOnce();
  });

  it('does the same where the device was signed out from elsewhere', async () => {
    const { startLeaving, hearsNobodyIn } = await opened();
    const { signedOutElsewhere } = await import('../../resources/js/api/client');
    startLeaving();
    signedOutElsewhere.say();
    await shows('One moment');
    hearsNobodyIn();
    await new Promise((done) => setTimeout(done));
    expect(document.querySelector('input')).toBeNull();
    answer();
    await soon(() => expect(cleared).toHaveBeenCalledOnce());
    expect(document.body.textContent).not.toContain('Ada P.');
  });

  it('does so where the page heard it before it was ready to leave', async () => {
    const { startLeaving, hearsNobodyIn } = await opened();
    const { signedOutElsewhere } = await import('../../resources/js/api/client');
    signedOutElsewhere.say();
    hearsNobodyIn();
    await shows('One moment');
    startLeaving();
    answer();
    await soon(() => expect(cleared).toHaveBeenCalledOnce());
  });

  it('shows the sign-in where nobody is signed in and nothing is being left', async () => {
    const { hearsNobodyIn } = await opened();
    hearsNobodyIn();
    await soon(() => expect(document.querySelector('input[type=email]')).not.toBeNull());
  });
});
