import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { signedOutElsewhere } from '../../resources/js/api/client';
import { queryClient } from '../../resources/js/api/queries';
import { record, walkIn } from '../../resources/js/check/events';
import { BATCH } from '../../resources/js/outbox/lines';
import { after, atRest, type SyncEvent, type SyncState } from '../../resources/js/outbox/state';
import { store } from '../../resources/js/outbox/store';
import {
  forgetOutbox,
  handIn,
  keepKey,
  markHere,
  noteKept,
  onSync,
  sendOn,
  sync,
  syncState,
  takeStep,
  unsentFile,
} from '../../resources/js/outbox/sync';
import { FakeServer } from './FakeServer';

let server: FakeServer;

const signIn = (id: string): void => server.signIn(id);

const draft = (learner = 'ada') => ({
  kind: 'result' as const,
  learner,
  knot: 'bowline',
  tying: 'yes' as const,
  dressing: 'yes' as const,
  tail: 'yes' as const,
  how: 'attested' as const,
  prompts: 0,
});

const check = (learner = 'ada') =>
  record(draft(learner), 'Ada P., bowline', { verdict: 'has_it', next: 'Again in a week.' }, 2_000);

/** An answer is there before the device has counted anew. */
const settled = (state: Partial<SyncState>): Promise<void> =>
  vi.waitFor(() => expect(syncState()).toMatchObject(state), { timeout: 30_000 });

beforeEach(async () => {
  server = new FakeServer().start();
  server.learners.add('ada').add('bram');
  signIn('maren');
  await forgetOutbox();
});

afterEach(() => {
  vi.unstubAllGlobals();
  queryClient.clear();
  signedOutElsewhere.listeners.clear();
});

describe('what the device says of what waits', () => {
  const counts = { waiting: 3, notes: 2, refused: 1, others: { count: 1, names: ['Wren Callow'] } };
  const known: SyncState = { ...counts, trouble: 'network' };

  it.each<[SyncEvent, SyncState]>([
    [
      { is: 'counted', counts },
      { ...counts, trouble: 'none' },
    ],
    [{ is: 'sent' }, atRest],
    [{ is: 'shut' }, { ...atRest, trouble: 'sign-in' }],
    [{ is: 'lost' }, { ...atRest, trouble: 'network' }],
    [{ is: 'moved' }, { ...atRest, trouble: 'moved' }],
  ])('follows %j from rest', (event, expected) => {
    expect(after(atRest, event)).toEqual(expected);
  });

  it('keeps counts through what happens on the way, and trouble through counting', () => {
    expect(after(known, { is: 'sent' })).toEqual({ ...counts, trouble: 'none' });
    expect(after(known, { is: 'shut' })).toEqual({ ...counts, trouble: 'sign-in' });
    const fewer = { ...counts, waiting: 0 };
    expect(after(known, { is: 'counted', counts: fewer })).toEqual({ ...fewer, trouble: 'network' });
  });

  it('leaves the state before as it was', () => {
    const frozen = Object.freeze({ ...known });
    after(frozen, { is: 'lost' });
    expect(frozen).toEqual(known);
  });
});

describe('a check', () => {
  it('goes at once, leaves the device when acknowledged, and brings the server’s answer', async () => {
    await expect(check()).resolves.toMatchObject({ verdict: 'has_it', provisional: false });
    expect(server.events).toHaveLength(1);
    expect(await store.events.count()).toBe(0);
    expect(server.events[0]).toMatchObject({ by: 'maren', schema: 1, learner: 'ada' });
  });

  it('waits without a network, counted, under its own number, and goes once', async () => {
    server.network = false;
    const told = vi.fn();
    const stop = onSync(told);
    await expect(check()).resolves.toMatchObject({ verdict: 'has_it', provisional: true });
    await check('bram');
    expect(syncState()).toMatchObject({ waiting: 2, trouble: 'network' });
    expect(told).toHaveBeenCalled();
    const kept = await store.events.orderBy('seq').toArray();
    expect(kept[1]!.event.device_seq).toBe(kept[0]!.event.device_seq + 1);
    expect(kept[1]!.event.device).toBe(kept[0]!.event.device);
    server.network = true;
    await Promise.all([sync(), sync()]);
    await sync();
    expect(server.events.map((one) => one.learner)).toEqual(['ada', 'bram']);
    expect(syncState()).toEqual(atRest);
    stop();
  });

  it('is not lost where the answer never came back, and not doubled when it is sent again', async () => {
    let times = 0;
    server.meanwhile = ({ path }) => {
      if (path !== '/api/check-events' || times++ > 0) return Promise.resolve();
      // Written down on the server; then the line breaks.
      return Promise.reject(new TypeError('Failed to fetch'));
    };
    await check();
    expect(await store.events.count()).toBe(1);
    expect(server.events).toHaveLength(1);
    await sync();
    await sync();
    expect(server.events).toHaveLength(1);
    expect(await store.events.count()).toBe(0);
  });

  it('goes in batches of no more than the server takes', async () => {
    server.network = false;
    for (let n = 0; n < 2 * BATCH + 7; n += 1) {
      await store.events.add({
        id: `event-${n}`,
        seq: n,
        state: 'waiting',
        who: '',
        verdict: '',
        event: { ...draft(), id: `event-${n}`, schema: 1, device: 'd', device_seq: n, observed_at: '', by: 'maren' },
      });
    }
    server.network = true;
    await sync();
    const sizes = server.asked
      .filter((one) => one.path === '/api/check-events')
      .map((one) => (one.body as { events: unknown[] }).events.length);
    expect(sizes).toEqual([BATCH, BATCH, 7]);
    expect(server.events.map((one) => one.device_seq)).toEqual(Array.from({ length: 2 * BATCH + 7 }, (_, n) => n));
  });

  it('that the server will never take stays with the server’s words, and holds up no other', async () => {
    server.network = false;
    await check('ada');
    await check('nobody');
    await check('bram');
    server.network = true;
    await sync();
    expect(server.events.map((one) => one.learner)).toEqual(['ada', 'bram']);
    expect(await store.events.toArray()).toMatchObject([{ state: 'refused', fault: 'No learner nobody.' }]);
    expect(syncState()).toMatchObject({ waiting: 0, refused: 1, trouble: 'none' });
    expect(JSON.parse(await text(await unsentFile()))).toMatchObject({ events: [{ fault: 'No learner nobody.' }] });
  });

  it.each([500, 503, 408, 429])('is kept where the server answers %i', async (status) => {
    server.broken.set(/check-events/, { status });
    await expect(check()).resolves.toMatchObject({ provisional: true });
    expect(syncState()).toMatchObject({ waiting: 1, refused: 0, trouble: 'network' });
    server.broken.clear();
    await sync();
    expect(server.events).toHaveLength(1);
  });

  it('waits for whoever tapped it, and a lead sends it on under both names', async () => {
    server.network = false;
    await check();
    server.network = true;
    signIn('wren');
    await sync();
    expect(server.events).toHaveLength(0);
    expect(syncState()).toMatchObject({ waiting: 0, others: { count: 1, names: ['Maren Holt'] } });
    // The server takes it from a lead; this one would not from a helper.
    await expect(sendOn()).rejects.toThrow();
    expect(await store.events.count()).toBe(1);
    server.signedIn = 'maren';
    await sendOn();
    expect(server.events).toMatchObject([{ by: 'maren' }]);
    expect(syncState().others.count).toBe(0);
  });
});

it('says what is wrong without coming and going at each try', async () => {
  server.network = false;
  await markHere('tonight', 'ada', true);
  const seen: string[] = [];
  const stop = onSync(() => seen.push(syncState().trouble));
  await sync();
  await sync();
  server.network = true;
  await sync();
  stop();
  expect(seen.join(' ')).toMatch(/^(network )+none$/);
});

describe('a learner who came along', () => {
  it('goes ahead of the checks', async () => {
    server.network = false;
    const id = await walkIn(' Odd Q. ', 'tonight');
    await check(id);
    server.network = true;
    await sync();
    expect(server.paths().indexOf('POST /api/walk-ins')).toBeLessThan(server.paths().indexOf('POST /api/check-events'));
    expect(server.asked[0]!.body).toEqual({ learners: [{ id, name: 'Odd Q.', meeting: 'tonight' }] });
    expect(server.events.map((one) => one.learner)).toEqual([id]);
  });

  it('who cannot be sent holds up their own checks, and nobody else’s', async () => {
    server.broken.set(/walk-ins/, { status: 500 });
    const id = await walkIn('Odd Q.', null);
    await record(draft(id), '', { verdict: 'has_it', next: '' }, 50);
    await check('ada');
    expect(server.events.map((one) => one.learner)).toEqual(['ada']);
    await settled({ waiting: 1, notes: 1, trouble: 'network' });
    server.broken.clear();
    await sync();
    expect(server.events.map((one) => one.learner)).toEqual(['ada', id]);
    expect(syncState()).toEqual(atRest);
  });
});

describe('who is here, and the clock', () => {
  it('hold up no check where the server is not well with them', async () => {
    server.broken.set(/attendance|run$/, { status: 500 });
    await markHere('tonight', 'ada', true);
    await takeStep({ meeting: 'tonight', step: 'start' });
    await check();
    expect(server.events).toHaveLength(1);
    await settled({ waiting: 0, notes: 2, trouble: 'network' });
    server.broken.clear();
    await sync();
    expect(server.here).toEqual(new Map([['tonight ada', true]]));
    expect(server.steps).toEqual(['start']);
    expect(syncState()).toEqual(atRest);
  });

  it('keep the last word on a learner, also one that comes while another is on its way', async () => {
    server.network = false;
    await markHere('tonight', 'ada', true);
    await markHere('tonight', 'ada', false);
    await markHere('tonight', 'bram', true);
    expect(await store.roll.count()).toBe(2);
    server.network = true;
    let changed = false;
    server.meanwhile = async ({ path }) => {
      if (!path.endsWith('/bram') || changed) return;
      changed = true;
      await store.roll.put({ key: 'tonight bram', meeting: 'tonight', learner: 'bram', present: false });
    };
    await sync();
    expect(await store.roll.count()).toBe(1);
    await sync();
    expect(Object.fromEntries(server.here)).toEqual({ 'tonight ada': false, 'tonight bram': false });
    expect(await store.roll.count()).toBe(0);
  });

  it('go in the order they were taken, and one that is refused says why', async () => {
    server.network = false;
    await takeStep({ meeting: 'tonight', step: 'start' });
    await takeStep({ meeting: 'tonight', step: 'next', place: 0 });
    await takeStep({ meeting: 'elsewhere', step: 'start' });
    server.network = true;
    server.broken.set(/elsewhere/, { status: 422, field: '/step', message: 'It was called off.' });
    await sync();
    expect(server.steps).toEqual(['start', 'next']);
    expect(await store.steps.toArray()).toMatchObject([
      { meeting: 'elsewhere', state: 'refused', fault: 'It was called off.' },
    ]);
    expect(syncState()).toMatchObject({ notes: 0, trouble: 'none' });
  });

  it('let go of a mark the server will never take', async () => {
    server.broken.set(/attendance/, { status: 404 });
    await markHere('gone', 'ada', true);
    expect(await store.roll.count()).toBe(0);
    expect(syncState()).toEqual(atRest);
  });
});

describe('a group that has moved to another house', () => {
  it('keeps all that waits, says why, has it in the file, and sends it where the group stays after all', async () => {
    server.broken.set(/^\/api\/(check-events|walk-ins|meetings)/, { status: 423, field: '/group', message: 'Moved.' });
    await walkIn('Odd Q.', 'tonight');
    await record(draft(), 'Ada P., bowline', { verdict: 'has_it', next: '' }, 50);
    await markHere('tonight', 'bram', true);
    await takeStep({ meeting: 'tonight', step: 'start' });
    await settled({ trouble: 'moved' });
    expect(syncState()).toMatchObject({ waiting: 1, notes: 3, refused: 0 });
    // Nothing of it was asked for one by one: it is the house that takes nothing.
    expect(server.paths().filter((path) => path === 'POST /api/check-events').length).toBeLessThanOrEqual(1);
    const file = JSON.parse(await text(await unsentFile())) as {
      events: { learner: string; who: string }[];
      walk_ins: unknown[];
    };
    expect(file.events).toMatchObject([{ learner: 'ada', who: 'Ada P., bowline' }]);
    expect(file.walk_ins).toHaveLength(1);
    server.broken.clear();
    await sync();
    await settled(atRest);
    expect(server.events).toHaveLength(1);
    expect(server.here.get('tonight bram')).toBe(true);
  });

  it('leaves with a phone whose access has ended what it could not hand in', async () => {
    server.network = false;
    await check();
    await keepKey({ user: { id: 'maren' }, hand_in: 'seal-maren' } as never);
    server.network = true;
    server.signedIn = null;
    server.broken.set(/left-checks/, { status: 423, field: '/group', message: 'Moved.' });
    await expect(handIn()).resolves.toBe(false);
    expect(await store.events.count()).toBe(1);
  });
});

describe('a device nobody is signed in on', () => {
  it('keeps everything and says so', async () => {
    server.signedIn = null;
    await markHere('tonight', 'ada', true);
    await record(draft(), '', { verdict: 'has_it', next: '' }, 50);
    await noteKept();
    expect(syncState()).toMatchObject({ waiting: 1, notes: 1, trouble: 'sign-in' });
    signIn('maren');
    await sync();
    expect(syncState()).toEqual(atRest);
    expect(server.events).toHaveLength(1);
  });

  it('hands in its owner’s own checks once access has ended, and clears itself', async () => {
    server.network = false;
    await check();
    await store.events.add({
      ...(await store.events.toArray())[0]!,
      id: 'wrens',
      event: { ...(await store.events.toArray())[0]!.event, id: 'wrens', by: 'wren' },
    });
    await keepKey({ user: { id: 'maren' }, hand_in: 'seal-maren' } as never);
    server.network = true;
    server.signedIn = null;
    const cleared = vi.fn();
    signedOutElsewhere.listeners.add(cleared);
    // Access still stands: nothing is handed in, nothing cleared.
    server.broken.set(/left-checks/, { status: 500 });
    await sync();
    expect(cleared).not.toHaveBeenCalled();
    expect(await store.events.count()).toBe(2);
    server.broken.clear();
    vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
      if (path !== '/api/left-checks') return new Response('{"message":"No.","errors":[]}', { status: 401 });
      const { key, events } = JSON.parse(String(init.body)) as { key: string; events: { id: string }[] };
      expect(key).toBe('seal-maren');
      expect(events).toHaveLength(1);
      const answer = new Response('{"ended":true}', { status: 200 });
      Object.defineProperty(answer, 'url', { value: 'http://127.0.0.1/api/left-checks' });
      return answer;
    });
    await expect(handIn()).resolves.toBe(true);
    expect((await store.events.toArray()).map((one) => one.id)).toEqual(['wrens']);
  });
});

const text = (blob: Blob): Promise<string> =>
  new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.readAsText(blob);
  });
