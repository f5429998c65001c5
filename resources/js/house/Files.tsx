import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { groupQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { words } from '../words';

/** The meetings for other calendars: a file, and a private address that stays up to date. */
export function CalendarPart({ settings }: { settings: Schemas['GroupSettings'] }) {
  const [places, setPlaces] = useState(settings.calendar_places);
  const done = (): void => void queryClient.invalidateQueries({ queryKey: groupQuery.queryKey });
  const offer = useMutation({
    mutationFn: () => call('POST', '/api/calendar', { body: { places } }),
    onSuccess: done,
  });
  const end = useMutation({
    mutationFn: () => call('DELETE', '/api/calendar'),
    onSuccess: () => {
      offer.reset();
      done();
    },
  });
  return (
    <section className="flex flex-col gap-3" aria-labelledby="calendar">
      <h2 id="calendar" className="text-xl">
        {words.house.calendar}
      </h2>
      <p className="text-soft">{words.house.calendarAbout}</p>
      <Faults error={offer.error ?? end.error} />
      <a href="/api/calendar.ics" download className={LINK}>
        {words.house.calendarFile}
      </a>
      <label className="flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="size-6"
          checked={places}
          onChange={(event) => setPlaces(event.target.checked)}
        />{' '}
        {words.house.places}
      </label>
      <div className="flex flex-wrap gap-3">
        <Button disabled={offer.isPending} onClick={() => offer.mutate()}>
          {settings.calendar ? words.house.newAddress : words.house.makeAddress}
        </Button>
        {settings.calendar && (
          <Button disabled={end.isPending} onClick={() => end.mutate()}>
            {words.house.endAddress}
          </Button>
        )}
      </div>
      {offer.data && (
        <p>
          {words.house.addressShown}
          <code data-testid="calendar-address" className="mt-1 block rounded bg-wash p-2 text-sm break-all">
            {offer.data.address}
          </code>
        </p>
      )}
    </section>
  );
}
