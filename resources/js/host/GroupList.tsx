import { Button } from '../ui/Button';
import { dayOf, dayShort, number, size } from '../words/format';
import { words } from '../words';
import type { Hosted } from './HostPage';

const column = words.host.column;

/** Some of the groups of a house, with what each has. */
export function GroupList({
  groups,
  days,
  onChange,
}: {
  groups: Hosted['groups'];
  days: number;
  onChange: (id: string) => void;
}) {
  return (
    <ul className="divide-y divide-line rounded-xl border border-line bg-card">
      {groups.map((one) => {
        const facts: [string, string][] = [
          [column.learners, most(one.learners, one.learners_most)],
          [column.people, most(one.people, one.people_most)],
          [column.checks({ days }), number(one.checks)],
          [column.kept, size(one.kept_bytes)],
          [column.last, one.last_day === null ? words.host.never : dayShort(one.last_day)],
        ];
        return (
          <li
            key={one.id}
            className="grid gap-x-6 gap-y-2 px-4 py-3 rail:grid-cols-[minmax(0,1.2fr)_minmax(0,2fr)_auto] rail:items-center"
          >
            <div className="min-w-0">
              <strong className="block text-lg break-words">{one.name}</strong>
              <span className="text-sm text-soft">
                {one.since !== null && words.host.since({ day: dayOf(one.since) })}
                {one.state !== 'open' && (
                  <span className="ml-2 rounded bg-wash px-2 py-0.5 font-semibold text-notyet">
                    {words.host.states[one.state]}
                  </span>
                )}
              </span>
            </div>
            <dl className="grid grid-cols-2 gap-x-4 gap-y-1 rail:grid-cols-[1fr_1fr_1.4fr_1fr_1fr]">
              {facts.map(([name, value]) => (
                <div key={name}>
                  <dt className="text-sm text-soft">{name}</dt>
                  <dd className="font-semibold">{value}</dd>
                </div>
              ))}
            </dl>
            <Button
              className="justify-self-start"
              aria-label={words.host.changeOf({ group: one.name })}
              onClick={() => onChange(one.id)}
            >
              {words.host.change}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}

const most = (have: number, of: number | null): string => (of === null ? number(have) : words.host.most({ have, of }));
