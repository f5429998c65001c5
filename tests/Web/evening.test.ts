import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { queryClient } from '../../resources/js/api/queries';
import { record, walkIn } from '../../resources/js/check/events';
import { eveningOf, eveningToday } from '../../resources/js/outbox/evenings';
import { store } from '../../resources/js/outbox/store';
import {
  beginEvening,
  forgetOutbox,
  leadStations,
  markHere,
  moveLearner,
  noteKept,
  sendOn,
  sync,
  syncState,
  takeStep,
  unsentFile,
} from '../../resources/js/outbox/sync';
import { withPlaces } from '../../resources/js/session/places';
import { FakeServer } from './FakeServer';

const ZONE = 'Europe/Amsterdam';
let server: FakeServer;
/** Has a server that is held up answer after all. */
let answer = (): void => undefined;

const signIn = (id: string, group?: string): void => server.signIn(id, group, ZONE);

const check = (meeting?: string) =>
  record(
    { kind: 'result', learner: 'ada', knot: 'bowline', tying: 'yes', prompts: 0, ...(meeting ? { meeting } : {}) },
    'Ada P., bowline',
    { verdict: 'has_it', next: '' },
    2_000,
  );

/** All that is on its way has gone, or has failed. */
const settled = async (): Promise<void> => {
  await sync();
  await noteKept();
};

beforeEach(async () => {
  server = new FakeServer().start();
  server.learners.add('ada');
  signIn('maren');
  await forgetOutbox();
});

afterEach(() => {
  vi.unstubAllGlobals();
  queryClient.clear();
});

describe('an evening nobody planned', () => {
  it('begins on the server where it answers, and leaves nothing here', async () => {
    const meeting = await beginEvening();
    expect([...server.evenings.keys()]).toEqual([meeting]);
    expect(await store.evenings.count()).toBe(0);
  });

  it('says what the server says against it', async () => {
    server.broken.set(/tonight/, { status: 422, field: '/date', message: 'There is a meeting already.' });
    await expect(beginEvening()).rejects.toThrow('There is a meeting already.');
    expect(await store.evenings.count()).toBe(0);
  });

  it.each([
    ['is not there', () => (server.network = false)],
    ['is not well', () => server.broken.set(/./, { status: 503 })],
    ['does not answer', () => (server.meanwhile = () => new Promise((done) => (answer = done)))],
  ])('begins on the device where the server %s', async (_how, fail) => {
    fail();
    const meeting = await beginEvening(50);
    expect(await store.evenings.toArray()).toMatchObject([{ id: meeting, state: 'waiting' }]);
    expect(await store.steps.toArray()).toMatchObject([{ meeting, step: 'start', shown: [], state: 'waiting' }]);
    server.meanwhile = () => Promise.resolve();
    answer();
  });

  it('keeps all that belongs to it until the server knows it, and sends it in order', async () => {
    server.network = false;
    const meeting = await beginEvening();
    await markHere(meeting, 'ada', true);
    await check();
    const bram = await walkIn('Bram K.', null);
    await takeStep({ meeting, step: 'end' });
    await settled();
    expect(syncState()).toMatchObject({ waiting: 1, notes: 5, trouble: 'network' });
    expect(JSON.parse(await (await unsentFile()).text())).toMatchObject({
      evenings: [{ id: meeting }],
      walk_ins: [{ id: bram, meeting }],
      events: [{ meeting }],
    });
    server.network = true;
    await settled();
    expect(server.paths().filter((one) => !one.includes('GET'))).toEqual([
      'POST /api/tonight',
      'POST /api/walk-ins',
      'POST /api/check-events',
      `PUT /api/meetings/${meeting}/attendance/ada`,
      `POST /api/meetings/${meeting}/run`,
      `POST /api/meetings/${meeting}/run`,
    ]);
    expect(server.events).toMatchObject([{ learner: 'ada', meeting }]);
    expect(server.steps).toEqual(['start', 'end']);
    expect(server.asked.find((one) => one.path.endsWith('walk-ins'))?.body).toMatchObject({ learners: [{ meeting }] });
    expect(syncState()).toMatchObject({ waiting: 0, notes: 0, trouble: 'none' });
  });

  it('holds back what is of it alone while the server does not take it', async () => {
    server.network = false;
    const meeting = await beginEvening();
    await markHere(meeting, 'ada', true);
    await check();
    await check('of-before');
    server.network = true;
    server.broken.set(/tonight/, { status: 500 });
    await settled();
    expect(server.events).toMatchObject([{ meeting: 'of-before' }]);
    expect(server.here.size).toBe(0);
    expect(syncState()).toMatchObject({ waiting: 1, notes: 3, trouble: 'network' });
    server.broken.clear();
    await settled();
    expect(server.events).toMatchObject([{ meeting: 'of-before' }, { meeting }]);
    expect(server.here.get(`${meeting} ada`)).toBe(true);
  });

  it('goes to the meeting that was on by then, whose clock is the others’', async () => {
    server.network = false;
    const meeting = await beginEvening();
    await markHere(meeting, 'ada', true);
    await check();
    await takeStep({ meeting, step: 'end' });
    server.network = true;
    server.onAlready = 'planned';
    await settled();
    expect(server.steps).toEqual([]);
    expect(server.here.get('planned ada')).toBe(true);
    // What was tapped on a page that was open still.
    await check(meeting);
    await markHere(meeting, 'ada', false);
    await settled();
    expect(server.events.map((one) => one.meeting)).toEqual(['planned', 'planned']);
    expect(server.here.get('planned ada')).toBe(false);
    expect(syncState()).toMatchObject({ waiting: 0, notes: 0 });
  });

  it('loses no check where the server will never take it', async () => {
    server.network = false;
    const meeting = await beginEvening();
    await markHere(meeting, 'ada', true);
    await check();
    await walkIn('Bram K.', meeting);
    server.network = true;
    server.broken.set(/tonight/, { status: 403, field: '/', message: 'Helpers do not begin evenings.' });
    await settled();
    await settled();
    expect(await store.evenings.get(meeting)).toMatchObject({
      state: 'refused',
      fault: 'Helpers do not begin evenings.',
    });
    expect(server.events).toMatchObject([{ learner: 'ada', meeting: null }]);
    expect(server.walkIns.size).toBe(1);
    expect(server.here.size + server.steps.length).toBe(0);
    expect(syncState()).toMatchObject({ waiting: 0, notes: 0 });
  });

  it('waits for whoever began it where somebody is signed in who may not', async () => {
    server.network = false;
    const meeting = await beginEvening();
    await markHere(meeting, 'ada', true);
    await markHere('planned', 'ada', true);
    await takeStep({ meeting: 'planned', step: 'start', shown: [] });
    signIn('wren');
    server.network = true;
    server.broken.set(/./, { status: 403, field: '/', message: 'Helpers do not.' });
    await settled();
    expect(syncState()).toMatchObject({ notes: 5, trouble: 'sign-in' });
    server.broken.clear();
    signIn('maren');
    await settled();
    expect([...server.evenings.keys()]).toEqual([meeting]);
    expect(server.here.size).toBe(2);
    expect(server.steps).toHaveLength(2);
    expect(syncState()).toMatchObject({ notes: 0, trouble: 'none' });
  });

  it('is today’s in the group’s own zone, and the newest', () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-24T23:30:00Z'), toFake: ['Date'] });
    const at = (time: string): number => Date.parse(time);
    const first = { id: 'first', at: at('2026-11-24T23:05:00Z'), state: 'waiting' as const };
    const second = { id: 'second', at: at('2026-11-24T23:20:00Z'), state: 'known' as const, became: 'x' };
    const before = { id: 'before', at: at('2026-11-24T22:55:00Z'), state: 'waiting' as const };
    const refused = { id: 'refused', at: at('2026-11-24T23:25:00Z'), state: 'refused' as const };
    // Midnight has passed there, and not in Greenwich.
    expect(eveningOf([second, first, before, refused], ZONE)?.id).toBe('second');
    expect(eveningOf([before, refused], ZONE)).toBeNull();
    expect(eveningOf([before], 'Europe/London')?.id).toBe('before');
    vi.useRealTimers();
  });
});

describe('another group', () => {
  it('is sent nothing of what waits for the one it was noted in, and counts none of it', async () => {
    server.network = false;
    const meeting = await beginEvening();
    await check();
    await walkIn('Bram K.', null);
    await markHere(meeting, 'ada', true);
    await markHere('planned', 'ada', true);
    await takeStep({ meeting: 'planned', step: 'start', shown: [] });
    await leadStations('planned', 'bowline', true);
    await moveLearner('planned', 10, 'ada', 'bowline');
    await settled();
    expect(syncState()).toMatchObject({ waiting: 1, notes: 8 });
    // The session ran out, and the same person opens their other group on this phone.
    signIn('maren', 'tarrow');
    server.network = true;
    await settled();
    await sendOn();
    expect(server.paths()).toEqual([]);
    expect(syncState()).toMatchObject({ waiting: 0, notes: 0, others: { count: 0 } });
    expect(JSON.parse(await (await unsentFile()).text())).toMatchObject({
      events: [],
      walk_ins: [],
      roll: [],
      clock: [],
    });
    expect(await eveningToday()).toBeNull();
    await check();
    expect(server.events).toHaveLength(1);
    // Nor is it lost where they sign out of that one.
    await forgetOutbox();
    signIn('maren');
    await settled();
    expect(server.events).toHaveLength(2);
    expect(server.walkIns.size + server.here.size + server.places.length + server.steps.length).toBe(1 + 2 + 2 + 2);
    expect(syncState()).toMatchObject({ waiting: 0, notes: 0, others: { count: 0 } });
  });
});

describe('who is where', () => {
  it('sends the last word on each learner and each station, once', async () => {
    server.network = false;
    await moveLearner('m', 10, 'ada', 'bowline');
    await moveLearner('m', 10, 'ada', 'overhand');
    await leadStations('m', 'bowline', true);
    await settled();
    expect(syncState().notes).toBe(2);
    server.network = true;
    await settled();
    expect(server.places).toEqual(['m stations ada {"place":10,"to":"overhand"}', 'm leads bowline {"leads":true}']);
    await settled();
    expect(server.places).toHaveLength(2);
  });

  it('waits for the steps of the clock that make the block', async () => {
    server.broken.set(/run$/, { status: 500 });
    await takeStep({ meeting: 'm', step: 'start', shown: [] });
    await moveLearner('m', 10, 'ada', 'bowline');
    await leadStations('other', 'bowline', true);
    await settled();
    expect(server.places).toEqual(['other leads bowline {"leads":true}']);
    server.broken.clear();
    await settled();
    expect(server.places).toHaveLength(2);
  });

  it('keeps a later word that came while the first was on its way', async () => {
    server.meanwhile = async ({ path }) => {
      server.meanwhile = () => Promise.resolve();
      if (path.includes('leads')) await store.places.update('m bowline maren', { leads: false } as never);
    };
    await leadStations('m', 'bowline', true);
    await settled();
    await settled();
    expect(server.places).toEqual(['m leads bowline {"leads":true}', 'm leads bowline {"leads":false}']);
  });

  it('lets whoever leads say so for themselves alone', async () => {
    server.network = false;
    await leadStations('m', 'bowline', true);
    signIn('wren');
    server.network = true;
    await settled();
    expect(server.places).toEqual([]);
    signIn('maren');
    await settled();
    expect(server.places).toEqual(['m leads bowline {"leads":true}']);
  });

  it('keeps the server’s words where it does not take it', async () => {
    server.broken.set(/stations/, { status: 422, field: '/place', message: 'That block is over.' });
    await moveLearner('m', 10, 'ada', 'bowline');
    await settled();
    expect(await store.places.toArray()).toMatchObject([{ state: 'refused', fault: 'That block is over.' }]);
    expect(syncState().notes).toBe(0);
  });

  it('shows it at once as the server will have it', () => {
    const station = { knot: 'bowline', learners: ['ada', 'bram'], helpers: ['cleo'] };
    const beside = [{ knot: 'overhand', learners: ['dov'], helpers: ['ada'] }];
    const sheet = { leads: {}, clock: { blocks: [{ place: 10, ...station, beside }] } } as never;
    const said = { key: '', meeting: 'm', state: 'waiting' as const };
    const moved = { ...said, is: 'moved' as const, place: 10, learner: 'ada', to: 'overhand' };
    const leads = { ...said, is: 'leads' as const, knot: 'bowline', leads: true, by: 'maren' };
    const me = { id: 'maren', name: 'Maren Holt' };
    const now = withPlaces(sheet, [moved, leads, { ...leads, by: 'wren' }], me);
    expect(now.clock.blocks[0]).toMatchObject({
      learners: ['bram'],
      helpers: ['cleo'],
      beside: [{ learners: ['dov', 'ada'], helpers: [] }],
    });
    expect(now.leads).toEqual({ bowline: [me] });
    expect(withPlaces(now, [{ ...leads, leads: false }], me).leads).toEqual({ bowline: [] });
    expect(withPlaces(sheet, [{ ...moved, to: null }], me).clock.blocks[0]).toMatchObject({ learners: ['bram'] });
    // Of another block, or refused: nothing.
    expect(
      withPlaces(
        sheet,
        [
          { ...moved, place: 0 },
          { ...leads, state: 'refused' },
        ],
        me,
      ),
    ).toEqual(sheet);
  });
});
