import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { layBeside, startKeeping, stopKeeping } from '../../resources/js/device/keeping';
import { keepAtMost, keepNoLonger } from '../../resources/js/device/worker';

/** The caches of a browser, each a map in the order in which things came; what was deleted while it was open is written to nobody. */
let names: Map<string, Map<string, Response>>;
let whilePut: (address: string) => void;

const cacheOf = (held: Map<string, Response>) => ({
  put: async (address: string, response: Response) => {
    held.delete(address);
    held.set(address, response);
    whilePut(address);
  },
  keys: async () => [...held.keys()],
  match: async (address: string) => held.get(address),
  delete: async (address: string) => held.delete(address),
});

beforeEach(() => {
  names = new Map();
  whilePut = () => undefined;
  vi.stubGlobal('caches', {
    has: async (name: string) => names.has(name),
    delete: async (name: string) => names.delete(name),
    open: async (name: string) => {
      const held = names.get(name) ?? new Map<string, Response>();
      names.set(name, held);
      return cacheOf(held);
    },
  });
});
afterEach(() => vi.unstubAllGlobals());

const ANSWERS = ['bowline', 'sheet-bend', 'overhand'].map((id) => ({
  address: `/api/knots/${id}?view=left`,
  answer: { id, view: 'left' },
}));

it('lays each answer at its own address, as the worker would have kept it', async () => {
  await startKeeping();
  await layBeside('knots', ANSWERS);
  const held = names.get('knots');
  expect([...(held?.keys() ?? [])]).toEqual(ANSWERS.map((one) => one.address));
  const kept = held?.get('/api/knots/sheet-bend?view=left');
  expect(kept?.headers.get('Content-Type')).toBe('application/json');
  expect(await kept?.json()).toEqual({ id: 'sheet-bend', view: 'left' });
});

it('lays nothing where nobody is signed in, and takes it away where somebody signs out meanwhile', async () => {
  await layBeside('knots', ANSWERS);
  expect(names.size).toBe(0);
  await startKeeping();
  whilePut = (address) => void (address.includes('sheet-bend') && stopKeeping());
  await layBeside('knots', ANSWERS);
  expect([...names.keys()]).toEqual([]);
});

it.each([
  [2, ['c', 'a']],
  [3, ['b', 'c', 'a']],
  [9, ['b', 'c', 'a']],
])('keeps the newest %i', async (entries, left) => {
  const knots = cacheOf(names.set('knots', new Map()).get('knots') ?? new Map());
  for (const address of ['a', 'b', 'c', 'a']) await knots.put(address, new Response(address));
  await keepAtMost(entries, 'knots');
  expect(await knots.keys()).toEqual(left);
});

it('lets go what was kept longer ago, and what says no time stays', async () => {
  await startKeeping();
  const day = 24 * 3600_000;
  const dated = (days: number) =>
    new Response('{}', { headers: { Date: new Date(Date.now() - days * day).toUTCString() } });
  const group = cacheOf(names.set('group', new Map()).get('group') ?? new Map());
  await group.put('/api/crew', dated(13));
  await group.put('/api/learners/gone', dated(15));
  await group.put('/api/house', new Response('{}'));
  await keepNoLonger(14 * day, 'group');
  expect(await group.keys()).toEqual(['/api/crew', '/api/house']);
  await layBeside('group', ANSWERS);
  await keepNoLonger(day, 'group');
  expect(await group.keys()).toEqual(['/api/house', ...ANSWERS.map((one) => one.address)]);
});

it('makes no cache to look through', async () => {
  await keepAtMost(3, 'corner');
  await keepNoLonger(0, 'corner');
  expect(names.size).toBe(0);
});
