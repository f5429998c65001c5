import { useSyncExternalStore } from 'react';
import { call, type Schemas, signedOutElsewhere } from '../api/client';
import { knotInSpaceQuery, knotQuery, knotsQuery, queryClient } from '../api/queries';
import { beginGoing } from './going';
import { beginLeaving, clearPage, otherTabs, tellLeft } from './leaving';
import { forgetOutbox, handIn } from '../outbox/sync';
import { forgetPages, GROUP_KEPT, KNOTS_KEPT, startKeeping, stopKeeping } from './keeping';
import { keptView, VIEWS } from './useShowSettings';

/** How long the knots that are kept count as fresh, in milliseconds. */
const FRESH = 12 * 3600_000;

/** And the group's pages: not gone through anew each time the app is opened in an evening. */
const GROUP_FRESH = 10 * 60_000;

/** Looks at every knot once, from every side, so that the worker has them all when there is no network. */
export async function keepKnots(): Promise<void> {
  const last = Number(localStorage.getItem(KNOTS_KEPT) ?? 0);
  if (!import.meta.env.PROD || !('serviceWorker' in navigator) || Date.now() - last < FRESH) return;
  await navigator.serviceWorker.ready;
  const { knots } = await call('GET', '/api/knots');
  for (const view of VIEWS) {
    for (const knot of knots) {
      for (const method of [undefined, ...knot.methods.slice(1)]) {
        const query = { view, ...(method !== undefined && { method }) };
        await call('GET', '/api/knots/{knot}', { params: { path: { knot: knot.id }, query } });
      }
    }
  }
  // What knots are held against while they are checked, from the two sides that learners tie them.
  for (const knot of knots) {
    for (const view of ['learner', 'left'] as const)
      await call('GET', '/api/knots/{knot}/compared', { params: { path: { knot: knot.id }, query: { view } } });
  }
  // And as ropes in space, to be turned on the field.
  for (const knot of knots) {
    for (const method of knot.in_space)
      await queryClient.query(knotInSpaceQuery(knot.id, method)).catch(() => undefined);
  }
  localStorage.setItem(KNOTS_KEPT, String(Date.now()));
}

/** Every knot as the room is shown it is held ready, so that it stands there the moment it is picked. */
export async function warmKnots(view = keptView()): Promise<void> {
  const { knots } = await queryClient.query(knotsQuery);
  for (const knot of knots)
    await queryClient.query({ ...knotQuery(knot.id, view), gcTime: Infinity }).catch(() => undefined);
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
  for (const path of ['/api/house', '/api/me'] as const) await call('GET', path);
  const crew = await call('GET', '/api/crew');
  await call('GET', '/api/course');
  for (const meeting of ahead)
    await call('GET', '/api/meetings/{meeting}', { params: { path: { meeting: meeting.id } } });
  for (const knot of crew.knots)
    await call('GET', '/api/check/{knot}', {
      params: { path: { knot: knot.id }, query: tonight ? { meeting: tonight } : {} },
    });
  for (const learner of crew.learners) {
    await call('GET', '/api/learners/{learner}/check', { params: { path: { learner: learner.id } } });
    await call('GET', '/api/learners/{learner}', { params: { path: { learner: learner.id } } });
  }
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
