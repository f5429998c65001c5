import { call, type Schemas } from '../api/client';
import { meQuery, queryClient, runSheetQuery } from '../api/queries';
import { serverNow } from '../api/time';
import { isFinal, isOfTheBatch, said } from './faults';
import { type Kept, store } from './store';

/** Something that waits on this device for the server. */
export interface Line {
  /** Sends what waits, in its order; throws what keeps it here. @returns whether anything went */
  send(): Promise<boolean>;
}

/** What was noted of an evening, besides checks. */
interface Note extends Line {
  /** How much of it waits. */
  count(): Promise<number>;
}

export type Answer = Schemas['CheckAnswer'];

/** So many checks go in one request. */
export const BATCH = 100;

/** Who waits for the server's answer to a check, by its id. */
export const asked = new Map<string, (answer: Answer) => void>();

/** Who is signed in here, as far as this device knows. */
export const signedIn = (): Schemas['Me'] | null =>
  queryClient.getQueryData<Schemas['Me'] | null>(meQuery.queryKey) ?? null;

export const waitingChecks = (): Promise<Kept[]> => store.events.where('state').equals('waiting').sortBy('seq');

/** Whether whoever is signed in tapped it; what an app of before kept says nothing of that. */
export function isMine(one: Kept): boolean {
  const me = signedIn();
  return one.event.by === undefined || me === null || one.event.by === me.user.id;
}

async function post(events: Kept[]): Promise<void> {
  const { results } = await call<{ results: Answer[] }>('POST', '/api/check-events', {
    sent_at: new Date().toISOString(),
    events: events.map((one) => one.event),
  });
  for (const answer of results) asked.get(answer.id)?.(answer);
  // Only what the server has acknowledged leaves the device.
  await store.events.bulkDelete(results.map((one) => one.id));
}

/** A batch the server refuses is sent one by one, so that a single bad check holds up no other. */
export async function sendBatch(events: Kept[]): Promise<void> {
  try {
    await post(events);
  } catch (fault) {
    if (!isOfTheBatch(fault)) throw fault;
    const [only, ...more] = events;
    if (only && more.length === 0) await store.events.update(only.id, { state: 'refused', fault: said(fault) });
    else for (const one of events) await sendBatch([one]);
  }
}

/** Learners who came along: the server has to know them before it takes their checks. */
const walkIns: Note = {
  count: () => store.walkIns.where('state').equals('waiting').count(),
  async send() {
    const waiting = await store.walkIns.where('state').equals('waiting').toArray();
    if (waiting.length === 0) return false;
    await call('POST', '/api/walk-ins', {
      learners: waiting.map(({ id, name, meeting }) => ({ id, name, meeting })),
    });
    await store.walkIns.bulkUpdate(waiting.map((one) => ({ key: one.id, changes: { state: 'sent' as const } })));
    return true;
  },
};

/** Checks, but for those of learners the server does not know yet. */
export const checks: Line = {
  async send() {
    let went = false;
    for (;;) {
      const unknown = new Set((await store.walkIns.where('state').equals('waiting').toArray()).map((one) => one.id));
      const events = (await waitingChecks()).filter((one) => isMine(one) && !unknown.has(one.event.learner));
      if (events.length === 0) return went;
      await sendBatch(events.slice(0, BATCH));
      went = true;
    }
  },
};

/** Who is here, learner by learner; what the server will never take is let go, for the roll shows what it has. */
const roll: Note = {
  count: () => store.roll.count(),
  async send() {
    const waiting = await store.roll.toArray();
    for (const one of waiting) {
      try {
        await call('PUT', `/api/meetings/${one.meeting}/attendance/${one.learner}`, { present: one.present });
      } catch (fault) {
        if (!isFinal(fault)) throw fault;
      }
      // A later word that came while this one was on its way stays.
      await store.transaction('rw', store.roll, async () => {
        if ((await store.roll.get(one.key))?.present === one.present) await store.roll.delete(one.key);
      });
    }
    return waiting.length > 0;
  },
};

/** The steps of a meeting's clock, one after the other, each with how long ago it was taken. */
const steps: Note = {
  count: () => store.steps.where('state').equals('waiting').count(),
  async send() {
    const waiting = await store.steps.where('state').equals('waiting').sortBy('n');
    for (const one of waiting) {
      const { meeting, step, place, shown, at } = one;
      try {
        const now = await call<Schemas['RunSheet']>('POST', `/api/meetings/${meeting}/run`, {
          step,
          ...(place === undefined ? {} : { place }),
          ...(shown ? { shown } : {}),
          ago_s: Math.max(0, Math.round((serverNow() - at) / 1000)),
        });
        // An answer that was asked for before this step does not come after it.
        await queryClient.cancelQueries({ queryKey: runSheetQuery(meeting).queryKey });
        queryClient.setQueryData(runSheetQuery(meeting).queryKey, now);
        await store.steps.delete(one.n ?? 0);
        void queryClient.invalidateQueries({ queryKey: ['course'] });
      } catch (fault) {
        if (!isFinal(fault)) throw fault;
        await store.steps.put({ ...one, state: 'refused', fault: said(fault) });
      }
    }
    return waiting.length > 0;
  },
};

export const notes: readonly Note[] = [walkIns, roll, steps];

/** In the order they are sent. A check waits for its learner, and for nothing else. */
export const lines: readonly Line[] = [walkIns, checks, roll, steps];
