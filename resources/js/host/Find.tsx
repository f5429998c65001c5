import { useId } from 'react';
import { Name } from '../api/limits';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { words } from '../words/en';
import type { Hosted } from './HostPage';

export type GroupsAsked = { find: string; show: string; order: string; page: number };

export const EVERYTHING: GroupsAsked = { find: '', show: 'all', order: 'name', page: 1 };

/** Where those groups are asked for: what is as usual is left out. */
export function addressOf(asked: GroupsAsked): string {
  const query = new URLSearchParams();
  for (const key of ['find', 'show', 'order', 'page'] as const) {
    if (asked[key] !== EVERYTHING[key]) query.set(key, String(asked[key]));
  }
  return query.size === 0 ? '/api/host' : `/api/host?${query.toString()}`;
}

/** Which of many groups are looked at, and in which order. Whatever is asked anew begins at its first page. */
export function Find({
  asked,
  days,
  onAsk,
}: {
  asked: GroupsAsked;
  days: number;
  onAsk: (asked: GroupsAsked) => void;
}) {
  const { find } = words.host;
  return (
    <search className="mb-4 grid grid-cols-2 gap-x-4 gap-y-2 *:min-w-0 *:first:col-span-2 sm:grid-cols-[minmax(0,1fr)_auto_auto] sm:*:first:col-span-1">
      <TextField
        label={find.name}
        type="search"
        maxLength={Name.maxLength}
        value={asked.find}
        onChange={(event) => onAsk({ ...asked, find: event.target.value, page: 1 })}
      />
      <SelectField
        label={find.show}
        value={asked.show}
        onChange={(event) => onAsk({ ...asked, show: event.target.value, page: 1 })}
        options={Object.entries(find.shown(days))}
      />
      <SelectField
        label={find.order}
        value={asked.order}
        onChange={(event) => onAsk({ ...asked, order: event.target.value, page: 1 })}
        options={Object.entries(find.orders)}
      />
    </search>
  );
}

/** From one page of them to another; nothing where all are on one. */
export function Pages({ host, onPage }: { host: Hosted; onPage: (page: number) => void }) {
  const id = useId();
  const { find } = words.host;
  if (host.pages === 1) return null;
  return (
    <nav aria-labelledby={id} className="mt-4 flex flex-wrap items-center gap-4">
      <Button disabled={host.page === 1} onClick={() => onPage(host.page - 1)}>
        {find.before}
      </Button>
      <p id={id} aria-live="polite" className="font-semibold">
        {find.page(host.page, host.pages, host.found)}
      </p>
      <Button disabled={host.page === host.pages} onClick={() => onPage(host.page + 1)}>
        {find.next}
      </Button>
    </nav>
  );
}
