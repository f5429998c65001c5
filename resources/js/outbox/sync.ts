import { call, type Schemas, signedOutElsewhere } from '../api/client';
import { meQuery, queryClient } from '../api/queries';
import { serverNow } from '../api/time';
import { keepEvening, knownAs } from './evenings';
import { hasMoved, isAnothers, isForAll, isLost, isShut } from './faults';
import {
  type Answer,
  asked,
  asSent,
  BATCH,
  checks,
  isMine,
  lines,
  notes,
  ofKnownMeetings,
  sendBatch,
  waitingChecks,
} from './lines';
import { after, atRest, type SyncEvent, type SyncState } from './state';
import { type Kept, type KeptStep, type Placing, store } from './store';
import { uuid7 } from './uuid7';
import { isOfHere, noted, signedIn } from './who';

const HAND_IN = 'hand-in';

let state = atRest;
const listeners = new Set<() => void>();

export const syncState = (): SyncState => state;

export function onSync(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function happened(...events: SyncEvent[]): void {
  state = events.reduce(after, state);
  for (const listener of listeners) listener();
}

async function counted(): Promise<SyncEvent> {
  const [kept, refused, ...noted] = await Promise.all([
    waitingChecks(),
    store.events.filter((one) => one.state === 'refused' && isOfHere(one)).count(),
    ...notes.map((line) => line.count()),
  ]);
  const others = kept.filter((one) => !isMine(one));
  return {
    is: 'counted',
    counts: {
      waiting: kept.length - others.length,
      notes: noted.reduce((sum, n) => sum + n, 0),
      refused,
      others: { count: others.length, names: [...new Set(others.map((one) => one.of ?? ''))] },
    },
  };
}

/** Counts anew what waits here: said at once when a check is kept, before it is on its way. */
export const noteKept = async (): Promise<void> => happened(await counted());

/** Marks who is here: on this device at once, and on the server as soon as there is a network. */
export async function markHere(meeting: string, learner: string, present: boolean): Promise<void> {
  await store.roll.put({ key: `${meeting} ${learner}`, meeting, learner, present, ...noted() });
  await noteKept();
  await sync();
}

/** Takes a step of a meeting's clock: on this device at once, and on the server as soon as there is a network. */
export async function takeStep(step: Omit<KeptStep, 'n' | 'at' | 'state'>): Promise<void> {
  await store.steps.add({ ...step, at: serverNow(), state: 'waiting', ...noted() });
  await noteKept();
  void sync();
}

/** How long the server is waited for before an evening begins on the device, in milliseconds. */
const PATIENCE = 5_000;

/**
 * Begins an evening nobody planned: on the server, or where it does not answer on this device under the same id.
 *
 * @returns its meeting
 */
export async function beginEvening(patience = PATIENCE): Promise<string> {
  const id = uuid7();
  const late = new Promise<null>((done) => setTimeout(done, patience, null));
  const opened = call('POST', '/api/tonight', { body: { id } }).catch((fault: unknown) => {
    if (!isLost(fault)) throw fault;
    return null;
  });
  const sheet = await Promise.race([opened, late]);
  if (sheet !== null) return sheet.meeting.id;
  await keepEvening(id, serverNow());
  await noteKept();
  void sync();
  return id;
}

/** Says where a learner is from now on: on this device at once, and on the server as soon as there is a network. */
export const moveLearner = (meeting: string, place: number, learner: string, to: string | null): Promise<void> =>
  keepPlace({ key: `${meeting} ${place} ${learner}`, meeting, state: 'waiting', is: 'moved', place, learner, to });

/** Whoever is signed in says that they lead a knot's stations, or that they do not: here at once, and there as soon as it can be. */
export function leadStations(meeting: string, knot: string, leads: boolean): Promise<void> {
  const by = signedIn()?.user.id ?? '';
  return keepPlace({ key: `${meeting} ${knot} ${by}`, meeting, state: 'waiting', is: 'leads', knot, leads, by });
}

async function keepPlace(placing: Placing): Promise<void> {
  await store.places.put({ ...placing, ...noted() });
  await noteKept();
  void sync();
}

/** A lead sends on what others tapped on this device, under both names. */
export async function sendOn(): Promise<void> {
  const others = (await ofKnownMeetings(await waitingChecks())).filter((one) => !isMine(one));
  for (let at = 0; at < others.length; at += BATCH) await sendBatch(others.slice(at, at + BATCH));
  happened({ is: 'sent' }, await counted());
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
  // An evening begun here that never got there is none of its meetings.
  const known = await knownAs();
  for (;;) {
    const events = (await waitingChecks())
      .filter((one) => one.event.by === undefined || one.event.by === person)
      .slice(0, BATCH);
    const answer = await call('POST', '/api/left-checks', {
      body: {
        key,
        sent_at: new Date().toISOString(),
        events: events.map((one) => asSent(one.event, known)),
      },
    }).catch(() => null);
    if (!answer?.ended) return false;
    await store.events.bulkDelete(events.map((one) => one.id));
    if (events.length < BATCH) return true;
  }
}

/** What became of what the lines could not send. */
async function heard(fault: unknown): Promise<SyncEvent> {
  if (isAnothers(fault)) {
    // Somebody else is signed in by now: asked for anew, and what the last one tapped waits for them.
    await queryClient.refetchQueries({ queryKey: meQuery.queryKey });
    return { is: 'sent' };
  }
  if (hasMoved(fault)) return { is: 'moved' };
  if (!isShut(fault)) return { is: 'lost' };
  if (fault.status === 401 && (await handIn())) signedOutElsewhere.say();
  return { is: 'shut' };
}

/** Every line for itself: what keeps one of them here keeps no other, unless it would keep all. */
async function flush(): Promise<void> {
  let outcome: SyncEvent = { is: 'sent' };
  let checked = false;
  for (const line of lines) {
    try {
      const went = await line.send();
      checked ||= went && line === checks;
      if (went) happened(await counted());
    } catch (fault) {
      outcome = await heard(fault);
      if (isForAll(fault)) break;
    }
  }
  happened(outcome, await counted());
  if (!checked) return;
  const shown = ['check', 'crew', 'course', 'learner', 'meeting'];
  await Promise.all(shown.map((key) => queryClient.invalidateQueries({ queryKey: [key] })));
}

/** In this tab. */
let turn: Promise<void> = Promise.resolve();

/** Sends what waits, in order; one tab at a time, where the browser lets tabs take turns. */
export async function sync(): Promise<void> {
  if ('locks' in navigator) return navigator.locks.request('compadre-outbox', flush);
  turn = turn.then(flush, flush);
  return turn;
}

/** The server's answer to a check, if it came in time. */
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
  void noteKept().then(sync);
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

/** The checks of the group that is open here that are not on the server, in the order they were made. */
export const checksHere = (): Promise<Kept[]> => store.events.orderBy('seq').filter(isOfHere).toArray();

/** What never reached the server, as a file to keep. */
export async function unsentFile(): Promise<Blob> {
  const [events, walkIns, roll, steps, evenings, places] = await Promise.all([
    checksHere(),
    store.walkIns.filter((one) => one.state === 'waiting' && isOfHere(one)).toArray(),
    store.roll.filter(isOfHere).toArray(),
    store.steps.orderBy('n').filter(isOfHere).toArray(),
    store.evenings.filter((one) => one.state === 'waiting' && isOfHere(one)).toArray(),
    store.places.filter(isOfHere).toArray(),
  ]);
  const kept = {
    kept_at: new Date().toISOString(),
    events: events.map((one) => ({ ...one.event, who: one.who, fault: one.fault })),
    walk_ins: walkIns.map(({ id, name, meeting }) => ({ id, name, meeting })),
    roll: roll.map(({ meeting, learner, present }) => ({ meeting, learner, present })),
    clock: steps.map(({ meeting, step, place, at }) => ({ meeting, step, place, at: new Date(at).toISOString() })),
    evenings: evenings.map(({ id, at }) => ({ id, at: new Date(at).toISOString() })),
    places,
  };
  return new Blob([JSON.stringify(kept, null, 2)], { type: 'application/json' });
}

/** What waits for another group, whose session ran out here, goes on waiting. */
export async function forgetOutbox(): Promise<void> {
  await Promise.all([
    store.events.filter(isOfHere).delete(),
    store.walkIns.filter(isOfHere).delete(),
    store.roll.filter(isOfHere).delete(),
    store.steps.filter(isOfHere).delete(),
    store.evenings.filter(isOfHere).delete(),
    store.places.filter(isOfHere).delete(),
    store.about.delete(HAND_IN),
  ]);
  happened({ is: 'sent' }, await counted());
}
