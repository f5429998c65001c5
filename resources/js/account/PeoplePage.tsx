import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { call, type Schemas } from '../api/client';
import { peopleQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Failure, Faults, Loading } from '../ui/states';
import { moment, number } from '../words/format';
import { words } from '../words/en';

type NewLink = { token: string; role: Schemas['Role']; expires_at: string };

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
            <span><strong>{person.name}</strong>{person.you && <span className="text-soft"> ({words.people.you})</span>}<span className="block text-sm text-soft">{person.email}</span></span>
            <span>{words.roles[person.role]}</span>
          </li>
        ))}
      </ul>
      <Invite />
      <Devices />
      <OpenLinks links={people.data.invitations} />
      <section>
        <h2 className="mb-2 text-xl">{words.people.ropes}</h2>
        <ul>{people.data.ropes.map((rope) => <li key={rope.id}>{rope.name}, {number(rope.diameter_mm, 1)} mm, {words.materials[rope.material].toLowerCase()}{rope.is_usual && ` (${words.people.usual})`}</li>)}</ul>
      </section>
    </div>
  );
}

/** Where people are signed in; a lost phone is signed out from here, and clears itself at its next contact. */
function Devices() {
  const devices = useQuery({ queryKey: ['devices'], queryFn: () => call<{ devices: Schemas['Device'][] }>('GET', '/api/devices') });
  const signOut = useMutation({ mutationFn: (id: string) => call('DELETE', `/api/devices/${id}`), onSuccess: () => void queryClient.invalidateQueries({ queryKey: ['devices'] }) });
  if (!devices.data) return null;
  return (
    <section aria-labelledby="devices">
      <h2 id="devices" className="mb-1 text-xl">{words.people.devices}</h2>
      <p className="mb-2 text-sm text-soft">{words.people.devicesAbout}</p>
      <Faults error={signOut.error} />
      <ul className="divide-y divide-line">
        {devices.data.devices.map((device) => (
          <li key={device.id} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
            <span><strong>{device.who}</strong>, {device.label}<span className="block text-sm text-soft">{device.here ? words.people.here : words.people.seen(moment(device.seen_at))}</span></span>
            {!device.here && <Button look="quiet" disabled={signOut.isPending} onClick={() => signOut.mutate(device.id)}>{words.people.signOutDevice}<span className="sr-only">: {device.who}, {device.label}</span></Button>}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Invite() {
  const [role, setRole] = useState<Schemas['Role']>('helper');
  const make = useMutation({
    mutationFn: () => call<NewLink>('POST', '/api/invitations', { role }),
    onSuccess: () => void queryClient.invalidateQueries({ queryKey: peopleQuery.queryKey }),
  });
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-xl">{words.people.invite}</h2>
      <Choice label={words.people.as} value={role} onChange={setRole} options={[['lead', words.roles.lead], ['instructor', words.roles.instructor], ['helper', words.roles.helper]]} />
      <p className="text-sm text-soft">{words.roleAbout[role]}</p>
      <Faults error={make.error} />
      <Button look="signal" className="self-start" disabled={make.isPending} onClick={() => make.mutate()}>{words.people.make}</Button>
      {make.data && <LinkShown token={make.data.token} />}
    </section>
  );
}

function LinkShown({ token }: { token: string }) {
  const link = `${window.location.origin}/join/${token}`;
  const [image, setImage] = useState('');
  const [copied, setCopied] = useState(false);
  useEffect(() => { void import('qrcode').then((code) => code.toDataURL(link, { margin: 2, width: 220 })).then(setImage); }, [link]);
  return (
    <div className="flex flex-wrap gap-5 rounded-xl border border-line bg-card p-4">
      {image && <img src={image} alt="" width={180} height={180} className="rounded bg-white" />}
      <div className="flex min-w-0 flex-1 basis-64 flex-col gap-3">
        <p>{words.people.link}</p>
        <code data-testid="join-link" className="rounded bg-wash p-2 text-sm break-all">{link}</code>
        <Button className="self-start" onClick={() => void navigator.clipboard.writeText(link).then(() => setCopied(true))}>{copied ? words.people.copied : words.people.copy}</Button>
      </div>
    </div>
  );
}

function OpenLinks({ links }: { links: Schemas['People']['invitations'] }) {
  const withdraw = useMutation({
    mutationFn: (id: string) => call('DELETE', `/api/invitations/${id}`),
    onSuccess: () => void queryClient.invalidateQueries({ queryKey: peopleQuery.queryKey }),
  });
  if (links.length === 0) return null;
  return (
    <section>
      <h2 className="mb-2 text-xl">{words.people.open}</h2>
      <ul className="flex flex-col gap-2">
        {links.map((link) => (
          <li key={link.id} className="flex items-center justify-between gap-3 rounded-lg bg-card px-4 py-1">
            <span>{words.roles[link.role]}, {words.people.until(moment(link.expires_at))}</span>
            <Button look="quiet" onClick={() => withdraw.mutate(link.id)}>{words.people.withdraw}</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
