import Dexie, { type EntityTable, type Table } from 'dexie';
import type { Schemas } from '../api/client';
import type { Noted, OfGroup } from './who';

export type NewEvent = Schemas['NewCheckEvent'];

/** A check on this device: waiting for the network, or refused by the server, with its words. `of` is the name of whoever tapped it. */
export type Kept = OfGroup & {
  id: string;
  seq: number;
  event: NewEvent;
  state: 'waiting' | 'refused';
  fault?: string;
  who: string;
  verdict: string;
  of?: string;
};

/** A learner who just came along, under an id made here; it goes ahead of every check. */
export type WalkIn = OfGroup & { id: string; name: string; meeting: string | null; state: 'waiting' | 'sent' };

/** Who is here, marked on this device; the last word on a learner and meeting counts. */
export type RollMark = Noted & { key: string; meeting: string; learner: string; present: boolean };

/** A step of a meeting's clock, taken here: waiting for the network in its turn, or refused by the server, with its words. */
export type KeptStep = Noted & {
  n?: number;
  meeting: string;
  step: Schemas['ClockStep']['step'];
  place?: number;
  shown?: Schemas['Block'][];
  at: number;
  state: 'waiting' | 'refused';
  fault?: string;
};

/**
 * An evening nobody planned, begun on this device under an id made here: waiting for the network; known to the server, as the
 * meeting it `became`, which is another where one was on by then; or refused, with the server's words.
 */
export type Evening = Noted & {
  id: string;
  at: number;
  state: 'waiting' | 'known' | 'refused';
  became?: string;
  fault?: string;
};

/** Where somebody is at a meeting, said on this device: a learner at another station of a block, or who leads a knot. The last word counts. */
export type Placing = Noted & { key: string; meeting: string; state: 'waiting' | 'refused'; fault?: string } & (
    | { is: 'moved'; place: number; learner: string; to: string | null }
    | { is: 'leads'; knot: string; leads: boolean; by: string }
  );

const database = new Dexie('compadre') as Dexie & {
  events: EntityTable<Kept, 'id'>;
  walkIns: EntityTable<WalkIn, 'id'>;
  roll: EntityTable<RollMark, 'key'>;
  steps: EntityTable<KeptStep, 'n'>;
  evenings: EntityTable<Evening, 'id'>;
  places: Table<Placing, string>;
  about: EntityTable<{ name: string; value: number | string }, 'name'>;
};
database.version(1).stores({ events: 'id, seq, state', about: 'name' });
database.version(2).stores({ events: 'id, seq, state', about: 'name', walkIns: 'id, state' });
database.version(3).stores({ events: 'id, seq, state', about: 'name', walkIns: 'id, state', roll: 'key, meeting' });
database.version(4).stores({
  events: 'id, seq, state',
  about: 'name',
  walkIns: 'id, state',
  roll: 'key, meeting',
  steps: '++n, meeting, state',
});
database.version(5).stores({
  events: 'id, seq, state',
  about: 'name',
  walkIns: 'id, state',
  roll: 'key, meeting',
  steps: '++n, meeting, state',
  evenings: 'id, state',
  places: 'key, meeting, state',
});

export const store = database;

/** The next number of this device's own count of events: it and the event are kept together or not at all. */
export async function keep(make: (device: string, seq: number) => Kept): Promise<Kept> {
  return database.transaction('rw', database.events, database.about, async () => {
    const device =
      (await database.about.get('device'))?.value ?? localStorage.getItem('compadre-device') ?? crypto.randomUUID();
    const seq = Number((await database.about.get('seq'))?.value ?? localStorage.getItem('compadre-seq') ?? 0) + 1;
    await database.about.put({ name: 'device', value: device });
    await database.about.put({ name: 'seq', value: seq });
    const kept = make(String(device), seq);
    await database.events.add(kept);
    return kept;
  });
}
