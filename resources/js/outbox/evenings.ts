import { dayIn } from '../api/time';
import { type Evening, store } from './store';
import { isOfHere, noted, signedIn } from './who';

/** How long what became of an evening is remembered here, in milliseconds: as long as its notes may be on their way. */
const REMEMBERED = 14 * 86_400_000;

/** The evening that was begun on this device today, the newest; null where there is none, or it is a meeting of the server's own. */
export function eveningOf(evenings: Evening[], zone: string): Evening | null {
  const today = dayIn(zone);
  const begun = evenings.filter((one) => one.state !== 'refused' && dayIn(zone, one.at) === today);
  return begun.sort((a, b) => b.at - a.at)[0] ?? null;
}

/** The meeting that what is noted now belongs to, where the server's answers do not say. */
export async function eveningToday(): Promise<string | null> {
  const evenings = (await store.evenings.toArray()).filter(isOfHere);
  const me = signedIn();
  return evenings.length === 0 || me === null ? null : (eveningOf(evenings, me.group.time_zone)?.id ?? null);
}

/** Keeps an evening that begins now, and lets go of those of long ago. */
export async function keepEvening(id: string, at: number): Promise<void> {
  await store.transaction('rw', store.evenings, store.steps, async () => {
    await store.evenings.filter((one) => one.state !== 'waiting' && one.at < at - REMEMBERED).delete();
    await store.evenings.add({ id, at, state: 'waiting', ...noted() });
    await store.steps.add({ meeting: id, step: 'start', shown: [], at, state: 'waiting', ...noted() });
  });
}

/** What the server calls a meeting: null where it took none of it; undefined where it does not know of it yet. */
export async function knownAs(): Promise<(meeting: string | null) => string | null | undefined> {
  const evenings = new Map((await store.evenings.toArray()).map((one) => [one.id, one]));
  return (meeting) => {
    const evening = meeting === null ? undefined : evenings.get(meeting);
    if (evening === undefined) return meeting;
    return evening.state === 'waiting' ? undefined : evening.state === 'refused' ? null : evening.became;
  };
}

/** What waits for the meeting goes to the one it became. Of a clock that others run the steps are theirs. */
export async function noteKnown(id: string, became: string): Promise<void> {
  await store.transaction('rw', store.evenings, store.steps, async () => {
    await store.evenings.update(id, { state: 'known', became });
    if (became !== id) await store.steps.where('meeting').equals(id).delete();
  });
}

/** The checks go without a meeting; who was here, and the clock, are of no meeting any more. */
export async function noteTurnedDown(id: string, fault: string): Promise<void> {
  const notes = [store.steps, store.roll, store.places];
  await store.transaction('rw', [store.evenings, ...notes], async () => {
    await store.evenings.update(id, { state: 'refused', fault });
    for (const table of notes) await table.where('meeting').equals(id).delete();
  });
}
