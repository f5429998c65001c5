import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Corner, Day } from '../../resources/js/practice/kept';

type Asked = { method: string; path: string; body: { code?: string; days?: Day[] } | null; code: string | null };

const asked: Asked[] = [];
let network = true;
let ended = false;
let hints = false;
/** Called while days are on their way. */
let meanwhile: () => void = () => undefined;

const corner = (): Corner => ({
  view: 'learner',
  words: 'leaders',
  ends_on: '2026-12-22',
  today: '2026-11-24',
  hints,
  knots: [],
  rest: {
    first: { easy: 1, thought: 0, hard: 0 },
    rests: [2, 4],
    next: { easy: [1, 1], thought: [0, 1], hard: [0, 0] },
  },
  enough_minutes: 10,
});

/** The corner as a page opens it: nothing is known but what is on the device. */
const opened = async () => {
  vi.resetModules();
  return import('../../resources/js/practice/kept');
};

const told = (): Day[][] => asked.filter((one) => one.path === '/api/corner/days').map((one) => one.body?.days ?? []);

beforeEach(() => {
  asked.length = 0;
  network = true;
  ended = false;
  hints = false;
  meanwhile = () => undefined;
  localStorage.clear();
  document.cookie = 'XSRF-TOKEN=given';
  vi.useFakeTimers({ toFake: ['Date'], now: new Date(2026, 10, 24, 18, 45) });
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    if (!network) return Promise.reject(new TypeError('Failed to fetch'));
    const headers = new Headers(init.headers);
    asked.push({
      method: init.method ?? 'GET',
      path,
      body: JSON.parse(String(init.body ?? 'null')) as Asked['body'],
      code: headers.get('X-Practice'),
    });
    if (ended && path === '/api/corner')
      return Promise.resolve(
        Response.json({ message: 'No card has this code.', errors: [{ field: '/code' }] }, { status: 422 }),
      );
    if (path === '/api/corner/days') meanwhile();
    return Promise.resolve(Response.json(path === '/api/corner' ? corner() : { taken: 1 }));
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('keeps days on the device, the last word of a day, and tells nobody', async () => {
  const corner = await opened();
  await corner.openWith('AC7KGY');
  corner.practised('bowline', 'easy');
  corner.practised('overhand', 'easy');
  corner.practised('bowline', 'hard');
  await corner.tell();
  expect(corner.kept()?.days).toEqual([
    { knot: 'overhand', day: '2026-11-24', felt: 'easy' },
    { knot: 'bowline', day: '2026-11-24', felt: 'hard' },
  ]);
  expect(told()).toEqual([]);
  // And still after the page was closed.
  expect((await opened()).kept()?.days).toHaveLength(2);
});

it('tells the leaders each day once where the card says so, and again what was said anew', async () => {
  hints = true;
  const corner = await opened();
  await corner.openWith('AC7KGY');
  corner.practised('bowline', 'easy');
  await corner.tell();
  corner.practised('overhand', 'thought');
  await corner.tell();
  await corner.tell();
  expect(told().map((days) => days.map((one) => `${one.knot} ${one.felt}`))).toEqual([
    ['bowline easy'],
    ['overhand thought'],
  ]);
  expect(asked.at(-1)?.code).toBe('AC7KGY');
  meanwhile = () => {
    meanwhile = () => undefined;
    corner.practised('overhand', 'hard');
  };
  corner.practised('overhand', 'easy');
  await corner.tell();
  await corner.tell();
  expect(told().at(-1)).toEqual([{ knot: 'overhand', day: '2026-11-24', felt: 'hard' }]);
  expect(corner.kept()?.told).toBe(2);
});

it('tells at the next visit what there was no network for', async () => {
  hints = true;
  const before = await opened();
  await before.openWith('AC7KGY');
  network = false;
  before.practised('bowline', 'easy');
  await before.tell();
  const corner = await opened();
  expect(await corner.lookAgain()).toBe('good');
  network = true;
  expect(await corner.lookAgain()).toBe('good');
  await corner.tell();
  expect(told()).toEqual([[{ knot: 'bowline', day: '2026-11-24', felt: 'easy' }]]);
});

it('tells nothing of what was practised with another card', async () => {
  const before = await opened();
  await before.openWith('AC7KGY');
  before.practised('bowline', 'easy');
  hints = true;
  const corner = await opened();
  await corner.openWith('QU9E9A');
  await corner.tell();
  expect(told()).toEqual([]);
  corner.practised('overhand', 'easy');
  await corner.tell();
  expect(told()).toEqual([[{ knot: 'overhand', day: '2026-11-24', felt: 'easy' }]]);
  expect(corner.kept()?.days).toHaveLength(2);
});

it('closes when the card has ended, keeps the days for the next one, and wipes them when asked to', async () => {
  const before = await opened();
  await before.openWith('AC7KGY');
  before.practised('bowline', 'easy');
  ended = true;
  expect(await before.lookAgain()).toBe('ended');
  expect(before.kept()).toBeNull();
  ended = false;
  const corner = await opened();
  await corner.openWith('QU9E9A');
  expect(corner.kept()?.days).toHaveLength(1);
  await corner.wipe();
  expect(corner.kept()).toBeNull();
  expect(Object.keys(localStorage)).toEqual([]);
});

it('is good without a network to its last day, and no longer', async () => {
  const corner = await opened();
  await corner.openWith('AC7KGY');
  network = false;
  vi.setSystemTime(new Date(2026, 11, 22, 23, 0));
  expect(await corner.lookAgain()).toBe('good');
  vi.setSystemTime(new Date(2026, 11, 23, 8, 0));
  expect(await corner.lookAgain()).toBe('ended');
  expect(corner.kept()).toBeNull();
});

it('begins anew where what is kept cannot be read', async () => {
  localStorage.setItem('compadre-practice', '{"code": "AC7');
  const corner = await opened();
  expect(corner.kept()).toBeNull();
  await corner.openWith('AC7KGY');
  expect(corner.kept()?.code).toBe('AC7KGY');
});
