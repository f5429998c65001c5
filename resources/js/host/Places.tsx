import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import * as limits from '../api/limits';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { LinkToPass } from '../ui/LinkToPass';
import { Faults } from '../ui/states';
import { words } from '../words';
import { dayOf } from '../words/format';
import type { Hosted } from './HostPage';
import { MostFields, mostOf } from './MostFields';

const again = (): void => void queryClient.invalidateQueries({ queryKey: ['host'] });

/** Room for more groups: made with a link that is shown once, and withdrawn. */
export function Places({ places }: { places: Hosted['places'] }) {
  const [name, setName] = useState('');
  const [learners, setLearners] = useState('');
  const [people, setPeople] = useState('');
  const make = useMutation({
    mutationFn: () =>
      call('POST', '/api/host/places', {
        body: { name, learners_most: mostOf(learners), people_most: mostOf(people) },
      }),
    onSuccess: () => {
      setName('');
      again();
    },
  });
  const withdraw = useMutation({
    mutationFn: (id: string) => call('DELETE', '/api/host/places/{place}', { params: { path: { place: id } } }),
    onSuccess: again,
  });
  return (
    <section aria-labelledby="places" className="flex max-w-3xl flex-col gap-4">
      <div>
        <h2 id="places" className="text-xl">
          {words.host.places}
        </h2>
        <p className="text-soft">{words.host.placesAbout}</p>
      </div>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <Faults error={make.error ?? withdraw.error} />
        <TextField
          label={words.host.placeFor}
          required
          autoComplete="off"
          {...limits.Name}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <MostFields learners={learners} people={people} onLearners={setLearners} onPeople={setPeople} />
        <Button look="signal" type="submit" className="self-start" disabled={make.isPending}>
          {words.host.make}
        </Button>
      </form>
      {make.data && (
        <LinkToPass
          link={`${window.location.origin}/begin#code=${make.data.code}`}
          about={`${words.host.made({ name: make.data.name })} ${words.host.code({ code: make.data.code })}`}
        />
      )}
      {places.length > 0 && (
        <div>
          <h3 className="mb-1 text-lg">{words.host.waiting}</h3>
          <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
            {places.map((one) => (
              <li key={one.id} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
                <span>
                  <strong>{one.name}</strong>, {words.host.until({ day: dayOf(one.expires_at.slice(0, 10)) })}
                </span>
                <Button look="quiet" disabled={withdraw.isPending} onClick={() => withdraw.mutate(one.id)}>
                  {words.people.withdraw}
                  <span className="sr-only">: {one.name}</span>
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
