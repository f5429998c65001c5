import { useSyncExternalStore } from 'react';
import { call, type Schemas, signedOutElsewhere } from '../api/client';
import { knotQuery, knotsQuery, queryClient } from '../api/queries';
import type { paths } from '../api/schema';
import { beginGoing } from './going';
import { beginLeaving, clearPage, otherTabs, tellLeft } from './leaving';
import { forgetOutbox, handIn } from '../outbox/sync';
import { forgetPages, GROUP_KEPT, KNOTS_KEPT, layBeside, startKeeping, stopKeeping } from './keeping';
import { keepAtMost, keepNoLonger } from './worker';
import { keptView, VIEWS } from './useShowSettings';

/** How long the knots that are kept count as fresh, in milliseconds. */
const FRESH = 12 * 3600_000;

/** And the group's pages: not gone through anew each time the app is opened in an evening. */
const GROUP_FRESH = 10 * 60_000;

/** What is kept of all knots, a part in one answer. */
type Part = NonNullable<paths['/api/knots-to-keep']['get']['parameters']['query']>['part'];

/** From every side; what they are held against while they are checked; and as ropes in space, to be turned on the field. */
const PARTS: Part[] = [...VIEWS, 'compared', 'space'];

/** The group's pages are kept for two weeks, in milliseconds. */
const LONGEST = 14 * 24 * 3600_000;

/** So many answers are kept of the knots: of packs that are no more, the oldest go. */
const MOST_KEPT = 600;

/** So often a part is asked for again. */
const MOST_TRIES = 60;

/** The parts that this page has taken in. */
const takenIn = new Set<Part>();

/** Asks for a part of all knots at once, and lays it where the worker looks. */
async function takeInKnots(part: Part): Promise<Map<string, object>> {
  const ask = () => call('GET', '/api/knots-to-keep', { params: { query: { part } } });
  let { answers, whole } = await ask();
  // Where they are all drawn for the first time: each answer gets further than the one before.
  for (let tries = 0; !whole && tries < MOST_TRIES; tries++) ({ answers, whole } = await ask());
  if (!whole) throw new Error(`Of all knots, the part ${part} did not come in ${String(MOST_TRIES)} answers.`);
  await layBeside('knots', answers);
  takenIn.add(part);
  return new Map(answers.map(({ address, answer }) => [address, answer]));
}

/** Every knot from every side, so that they are all here when there is no network. */
export async function keepKnots(): Promise<void> {
  const last = Number(localStorage.getItem(KNOTS_KEPT) ?? 0);
  if (!import.meta.env.PROD || !('serviceWorker' in navigator) || Date.now() - last < FRESH) return;
  await navigator.serviceWorker.ready;
  await call('GET', '/api/knots');
  for (const part of PARTS) if (!takenIn.has(part)) await takeInKnots(part);
  await keepAtMost(MOST_KEPT, 'knots');
  localStorage.setItem(KNOTS_KEPT, String(Date.now()));
}

/** Every knot as the room is shown it is held ready, so that it stands there the moment it is picked. */
export async function warmKnots(view = keptView()): Promise<void> {
  const { knots } = await queryClient.query(knotsQuery);
  const cold = knots.filter(({ id }) => queryClient.getQueryData(knotQuery(id, view).queryKey) === undefined);
  if (cold.length === 0) return;
  // Without a network each is asked for by itself: the worker has them.
  const all = await takeInKnots(view).catch(() => new Map<string, object>());
  for (const { id } of cold) {
    const query = knotQuery(id, view);
    const taken = all.get(`/api/knots/${id}?view=${view}`) as Schemas['Knot'] | undefined;
    await queryClient
      .query({ ...query, gcTime: Infinity, ...(taken && { queryFn: () => taken }) })
      .catch(() => undefined);
  }
}

/** The pages a leader needs on a field, looked at once, so that they open there. */
export async function keepGroup({ tonight, ahead }: Pick<Schemas['Me'], 'tonight' | 'ahead'>): Promise<void> {
  if (
    !import.meta.env.PROD ||
    !('serviceWorker' in navigator) ||
    Date.now() - Number(localStorage.getItem(GROUP_KEPT) ?? 0) < GROUP_FRESH
  )
    return;
  await navigator.serviceWorker.ready;
  await startKeeping();
  for (const path of ['/api/house', '/api/me', '/api/crew', '/api/course'] as const) await call('GET', path);
  for (const meeting of ahead)
    await call('GET', '/api/meetings/{meeting}', { params: { path: { meeting: meeting.id } } });
  const { answers } = await call('GET', '/api/crew-to-keep', {
    params: { query: tonight === null ? {} : { meeting: tonight } },
  });
  await layBeside('group', answers);
  await keepNoLonger(LONGEST, 'group');
  localStorage.setItem(GROUP_KEPT, String(Date.now()));
}

/** Waits for a thing to be done, but no longer than so many milliseconds. */
const atMost = (milliseconds: number, work: Promise<unknown>): Promise<unknown> =>
  Promise.race([work, new Promise((done) => setTimeout(done, milliseconds))]);

/** Nothing of the group stays on a device that somebody signs out of. */
export async function forgetAll(): Promise<void> {
  await forgetPages();
  await atMost(10_000, forgetOutbox());
}

/** Signs out: nothing of the group stays here, and where there is no network the server is told as soon as there is one. */
export async function leave(): Promise<void> {
  beginGoing();
  beginLeaving();
  await stopKeeping();
  // A network that does not answer holds nobody up.
  await atMost(3000, tellLeft());
  await forgetAll().finally(() => {
    otherTabs.postMessage('left');
    // Loaded anew, so that nothing of the group stays in this device's memory.
    clearPage();
  });
}

/** Opens another of one's groups: nothing of the one before stays here. */
export async function openGroup(group: string): Promise<void> {
  await call('PUT', '/api/me/group', { body: { group } });
  beginGoing();
  await forgetPages();
  otherTabs.postMessage('left');
  clearPage();
}

/** Another tab has signed out, or a lead has signed this device out, which the worker may hear first: this one leaves too. */
export function startLeaving(): void {
  otherTabs.addEventListener('message', (event) => {
    if (event.data === 'left') clearPage();
    if (event.data === 'signed out') void askWhetherOut();
  });
  signedOutElsewhere.listen(() => void (turnedAway ??= leaveTurnedAway()));
}

/** Each of a page's questions may be answered that it is signed out: it leaves once. */
let turnedAway: Promise<void> | null = null;

async function leaveTurnedAway(): Promise<void> {
  // Whatever becomes of what was waiting, nothing of the group may stay: nor is a store waited for that does not open.
  await atMost(
    30_000,
    handIn().catch(() => undefined),
  );
  await forgetAll().finally(clearPage);
}

let asking = false;

/** The worker may have heard it late, when somebody has signed in again: asked at an address of which it keeps nothing. */
async function askWhetherOut(): Promise<void> {
  if (asking) return;
  asking = true;
  await call('GET', '/api/devices').catch(() => undefined);
  asking = false;
}

function watch(onChange: () => void): () => void {
  window.addEventListener('online', onChange);
  window.addEventListener('offline', onChange);
  return () => {
    window.removeEventListener('online', onChange);
    window.removeEventListener('offline', onChange);
  };
}

export function useOnline(): boolean {
  return useSyncExternalStore(watch, () => navigator.onLine);
}
