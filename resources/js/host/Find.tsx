import { useId } from 'react';
import { Name } from '../api/limits';
import type { paths } from '../api/schema';
import { Button } from '../ui/Button';
import { optionsOf, SelectField, TextField } from '../ui/Field';
import { words } from '../words';
import type { Hosted } from './HostPage';

type Query = NonNullable<paths['/api/host']['get']['parameters']['query']>;
export type GroupsAsked = Required<Omit<Query, 'page'>> & { page: number };

export const EVERYTHING: GroupsAsked = { find: '', show: 'all', order: 'name', page: 1 };

/** How those groups are asked for: what is as usual is left out. */
export const unusual = ({ find, show, order, page }: GroupsAsked): Query => ({
  ...(find !== EVERYTHING.find && { find }),
  ...(show !== EVERYTHING.show && { show }),
  ...(order !== EVERYTHING.order && { order }),
  ...(page !== EVERYTHING.page && { page: String(page) }),
});

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
        onPick={(show) => onAsk({ ...asked, show, page: 1 })}
        options={optionsOf({ ...find.shown, quiet: find.shown.quiet({ days }) })}
      />
      <SelectField
        label={find.order}
        value={asked.order}
        onPick={(order) => onAsk({ ...asked, order, page: 1 })}
        options={optionsOf(find.orders)}
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
        {find.page({ page: host.page, pages: host.pages, found: host.found })}
      </p>
      <Button disabled={host.page === host.pages} onClick={() => onPage(host.page + 1)}>
        {find.next}
      </Button>
    </nav>
  );
}
