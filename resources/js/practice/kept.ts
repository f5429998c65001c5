import { ApiProblem, call, type Schemas } from '../api/client';
import * as limits from '../api/limits';
import { byCode } from '../api/corner';
import { queryClient, readByCode } from '../api/queries';
import { keepAtMost } from '../device/worker';

export type Corner = Schemas['Corner'];
export type Day = Schemas['PractisedDay'];
export type Kit = Schemas['Kit'];
export type Task = Schemas['PracticeTask'];

/** Everything the corner keeps on a device, beside the answers that the worker keeps. */
export type Kept = {
  code: string;
  corner: Corner;
  /** the hand that was chosen here, for all that the card was made for the other */
  view?: Corner['view'] | undefined;
  days: Day[];
  /** how many of the days the leaders know of */
  told: number;
  /** when everything was last looked at, so that it is here without a network; 0 for not yet */
  full: number;
};

/** Today by this device's own clock, as 2026-11-24. */
export const today = (): string => new Date().toLocaleDateString('sv');

const KEY = 'compadre-practice';

/** The worker's answers for the corner; it keeps them while there is a cache of the second name. */
const CACHE = 'corner';
const PRACTISING = 'practising';

/** So many answers are kept; of knots that are no longer learned, the oldest go. */
const MOST_ANSWERS = 300;

/** So many days are told at once. */
const MOST_TOLD = limits.practised.days.most;

/** What is kept counts as fresh for so many milliseconds. */
const FRESH = 12 * 3600_000;

/** Days beyond these are forgotten, the oldest first. */
const MOST_DAYS = 1000;

/** Days from before the last card ended. */
const LEFT = 'compadre-practice-days';

function daysBefore(): Day[] {
  try {
    return JSON.parse(localStorage.getItem(LEFT) ?? '[]') as Day[];
  } catch {
    return [];
  }
}

let now: Kept | null | undefined;
const listeners = new Set<() => void>();

export function kept(): Kept | null {
  if (now === undefined) {
    try {
      now = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Kept | null;
    } catch {
      now = null;
    }
    if (now) readByCode(now.code);
  }
  return now;
}

export function watchKept(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function keep(next: Kept | null): void {
  now = next;
  if (next) localStorage.setItem(KEY, JSON.stringify(next));
  else localStorage.removeItem(KEY);
  for (const listener of listeners) listener();
}

/** Opens the corner with a code. Days that were practised with another card stay. */
export async function openWith(code: string): Promise<void> {
  const corner = await call('POST', '/api/corner', { body: { code } });
  readByCode(code);
  if ('caches' in window) await caches.open(PRACTISING);
  const before = kept();
  const days = before?.days ?? daysBefore();
  const isSame = before?.code === code;
  const view = before?.view;
  const seen = { ...corner, view: view ?? corner.view };
  const isFull = isSame && before.corner.view === seen.view;
  keep({
    code,
    corner: seen,
    view,
    days,
    told: isSame ? before.told : days.length,
    full: isFull ? before.full : 0,
  });
  localStorage.removeItem(LEFT);
  void keepAll(seen);
}

/** Turns everything to the other hand; not where its pictures are neither here nor to be had. */
export async function tieWith(view: Corner['view']): Promise<boolean> {
  const state = kept();
  if (!state || state.corner.view === view) return true;
  const corner = { ...state.corner, view };
  const hasIt = await queryClient.query(picturesQuery(corner)).then(
    () => true,
    () => false,
  );
  if (!hasIt) return false;
  keep({ ...state, corner, view, full: 0 });
  void keepAll(corner);
  return true;
}

/** Asks whether the card is still good; without a network it is, until its last day. */
export async function lookAgain(): Promise<'good' | 'ended'> {
  const state = kept();
  if (!state) return 'ended';
  try {
    await openWith(state.code);
    return 'good';
  } catch (error) {
    const isEnded = error instanceof ApiProblem && error.status === 422 ? true : today() > state.corner.ends_on;
    if (!isEnded) return 'good';
    await forgetCard();
    return 'ended';
  }
}

/** What the card opened is gone from here; the days stay, for the next card. */
async function forgetCard(): Promise<void> {
  const days = kept()?.days ?? [];
  keep(null);
  localStorage.setItem(LEFT, JSON.stringify(days));
  queryClient.clear();
  if (!('caches' in window)) return;
  // First the leave to keep anything: what is still on its way here is not kept.
  await caches.delete(PRACTISING);
  await caches.delete(CACHE);
}

/** Nothing of it stays on this device. */
export async function wipe(): Promise<void> {
  await forgetCard();
  localStorage.removeItem(LEFT);
}

/** Writes down that a knot was tied, and how it went: of one day the last word counts. */
export function practised(knot: string, felt: Day['felt']): void {
  const state = kept();
  if (!state) return;
  const day = today();
  const others = state.days.filter((one) => one.knot !== knot || one.day !== day);
  keep({
    ...state,
    days: [...others, { knot, day, felt }].slice(-MOST_DAYS),
    told: Math.min(state.told, others.length),
  });
  void tell();
}

/** Days are told one after another: the last word on a day comes last. */
let telling: Promise<unknown> = Promise.resolve();

/** Tells the leaders, where the card says so and there is a network; else at the next visit. */
export function tell(): Promise<unknown> {
  telling = telling.then(tellNow).catch(() => undefined);
  return telling;
}

async function tellNow(): Promise<void> {
  const state = kept();
  if (!state?.corner.hints || state.told >= state.days.length) return;
  const told = Math.min(state.days.length, state.told + MOST_TOLD);
  const days = state.days.slice(state.told, told);
  await call('POST', '/api/corner/days', { headers: byCode(state.code), body: { days } });
  const after = kept();
  // What was said anew meanwhile is told anew.
  if (after?.code === state.code && state.days.slice(0, told).every((one, n) => one === after.days[n]))
    keep({ ...after, told: Math.max(after.told, told) });
  if (told < state.days.length) await tellNow();
}

const byCard = () => byCode(kept()?.code ?? '');

/** A knot's kit is asked for as it is learned on this card. */
const asLearned = (corner: Corner, id: string) => {
  const method = corner.knots.find((knot) => knot.id === id)?.method;
  return { path: { knot: id }, query: { view: corner.view, ...(method && { method }) } };
};

const askKit = (corner: Corner, id: string) =>
  call('GET', '/api/corner/knots/{knot}', { params: asLearned(corner, id), headers: byCard() });

const askPictures = (corner: Corner) =>
  call('GET', '/api/corner/pictures', { params: { query: { view: corner.view } }, headers: byCard() });

export const kitQuery = (corner: Corner, id: string) => ({
  queryKey: ['kit', asLearned(corner, id)],
  queryFn: () => askKit(corner, id),
  staleTime: Infinity,
});

export const picturesQuery = (corner: Corner) => ({
  queryKey: ['pictures', corner.view],
  queryFn: async () => (await askPictures(corner)).pictures,
  staleTime: Infinity,
});

/** Asks for everything once, so that the worker has it all at home, where there is no network. */
async function keepAll(corner: Corner): Promise<void> {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD || Date.now() - (kept()?.full ?? 0) < FRESH) return;
  await workerInCharge();
  try {
    // Asked anew even where this page has it: the worker may not have been there yet.
    await askPictures(corner);
    for (const { id } of corner.knots) {
      // Wiped, or ended, meanwhile.
      if (kept() === null) return;
      const { knot } = await askKit(corner, id);
      for (const params of inSpace(knot))
        await call('GET', '/api/corner/knots/{knot}/space', { params, headers: byCard() });
    }
    await keepAtMost(MOST_ANSWERS, CACHE);
    const state = kept();
    if (state) keep({ ...state, full: Date.now() });
  } catch {
    // Without a network in between: at the next visit.
  }
}

/** The ropes in space that a knot's own pages turn, and pull at beside what it becomes when it goes wrong. */
function inSpace(knot: Schemas['Knot']) {
  if (!knot.in_space) return [];
  const at = (id: string, query: { method?: string; pulled?: 'yes' } = {}) => ({ path: { knot: id }, query });
  const pulled = (id: string) => at(id, { pulled: 'yes' });
  const beside = knot.wrong.flatMap((form) =>
    form.in_space === null ? [] : [at(form.in_space), ...(form.pulled ? [pulled(form.in_space), pulled(knot.id)] : [])],
  );
  const all = [at(knot.id, { method: knot.method }), ...beside];
  return new Map(all.map((one) => [JSON.stringify(one), one])).values();
}

/** On a first visit the worker comes after the page: until it answers for the page it keeps nothing. */
async function workerInCharge(): Promise<void> {
  await navigator.serviceWorker.ready;
  if (navigator.serviceWorker.controller) return;
  await new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }));
}
