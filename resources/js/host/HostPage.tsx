import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { call, type Schemas } from '../api/client';
import { leave } from '../device/offline';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { gigabytes } from '../words/format';
import { EVERYTHING, Find, type GroupsAsked, Pages, unusual } from './Find';
import { GroupList } from './GroupList';
import { HostedGroup } from './HostedGroup';
import { Places } from './Places';

/** So few groups are seen without looking for one. */
const AT_A_GLANCE = 8;

export type Hosted = Schemas['Hosted'];

/** A house of many groups, for whoever hosts it: counts and health, never a learner. */
export function HostPage({ isAlone }: { isAlone: boolean }) {
  const [asked, setAsked] = useState<GroupsAsked>(EVERYTHING);
  const host = useQuery({
    queryKey: ['host', asked],
    queryFn: () => call('GET', '/api/host', { params: { query: unusual(asked) } }),
    placeholderData: keepPreviousData,
    // Until the last row of a group is gone.
    refetchInterval: ({ state }) => (state.data?.groups.some((one) => one.state === 'removing') ? 2000 : false),
  });
  const heading = useRef<HTMLHeadingElement>(null);
  const [changed, setChanged] = useState<string | null>(null);
  if (host.isPending) return <Loading />;
  if (host.isError) return <Failure error={host.error} retry={() => void host.refetch()} />;
  const { groups, sums, places, health, days } = host.data;
  const open = groups.find((one) => one.id === changed);
  const page = (
    <div className="flex max-w-6xl flex-col gap-8">
      <header className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
        <div>
          <h1 className="text-3xl">{words.host.title}</h1>
          <p className="font-semibold">
            {words.host.sum({ groups: sums.groups, learners: sums.learners, checks: sums.checks, days })}
          </p>
          <p className="text-soft">{words.host.lead}</p>
        </div>
        {isAlone && <Button onClick={() => void leave()}>{words.nav.signOut}</Button>}
      </header>
      <Health health={health} />
      <section aria-labelledby="groups">
        <h2 id="groups" ref={heading} className="mb-2 text-xl">
          {words.host.groups}
        </h2>
        {sums.groups === 0 ? (
          <p className="text-soft">{words.host.none}</p>
        ) : (
          <>
            {sums.groups > AT_A_GLANCE && <Find asked={asked} days={days} onAsk={setAsked} />}
            {groups.length === 0 ? (
              <p className="text-soft">{words.host.find.nothing}</p>
            ) : (
              <GroupList groups={groups} days={days} onChange={setChanged} />
            )}
            <Pages
              host={host.data}
              onPage={(page) => {
                setAsked({ ...asked, page });
                heading.current?.scrollIntoView();
              }}
            />
          </>
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
        health.oldest_minutes === null ? '' : say.oldest({ minutes: health.oldest_minutes }),
        health.works_troubled === 0 ? '' : say.troubled({ n: health.works_troubled }),
      ]
        .filter((part) => part !== '')
        .join(', '),
    ],
    [say.disk, gigabytes(health.disk_free_mb), ''],
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
