import { type ApiProblem, call, type Schemas } from '../api/client';
import { courseQuery, meQuery, queryClient, runSheetQuery } from '../api/queries';
import { serverNow } from '../api/time';
import { knownAs, noteKnown, noteTurnedDown } from './evenings';
import { isBarred, isFinal, isOfTheBatch, said } from './faults';
import { type Kept, type NewEvent, type Placing, store } from './store';
import { isOfHere, isOthers, type Noted, type OfGroup, signedIn } from './who';

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

/** How long ago it was, in seconds. */
const ago = (at: number): number => Math.max(0, Math.round((serverNow() - at) / 1000));

/** Checks that wait, of the group that is open here: whoever made them. */
export const waitingChecks = async (): Promise<Kept[]> => waitingOf(await store.events.orderBy('seq').toArray());

/** Whether whoever is signed in tapped it; what an app of before kept says nothing of that. */
export function isMine(one: Kept): boolean {
  const me = signedIn();
  return one.event.by === undefined || me === null || one.event.by === me.user.id;
}

/** As the server may take it: of the meeting it knows, or of none. */
export function asSent({ meeting, ...event }: NewEvent, known: Awaited<ReturnType<typeof knownAs>>): NewEvent {
  return meeting === undefined ? event : { ...event, meeting: known(meeting) ?? null };
}

/** Those of meetings the server knows: the others wait for theirs. */
export async function ofKnownMeetings(events: Kept[]): Promise<Kept[]> {
  const known = await knownAs();
  return events.filter((one) => known(one.event.meeting ?? null) !== undefined);
}

async function post(events: Kept[]): Promise<void> {
  const known = await knownAs();
  const { results } = await call('POST', '/api/check-events', {
    body: {
      sent_at: new Date().toISOString(),
      events: events.map((one) => asSent(one.event, known)),
    },
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

/** What waits of the group that is open here. */
const waitingOf = <T extends OfGroup & { state: string }>(all: T[]): T[] =>
  all.filter((one) => one.state === 'waiting' && isOfHere(one));

/** Whether the server will never take it. What whoever is signed in may not do waits for the one who noted it. */
const isSettled = (one: Noted, fault: unknown): fault is ApiProblem =>
  isFinal(fault) && !(isBarred(fault) && isOthers(one));

/** Evenings begun here: the server has to know them before it takes what belongs to them. */
const evenings: Note = {
  count: async () => waitingOf(await store.evenings.toArray()).length,
  async send() {
    const waiting = waitingOf(await store.evenings.toArray());
    for (const one of waiting) {
      const { id, at } = one;
      try {
        const { meeting } = await call('POST', '/api/tonight', { body: { id, ago_s: ago(at) } });
        await noteKnown(id, meeting.id);
        for (const { queryKey } of [meQuery, courseQuery]) void queryClient.invalidateQueries({ queryKey });
      } catch (fault) {
        if (!isSettled(one, fault)) throw fault;
        await noteTurnedDown(id, said(fault));
      }
    }
    return waiting.length > 0;
  },
};

/** Learners who came along: the server has to know them before it takes their checks. */
const walkIns: Note = {
  count: async () => waitingOf(await store.walkIns.toArray()).length,
  async send() {
    const known = await knownAs();
    const waiting = waitingOf(await store.walkIns.toArray())
      .map((one) => ({ ...one, meeting: known(one.meeting) }))
      .filter((one) => one.meeting !== undefined);
    if (waiting.length === 0) return false;
    await call('POST', '/api/walk-ins', {
      body: {
        learners: waiting.map(({ id, name, meeting }) => ({ id, name, meeting: meeting ?? null })),
      },
    });
    await store.walkIns.bulkUpdate(waiting.map((one) => ({ key: one.id, changes: { state: 'sent' as const } })));
    return true;
  },
};

/** Checks, but for those of learners, or of evenings, the server does not know yet. */
export const checks: Line = {
  async send() {
    let went = false;
    for (;;) {
      const unknown = new Set((await store.walkIns.where('state').equals('waiting').toArray()).map((one) => one.id));
      const waiting = await ofKnownMeetings(await waitingChecks());
      const events = waiting.filter((one) => isMine(one) && !unknown.has(one.event.learner));
      if (events.length === 0) return went;
      await sendBatch(events.slice(0, BATCH));
      went = true;
    }
  },
};

/** Who is here, learner by learner; what the server will never take is let go, for the roll shows what it has. */
const roll: Note = {
  count: async () => (await store.roll.toArray()).filter(isOfHere).length,
  async send() {
    const known = await knownAs();
    const waiting = (await store.roll.toArray()).filter((one) => isOfHere(one) && known(one.meeting) !== undefined);
    for (const one of waiting) {
      const meeting = known(one.meeting);
      try {
        if (meeting)
          await call('PUT', '/api/meetings/{meeting}/attendance/{learner}', {
            params: { path: { meeting, learner: one.learner } },
            body: { present: one.present },
          });
      } catch (fault) {
        if (!isSettled(one, fault)) throw fault;
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
  count: async () => waitingOf(await store.steps.toArray()).length,
  async send() {
    const known = await knownAs();
    // Of an evening begun here the server knows no other than its own: where it became another, its steps were let go.
    const waiting = waitingOf(await store.steps.orderBy('n').toArray()).filter((one) => known(one.meeting));
    for (const one of waiting) {
      const { meeting, step, place, shown, at } = one;
      try {
        const now = await call('POST', '/api/meetings/{meeting}/run', {
          params: { path: { meeting } },
          body: {
            step,
            ...(place === undefined ? {} : { place }),
            ...(shown ? { shown } : {}),
            ago_s: ago(at),
          },
        });
        // An answer that was asked for before this step does not come after it.
        await queryClient.cancelQueries({ queryKey: runSheetQuery(meeting).queryKey });
        queryClient.setQueryData(runSheetQuery(meeting).queryKey, now);
        await store.steps.delete(one.n ?? 0);
        void queryClient.invalidateQueries({ queryKey: ['course'] });
      } catch (fault) {
        if (!isSettled(one, fault)) throw fault;
        await store.steps.put({ ...one, state: 'refused', fault: said(fault) });
      }
    }
    return waiting.length > 0;
  },
};

/** Who is where: a learner's block has to be there before somebody is moved in it. What the server will not take is said in its words. */
const places: Note = {
  count: async () => (await waitingPlaces()).length,
  async send() {
    const known = await knownAs();
    const stopped = new Set((await store.steps.where('state').equals('waiting').toArray()).map((one) => one.meeting));
    const waiting = (await waitingPlaces()).filter((one) => known(one.meeting) && !stopped.has(one.meeting));
    for (const one of waiting) {
      const meeting = known(one.meeting) ?? '';
      try {
        if (one.is === 'leads')
          await call('PUT', '/api/meetings/{meeting}/leads/{knot}', {
            params: { path: { meeting, knot: one.knot } },
            body: { leads: one.leads },
          });
        else
          await call('PUT', '/api/meetings/{meeting}/stations/{learner}', {
            params: { path: { meeting, learner: one.learner } },
            body: { place: one.place, to: one.to },
          });
        await letGo(one);
      } catch (fault) {
        if (!isSettled(one, fault)) throw fault;
        await letGo(one, { ...one, state: 'refused', fault: said(fault) });
      }
      void queryClient.invalidateQueries({ queryKey: runSheetQuery(meeting).queryKey });
    }
    return waiting.length > 0;
  },
};

/** Whoever leads a station says so for themselves. */
async function waitingPlaces(): Promise<Placing[]> {
  const me = signedIn();
  const waiting = waitingOf(await store.places.toArray());
  return waiting.filter((one) => one.is === 'moved' || one.by === me?.user.id);
}

/** A later word that came while this one was on its way stays. */
const letGo = (sent: Placing, instead?: Placing): Promise<void> =>
  store.transaction('rw', store.places, async () => {
    const now = await store.places.get(sent.key);
    if (now === undefined || !isSame(now, sent)) return;
    if (instead) await store.places.put(instead);
    else await store.places.delete(sent.key);
  });

const isSame = (one: Placing, other: Placing): boolean =>
  one.is === 'moved' ? other.is === 'moved' && one.to === other.to : other.is === 'leads' && one.leads === other.leads;

export const notes: readonly Note[] = [evenings, walkIns, roll, steps, places];

/** In the order they are sent. A check waits for its learner and its evening, and for nothing else. */
export const lines: readonly Line[] = [evenings, walkIns, checks, roll, steps, places];
