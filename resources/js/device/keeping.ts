import type { Schemas } from '../api/client';
import { isLeaving, otherTabs } from './leaving';
import { KEEPING, mayKeep } from './worker';

/** When the knots, and the group's pages, were last gone through. */
export const KNOTS_KEPT = 'compadre-packs-kept';
export const GROUP_KEPT = 'compadre-group-kept';

/** Who was signed in, in which group, when the pages were kept. */
const WHOSE = 'compadre-kept-of';

/** What the worker keeps of the group and of the knots. */
const CACHES = ['group', 'knots', 'bench'];

const forgetCaches = (): Promise<unknown> => Promise.all(CACHES.map((name) => caches.delete(name)));

/** From here on the worker may keep what the server answers; it looks for a cache of this name. */
export async function startKeeping(): Promise<void> {
  if (!('caches' in window) || isLeaving()) return;
  // What came in late for whoever was here before is not theirs who are here now.
  if (!(await mayKeep())) await forgetCaches();
  await caches.open(KEEPING);
}

/** Lays answers where the worker keeps its own, each as it would have been at its own address. */
export async function layBeside(cache: string, answers: { address: string; answer: object }[]): Promise<void> {
  if (!(await mayKeep())) return;
  const kept = await caches.open(cache);
  // By its date the worker knows when it is too old to be shown.
  const headers = { Date: new Date().toUTCString() };
  for (const { address, answer } of answers) await kept.put(address, Response.json(answer, { headers }));
  // Somebody signed out meanwhile: what was opened may have come after what was forgotten.
  if (!(await mayKeep())) await caches.delete(cache);
}

/** Before signing out: what is still on its way here is shown, and not kept. */
export async function stopKeeping(): Promise<void> {
  if ('caches' in window) await caches.delete(KEEPING);
}

/** Pages of another group are not shown to one; what has not reached the server yet waits on. */
export async function forgetPages(): Promise<void> {
  await stopKeeping();
  for (const key of [KNOTS_KEPT, GROUP_KEPT, WHOSE]) localStorage.removeItem(key);
  sessionStorage.clear();
  if ('caches' in window) await forgetCaches();
}

const named = (me: Schemas['Me']): string => `${me.user.id} ${me.group.id}`;

/**
 * Somebody has signed in. Where a session ran out, or was ended while the app was shut, the pages of whoever was here before are still
 * kept: only the same person, in the same group, finds them again. Says whether it is the same.
 */
export async function takeOver(me: Schemas['Me'] | undefined): Promise<boolean> {
  const before = localStorage.getItem(WHOSE);
  const isSame = me !== undefined && before === named(me);
  if (!isSame) await forgetPages();
  if (!isSame && before !== null) otherTabs.postMessage('left');
  if (me) localStorage.setItem(WHOSE, named(me));
  return isSame;
}

/** Whose pages are kept here, for whoever was signed in already. */
export function noteWhose(me: Schemas['Me']): void {
  if (localStorage.getItem(WHOSE) === null) localStorage.setItem(WHOSE, named(me));
}
