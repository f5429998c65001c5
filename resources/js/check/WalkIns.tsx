import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import * as limits from '../api/limits';
import { store } from '../outbox/store';
import { useLive } from '../outbox/useLive';
import { isOfHere } from '../outbox/who';
import { Button } from '../ui/Button';
import { words } from '../words';
import { walkIn } from './events';

type Row = Schemas['CheckSheet']['rows'][number];

/** Learners who came along and are on this device only, or were when the sheet was last fetched. */
export function useWalkIns(known: string[]): Row[] {
  const walkIns = useLive(() => store.walkIns.toArray(), [], []);
  // An id of version 7 begins with its moment, so the newest is the greatest.
  return walkIns
    .filter((one) => isOfHere(one) && !known.includes(one.id))
    .sort((a, b) => (a.id < b.id ? 1 : -1))
    .map((one) => ({
      id: one.id,
      name: one.name,
      age_band: '8-10',
      hand: null,
      present: true,
      wanted: null,
      mark: null,
    }));
}

/** Two taps and a name, with or without a network. */
export function WalkInForm({ meeting }: { meeting: string | null }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const add = async (): Promise<void> => {
    if (name.trim() === '') return;
    await walkIn(name, meeting);
    setName('');
    setOpen(false);
  };
  if (!open)
    return (
      <Button className="self-start" onClick={() => setOpen(true)}>
        <UserPlus aria-hidden className="size-5" /> {words.check.walkIn}
      </Button>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
      className="flex flex-wrap items-end gap-2 rounded-xl border border-line bg-card p-3"
    >
      <label className="min-w-48 flex-1 font-semibold">
        {words.check.walkInName}
        <span className="block text-sm font-normal text-soft">{words.check.walkInAbout}</span>
        <input
          autoFocus
          {...limits.walkIn.learners.name}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="mt-1 min-h-12 w-full rounded-lg border border-soft bg-card px-3 font-normal"
        />
      </label>
      <Button type="submit" look="signal" disabled={name.trim() === ''}>
        {words.check.walkInGo}
      </Button>
    </form>
  );
}
