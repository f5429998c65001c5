import { ApiProblem, call, type Schemas } from '../api/client';
import { knotInSpaceQuery, queryClient, readByCode } from '../api/queries';

export type Corner = Schemas['Corner'];
export type Day = Schemas['PractisedDay'];
export type Kit = Schemas['Kit'];
export type Task = Schemas['PracticeTask'];

/** Everything the corner keeps on a device, beside the answers that the worker keeps. */
export type Kept = {
  code: string;
  corner: Corner;
  days: Day[];
  /** how many of the days the leaders know of */
  told: number;
};

const KEY = 'compadre-practice';

/** The worker's answers for the corner. */
const CACHE = 'corner';

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
  const corner = await call<Corner>('POST', '/api/corner', { code });
  readByCode(code);
  const before = kept();
  const days = before?.days ?? daysBefore();
  keep({ code, corner, days, told: before?.code === code ? before.told : days.length });
  localStorage.removeItem(LEFT);
  void keepAll(corner);
}

/** Asks whether the card is still good; without a network it is, until its last day. */
export async function lookAgain(): Promise<'good' | 'ended'> {
  const state = kept();
  if (!state) return 'ended';
  try {
    await openWith(state.code);
    return 'good';
  } catch (error) {
    const isEnded =
      error instanceof ApiProblem && error.status === 422
        ? true
        : new Date().toLocaleDateString('sv') > state.corner.ends_on;
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
  if ('caches' in window) await caches.delete(CACHE);
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
  const day = new Date().toLocaleDateString('sv');
  const others = state.days.filter((one) => one.knot !== knot || one.day !== day);
  keep({
    ...state,
    days: [...others, { knot, day, felt }].slice(-MOST_DAYS),
    told: Math.min(state.told, others.length),
  });
  void tell();
}

/** Tells the leaders, where the card says so and there is a network; else at the next visit. */
export async function tell(): Promise<void> {
  const state = kept();
  if (!state?.corner.hints || state.told >= state.days.length) return;
  const days = state.days.slice(state.told).slice(-200);
  await call('POST', '/api/corner/days', { days }, { 'X-Practice': state.code })
    .then(() => {
      const after = kept();
      if (after) keep({ ...after, told: Math.max(after.told, Math.min(after.days.length, state.days.length)) });
    })
    .catch(() => undefined);
}

export const kitQuery = (corner: Corner, id: string) => {
  const method = corner.knots.find((knot) => knot.id === id)?.method ?? '';
  const asked = new URLSearchParams({ view: corner.view, ...(method && { method }) });
  return {
    queryKey: ['kit', id, method, corner.view],
    queryFn: () =>
      call<Kit>('GET', `/api/corner/knots/${encodeURIComponent(id)}?${asked}`, undefined, {
        'X-Practice': kept()?.code ?? '',
      }),
    staleTime: Infinity,
  };
};

export const picturesQuery = (corner: Corner) => ({
  queryKey: ['pictures', corner.view],
  queryFn: async () =>
    (
      await call<{ pictures: Record<string, Schemas['CornerPicture']> }>(
        'GET',
        `/api/corner/pictures?view=${corner.view}`,
        undefined,
        { 'X-Practice': kept()?.code ?? '' },
      )
    ).pictures,
  staleTime: Infinity,
});

/** Looks at everything once, so that the worker has it all at home, where there is no network. */
async function keepAll(corner: Corner): Promise<void> {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  await navigator.serviceWorker.ready;
  await queryClient.query(picturesQuery(corner)).catch(() => undefined);
  for (const knot of corner.knots) {
    const kit = await queryClient.query(kitQuery(corner, knot.id)).catch(() => undefined);
    if (kit?.knot.in_space) await queryClient.query(knotInSpaceQuery(knot.id, knot.method)).catch(() => undefined);
  }
  document.documentElement.dataset.corner = 'kept';
}
