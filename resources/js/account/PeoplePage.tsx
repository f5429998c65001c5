import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { peopleQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { LinkToPass } from '../ui/LinkToPass';
import { Sheet } from '../ui/Sheet';
import { Failure, Faults, Loading } from '../ui/states';
import { inSentence, millimetres, moment } from '../words/format';
import { words } from '../words';

export function PeoplePage() {
  const people = useQuery(peopleQuery);
  if (people.isPending) return <Loading />;
  if (people.isError) return <Failure error={people.error} retry={() => void people.refetch()} />;
  return (
    <div className="flex max-w-4xl flex-col gap-8">
      <h1 className="text-3xl">{words.people.title}</h1>
      <ul className="divide-y divide-line rounded-xl border border-line bg-card">
        {people.data.people.map((person) => (
          <li key={person.id} className="flex flex-wrap items-baseline justify-between gap-x-4 px-4 py-3">
            <span>
              <strong>{person.name}</strong>
              {person.you && <span className="text-soft"> ({words.people.you})</span>}
              <span className="block text-sm text-soft">{person.email}</span>
            </span>
            <Person person={person} />
          </li>
        ))}
      </ul>
      <LeftChecks />
      <Invite />
      <Devices />
      <OpenLinks links={people.data.invitations} />
      <section>
        <h2 className="mb-2 text-xl">{words.people.ropes}</h2>
        <ul>
          {people.data.ropes.map((rope) => (
            <li key={rope.id}>
              {rope.name}, {millimetres(rope.diameter_mm, 1)}, {inSentence(words.materials[rope.material])}
              {rope.is_usual && ` (${words.people.usual})`}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

type Listed = Schemas['People']['people'][number];
const ROLES = ['lead', 'instructor', 'helper'] as const;

/** What one person may do, and an end to it. */
function Person({ person }: { person: Listed }) {
  const [ending, setEnding] = useState(false);
  const again = (): void => {
    setEnding(false);
    void queryClient.invalidateQueries();
  };
  const change = useMutation({
    mutationFn: (role: Schemas['Role']) =>
      call('PUT', '/api/people/{person}', { params: { path: { person: person.id } }, body: { role } }),
    onSettled: again,
  });
  const end = useMutation({
    mutationFn: () => call('DELETE', '/api/people/{person}', { params: { path: { person: person.id } } }),
    onSuccess: again,
  });
  return (
    <span className="flex flex-wrap items-center gap-2">
      <select
        aria-label={words.people.changeRole({ name: person.name })}
        value={person.role}
        disabled={change.isPending}
        onChange={(event) => change.mutate(event.target.value as Schemas['Role'])}
        className="min-h-12 rounded-lg border border-soft bg-card px-2"
      >
        {ROLES.map((role) => (
          <option key={role} value={role}>
            {words.roles[role]}
          </option>
        ))}
      </select>
      <Button look="quiet" onClick={() => setEnding(true)}>
        {words.people.endAccess}
        <span className="sr-only">: {person.name}</span>
      </Button>
      {change.error && (
        <span className="w-full">
          <Faults error={change.error} />
        </span>
      )}
      <Sheet
        open={ending}
        onClose={() => setEnding(false)}
        title={words.people.endOf({ name: person.name })}
        about={words.people.endAbout}
      >
        <div className="flex flex-col gap-3">
          <Faults error={end.error} />
          <Button className="text-notyet" disabled={end.isPending} onClick={() => end.mutate()}>
            {words.people.endGo({ name: person.name })}
          </Button>
          <Button look="signal" onClick={() => setEnding(false)}>
            {words.cancel}
          </Button>
        </div>
      </Sheet>
    </span>
  );
}

/** What still waited on phones whose access has ended, to be taken in or let go. */
function LeftChecks() {
  const left = useQuery({
    queryKey: ['left-checks'],
    queryFn: () => call('GET', '/api/left-checks'),
  });
  const again = (): void => void queryClient.invalidateQueries();
  const accept = useMutation({
    mutationFn: (ids: string[]) => call('POST', '/api/left-checks/accept', { body: { ids } }),
    onSuccess: again,
  });
  const refuse = useMutation({
    mutationFn: (ids: string[]) => call('POST', '/api/left-checks/refuse', { body: { ids } }),
    onSuccess: again,
  });
  if (!left.data || left.data.checks.length === 0) return null;
  const { checks } = left.data;
  return (
    <section aria-labelledby="left" className="rounded-xl border-2 border-notyet bg-card p-4">
      <h2 id="left" className="mb-1 text-xl">
        {words.people.left}
      </h2>
      <p className="mb-2 text-sm text-soft">{words.people.leftAbout}</p>
      <Faults error={accept.error ?? refuse.error} />
      <ul className="mb-3 divide-y divide-line">
        {checks.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
            <span>
              <strong>{one.learner ?? words.people.leftGone}</strong>:{' '}
              {words.people.leftLine({ knot: one.knot, at: moment(one.at) })}
              <span className="block text-sm text-soft">{words.sync.tappedBy({ name: one.who })}</span>
            </span>
            <Button look="quiet" disabled={refuse.isPending} onClick={() => refuse.mutate([one.id])}>
              {words.people.letGo}
              <span className="sr-only">
                : {one.learner}, {one.knot}
              </span>
            </Button>
          </li>
        ))}
      </ul>
      <Button look="signal" disabled={accept.isPending} onClick={() => accept.mutate(checks.map((one) => one.id))}>
        {words.people.takeIn({ n: checks.length })}
      </Button>
    </section>
  );
}

/** Where people are signed in; a lost phone is signed out from here, and clears itself at its next contact. */
function Devices() {
  const devices = useQuery({
    queryKey: ['devices'],
    queryFn: () => call('GET', '/api/devices'),
  });
  const signOut = useMutation({
    mutationFn: (id: string) => call('DELETE', '/api/devices/{device}', { params: { path: { device: id } } }),
    onSuccess: () => void queryClient.invalidateQueries({ queryKey: ['devices'] }),
  });
  if (!devices.data) return null;
  return (
    <section aria-labelledby="devices">
      <h2 id="devices" className="mb-1 text-xl">
        {words.people.devices}
      </h2>
      <p className="mb-2 text-sm text-soft">{words.people.devicesAbout}</p>
      <Faults error={signOut.error} />
      <ul className="divide-y divide-line">
        {devices.data.devices.map((device) => (
          <li key={device.id} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
            <span>
              <strong>{device.who}</strong>, {device.label}
              <span className="block text-sm text-soft">
                {device.here ? words.people.here : words.people.seen({ when: moment(device.seen_at) })}
              </span>
            </span>
            {!device.here && (
              <Button look="quiet" disabled={signOut.isPending} onClick={() => signOut.mutate(device.id)}>
                {words.people.signOutDevice}
                <span className="sr-only">
                  : {device.who}, {device.label}
                </span>
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Invite() {
  const [role, setRole] = useState<Schemas['Role']>('helper');
  const make = useMutation({
    mutationFn: () => call('POST', '/api/invitations', { body: { role } }),
    onSuccess: () => void queryClient.invalidateQueries({ queryKey: peopleQuery.queryKey }),
  });
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-xl">{words.people.invite}</h2>
      <Choice
        label={words.people.as}
        value={role}
        onChange={setRole}
        options={[
          ['lead', words.roles.lead],
          ['instructor', words.roles.instructor],
          ['helper', words.roles.helper],
        ]}
      />
      <p className="text-sm text-soft">{words.roleAbout[role]}</p>
      <Faults error={make.error} />
      <Button look="signal" className="self-start" disabled={make.isPending} onClick={() => make.mutate()}>
        {words.people.make}
      </Button>
      {make.data && <LinkToPass link={`${window.location.origin}/join#${make.data.token}`} about={words.people.link} />}
    </section>
  );
}

function OpenLinks({ links }: { links: Schemas['People']['invitations'] }) {
  const withdraw = useMutation({
    mutationFn: (id: string) =>
      call('DELETE', '/api/invitations/{invitation}', { params: { path: { invitation: id } } }),
    onSuccess: () => void queryClient.invalidateQueries({ queryKey: peopleQuery.queryKey }),
  });
  if (links.length === 0) return null;
  return (
    <section>
      <h2 className="mb-2 text-xl">{words.people.open}</h2>
      <ul className="flex flex-col gap-2">
        {links.map((link) => (
          <li key={link.id} className="flex items-center justify-between gap-3 rounded-lg bg-card px-4 py-1">
            <span>
              {words.roles[link.role]}, {words.people.until({ when: moment(link.expires_at) })}
            </span>
            <Button look="quiet" onClick={() => withdraw.mutate(link.id)}>
              {words.people.withdraw}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
