import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { leave } from '../device/offline';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { dayShort } from '../words/format';
import { words } from '../words/en';
import { HostedGroup } from './HostedGroup';
import { Places } from './Places';

export type Hosted = Schemas['Hosted'];

const column = words.host.column;

/** A house of many groups, for whoever hosts it: counts and health, never a learner. */
export function HostPage({ isAlone }: { isAlone: boolean }) {
  const host = useQuery({
    queryKey: ['host'],
    queryFn: () => call<Hosted>('GET', '/api/host'),
    // Until the last row of a group is gone.
    refetchInterval: ({ state }) => (state.data?.groups.some((one) => one.state === 'removing') ? 2000 : false),
  });
  const [changed, setChanged] = useState<string | null>(null);
  if (host.isPending) return <Loading />;
  if (host.isError) return <Failure error={host.error} retry={() => void host.refetch()} />;
  const { groups, places, health, days } = host.data;
  const open = groups.find((one) => one.id === changed);
  const total = (of: 'learners' | 'checks'): number => groups.reduce((sum, one) => sum + one[of], 0);
  const page = (
    <div className="flex max-w-6xl flex-col gap-8">
      <header className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
        <div>
          <h1 className="text-3xl">{words.host.title}</h1>
          <p className="font-semibold">{words.host.sum(groups.length, total('learners'), total('checks'), days)}</p>
          <p className="text-soft">{words.host.lead}</p>
        </div>
        {isAlone && <Button onClick={() => void leave()}>{words.nav.signOut}</Button>}
      </header>
      <Health health={health} />
      <section aria-labelledby="groups">
        <h2 id="groups" className="mb-2 text-xl">
          {words.host.groups}
        </h2>
        {groups.length === 0 ? (
          <p className="text-soft">{words.host.none}</p>
        ) : (
          <Groups groups={groups} days={days} onChange={setChanged} />
        )}
      </section>
      <Places places={places} />
      {open && <HostedGroup group={open} onClose={() => setChanged(null)} />}
    </div>
  );
  return isAlone ? <main className="px-4 py-6 rail:px-10">{page}</main> : page;
}

function Health({ health }: { health: Hosted['health'] }) {
  const { health: say } = words.host;
  const parts: [string, string, string][] = [
    [
      say.works,
      String(health.works_waiting),
      [
        health.oldest_minutes === null ? '' : say.oldest(health.oldest_minutes),
        health.works_troubled === 0 ? '' : say.troubled(health.works_troubled),
      ]
        .filter((part) => part !== '')
        .join(', '),
    ],
    [say.disk, say.gigabytes(health.disk_free_mb), ''],
    [say.left, String(health.left_checks), ''],
  ];
  return (
    <dl className="flex flex-wrap gap-x-10 gap-y-3 self-start rounded-xl border border-line bg-card px-5 py-4">
      {parts.map(([name, value, more]) => (
        <div key={name}>
          <dt className="text-sm text-soft">{name}</dt>
          <dd className="text-2xl font-bold">
            {value} {more !== '' && <span className="text-base font-normal text-soft">{more}</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Groups({
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
          [column.learners, words.host.most(one.learners, one.learners_most)],
          [column.people, words.host.most(one.people, one.people_most)],
          [column.checks(days), words.host.most(one.checks, null)],
          [column.kept, words.along.size(one.kept_bytes)],
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
                {one.since !== null && words.host.since(one.since)}
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
              aria-label={words.host.changeOf(one.name)}
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
