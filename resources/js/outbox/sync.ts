import { ApiProblem, call, type Schemas, SIGNED_OUT_ELSEWHERE } from '../api/client';
import { meQuery, queryClient, runSheetQuery } from '../api/queries';
import { serverNow } from '../api/time';
import { type Kept, type KeptStep, store } from './store';

export type Answer = Schemas['CheckAnswer'];

/**
 * What the device says about what is not on the server yet: checks, what else was noted of the evening, and checks that somebody
 * else tapped here, which wait for them.
 */
export type SyncState = {
  waiting: number;
  notes: number;
  refused: number;
  others: Others;
  trouble: 'none' | 'network' | 'sign-in';
};
export type Others = { count: number; names: string[] };

const BATCH = 100;
const HAND_IN = 'hand-in';

let state: SyncState = { waiting: 0, notes: 0, refused: 0, others: { count: 0, names: [] }, trouble: 'none' };
const listeners = new Set<() => void>();
/** Who waits for the server's answer to an event, by its id. */
const asked = new Map<string, (answer: Answer) => void>();

export const syncState = (): SyncState => state;

export function onSync(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const waitingHere = (): Promise<Kept[]> => store.events.where('state').equals('waiting').sortBy('seq');

/** Who is signed in here, as far as this device knows. */
export const signedIn = (): Schemas['Me'] | null =>
  queryClient.getQueryData<Schemas['Me'] | null>(meQuery.queryKey) ?? null;

/** Whether whoever is signed in tapped it; what an app of before kept says nothing of that. */
function isMine(one: Kept): boolean {
  const me = signedIn();
  return one.event.by === undefined || me === null || one.event.by === me.user.id;
}

async function tell(trouble: SyncState['trouble']): Promise<void> {
  const counted = (table: 'events' | 'walkIns' | 'steps', what: string): Promise<number> =>
    store.table(table).where('state').equals(what).count();
  const [kept, refused, ...notes] = await Promise.all([
    waitingHere(),
    counted('events', 'refused'),
    counted('walkIns', 'waiting'),
    store.roll.count(),
    counted('steps', 'waiting'),
  ]);
  const others = kept.filter((one) => !isMine(one));
  state = {
    waiting: kept.length - others.length,
    notes: notes.reduce((sum, n) => sum + n, 0),
    refused,
    others: { count: others.length, names: [...new Set(others.map((one) => one.of ?? ''))] },
    trouble,
  };
  for (const listener of listeners) listener();
}

/** Counts anew what waits here: said at once when a check is kept, before it is on its way. */
export const noteKept = (): Promise<void> => tell(state.trouble);

async function send(events: Kept[]): Promise<void> {
  const { results } = await call<{ results: Answer[] }>('POST', '/api/check-events', {
    sent_at: new Date().toISOString(),
    events: events.map((one) => one.event),
  });
  for (const answer of results) asked.get(answer.id)?.(answer);
  // Only what the server has acknowledged leaves the device.
  await store.events.bulkDelete(results.map((one) => one.id));
}

/** Learners who came along go first: the server has to know them before it takes their checks. */
async function sendWalkIns(): Promise<void> {
  const waiting = await store.walkIns.where('state').equals('waiting').toArray();
  if (waiting.length === 0) return;
  await call('POST', '/api/walk-ins', { learners: waiting.map(({ id, name, meeting }) => ({ id, name, meeting })) });
  await store.walkIns.bulkUpdate(waiting.map((one) => ({ key: one.id, changes: { state: 'sent' as const } })));
}

/** Whether the server will never take this, however often it is sent. */
const isFinal = (fault: unknown): fault is ApiProblem =>
  fault instanceof ApiProblem && [403, 404, 422].includes(fault.status);

/** Who is here, learner by learner; what the server will never take is let go, for the roll shows what it has. */
async function sendRoll(): Promise<void> {
  for (const one of await store.roll.toArray()) {
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
}

/** Marks who is here: on this device at once, and on the server as soon as there is a network. */
export async function markHere(meeting: string, learner: string, present: boolean): Promise<void> {
  await store.roll.put({ key: `${meeting} ${learner}`, meeting, learner, present });
  await noteKept();
  await sync();
}

/** The steps of the clock, one after the other, each with how long ago it was taken. */
async function sendSteps(): Promise<void> {
  for (const one of await store.steps.where('state').equals('waiting').sortBy('n')) {
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
      await store.steps.put({ ...one, state: 'refused', fault: fault.faults[0]?.message ?? fault.message });
    }
  }
}

/** Takes a step of a meeting's clock: on this device at once, and on the server as soon as there is a network. */
export async function takeStep(step: Omit<KeptStep, 'n' | 'at' | 'state'>): Promise<void> {
  await store.steps.add({ ...step, at: serverNow(), state: 'waiting' });
  await noteKept();
  void sync();
}

/** Whether the server says that somebody else made the check. */
const isAnothers = (fault: unknown): boolean =>
  fault instanceof ApiProblem && fault.status === 422 && fault.faults.some((one) => one.field.endsWith('/by'));

/** A lead sends on what others tapped on this device, under both names. */
export async function sendOn(): Promise<void> {
  const others = (await waitingHere()).filter((one) => !isMine(one));
  for (let at = 0; at < others.length; at += BATCH) await sendOrSplit(others.slice(at, at + BATCH));
  await tell('none');
  await queryClient.invalidateQueries();
}

/** What a device proves by that it was signed in here once its access has ended. */
export const keepKey = (me: Schemas['Me']): Promise<unknown> =>
  store.about.put({ name: HAND_IN, value: `${me.user.id} ${me.hand_in}` });

/**
 * Where access from this device has ended, hands in what the one it belonged to still had waiting; a lead takes it in.
 *
 * @returns whether access has ended: then nothing of the group may stay here
 */
export async function handIn(): Promise<boolean> {
  const [person, key] = String((await store.about.get(HAND_IN))?.value ?? '').split(' ');
  if (!person || !key) return false;
  for (;;) {
    const events = (await waitingHere())
      .filter((one) => one.event.by === undefined || one.event.by === person)
      .slice(0, BATCH);
    const answer = await call<{ ended: boolean }>('POST', '/api/left-checks', {
      key,
      sent_at: new Date().toISOString(),
      events: events.map((one) => one.event),
    }).catch(() => null);
    if (!answer?.ended) return false;
    await store.events.bulkDelete(events.map((one) => one.id));
    if (events.length < BATCH) return true;
  }
}

/** A batch the server refuses is sent one by one, so that a single bad event holds up no other. */
async function sendOrSplit(events: Kept[]): Promise<void> {
  try {
    await send(events);
  } catch (fault) {
    if (
      isAnothers(fault) ||
      !(fault instanceof ApiProblem) ||
      fault.status < 400 ||
      fault.status >= 500 ||
      [401, 403, 408, 419, 429].includes(fault.status)
    )
      throw fault;
    if (events.length > 1) {
      for (const one of events) await sendOrSplit([one]);
      return;
    }
    const only = events[0];
    if (only)
      await store.events.update(only.id, { state: 'refused', fault: fault.faults[0]?.message ?? fault.message });
  }
}

async function flush(): Promise<void> {
  let sent = false;
  // What was wrong the last time may be right by now.
  state = { ...state, trouble: 'none' };
  try {
    await sendWalkIns();
    await sendRoll();
    await sendSteps();
    for (;;) {
      const events = (await waitingHere()).filter(isMine);
      if (events.length === 0) break;
      await sendOrSplit(events.slice(0, BATCH));
      sent = true;
      await tell('none');
    }
    await tell('none');
  } catch (fault) {
    const shut = fault instanceof ApiProblem && (fault.status === 401 || fault.status === 403);
    // Somebody else is signed in by now: asked for anew, and what the last one tapped waits for them.
    if (isAnothers(fault)) await queryClient.refetchQueries({ queryKey: meQuery.queryKey });
    if (shut && fault.status === 401 && (await handIn())) window.dispatchEvent(new Event(SIGNED_OUT_ELSEWHERE));
    await tell(shut ? 'sign-in' : isAnothers(fault) ? 'none' : 'network');
  }
  if (sent)
    await Promise.all(
      ['check', 'crew', 'course', 'learner', 'meeting'].map((key) =>
        queryClient.invalidateQueries({ queryKey: [key] }),
      ),
    );
}

/** Sends what waits, in order; one tab at a time. */
export async function sync(): Promise<void> {
  if ('locks' in navigator) await navigator.locks.request('compadre-outbox', flush);
  else await flush();
}

/** The server's answer to an event, if it came in time. */
export async function answerTo(id: string, milliseconds: number): Promise<Answer | null> {
  const answered = new Promise<Answer>((done) => asked.set(id, done));
  const patience = new Promise<null>((done) => setTimeout(done, milliseconds, null));
  // Where sending ends without an answer, there is no network, or nobody is signed in.
  const answer = await Promise.race([answered, sync().then(() => null), patience]);
  asked.delete(id);
  return answer;
}

/** Tries again when there is a network, when the page is looked at, and every half minute while something waits. */
export function startSync(): void {
  void tell('none').then(sync);
  window.addEventListener('online', () => void sync());
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') void sync();
  });
  window.setInterval(
    () =>
      void noteKept().then(() => {
        if (state.waiting + state.notes > 0) void sync();
      }),
    30_000,
  );
}

/** What never reached the server, as a file to keep. */
export async function unsentFile(): Promise<Blob> {
  const [events, walkIns, roll, steps] = await Promise.all([
    store.events.orderBy('seq').toArray(),
    store.walkIns.where('state').equals('waiting').toArray(),
    store.roll.toArray(),
    store.steps.orderBy('n').toArray(),
  ]);
  const kept = {
    kept_at: new Date().toISOString(),
    events: events.map((one) => ({ ...one.event, who: one.who, fault: one.fault })),
    walk_ins: walkIns.map(({ id, name, meeting }) => ({ id, name, meeting })),
    roll: roll.map(({ meeting, learner, present }) => ({ meeting, learner, present })),
    clock: steps.map(({ meeting, step, place, at }) => ({ meeting, step, place, at: new Date(at).toISOString() })),
  };
  return new Blob([JSON.stringify(kept, null, 2)], { type: 'application/json' });
}

export async function forgetOutbox(): Promise<void> {
  await Promise.all([
    store.events.clear(),
    store.walkIns.clear(),
    store.roll.clear(),
    store.steps.clear(),
    store.about.delete(HAND_IN),
  ]);
  await tell('none');
}
