import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { groupQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { AreaField } from '../ui/Field';
import { base64 } from '../ui/FileButton';
import { Choice } from '../ui/Choice';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { words } from '../words/en';

/** The meetings for other calendars: a file, and a private address that stays up to date. */
export function CalendarPart({ settings }: { settings: Schemas['GroupSettings'] }) {
  const [places, setPlaces] = useState(settings.calendar_places);
  const done = (): void => void queryClient.invalidateQueries({ queryKey: groupQuery.queryKey });
  const offer = useMutation({
    mutationFn: () => call<{ address: string }>('POST', '/api/calendar', { places }),
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

type Sheet = Schemas['Sheet'];
type Kind = 'roster' | 'meetings';

/** Rosters and meetings as tables, in and out. */
export function SheetsPart() {
  const [kind, setKind] = useState<Kind>('roster');
  const [bytes, setBytes] = useState('');
  const look = useMutation({ mutationFn: (now: string) => call<Sheet>('POST', `/api/sheets/${kind}`, { bytes: now }) });
  const take = useMutation({
    mutationFn: () => call<{ taken: number }>('PUT', `/api/sheets/${kind}`, { bytes, leave_bad: true }),
    onSuccess: () => {
      look.reset();
      void queryClient.invalidateQueries();
    },
  });
  const read = async (file: Blob | undefined): Promise<void> => {
    if (!file) return;
    take.reset();
    const now = await base64(file);
    setBytes(now);
    look.mutate(now);
  };
  return (
    <section className="flex flex-col gap-3" aria-labelledby="sheets">
      <h2 id="sheets" className="text-xl">
        {words.house.sheets}
      </h2>
      <p className="text-soft">{words.house.sheetsAbout[kind]}</p>
      <Choice
        label={words.house.sheets}
        value={kind}
        onChange={(now) => {
          setKind(now);
          look.reset();
          take.reset();
        }}
        options={
          [
            ['roster', words.house.roster],
            ['meetings', words.house.meetings],
          ] as const
        }
      />
      <a href={`/api/${kind}.csv`} download className={LINK}>
        {words.house.out}
      </a>
      <label className="flex flex-col gap-1 font-semibold">
        {words.house.file}
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          className="min-h-12 rounded-lg border border-dashed border-soft p-2 font-normal"
          onChange={(event) => void read(event.target.files?.[0])}
        />
      </label>
      <AreaField
        label={words.house.paste}
        rows={4}
        onChange={(event) => {
          if (event.target.value.trim() !== '') void read(new Blob([event.target.value]));
        }}
      />
      <Faults error={look.error ?? take.error} />
      {look.data && (
        <div>
          <p role="status" className="mb-2 font-semibold">
            {words.house.found(look.data.good, look.data.bad)}
          </p>
          <ul className="max-h-72 divide-y divide-line overflow-y-auto rounded-xl border border-line bg-card">
            {look.data.rows.map((row) => (
              <li key={row.line} className={`px-3 py-2 ${row.fault === null ? '' : 'bg-wash'}`}>
                <span className="text-sm text-soft">{words.house.line(row.line)} </span>
                {[row.name, row.age_band, row.hand, row.date, row.starts_at, row.place].filter(Boolean).join(', ')}
                {row.fault !== null && <span className="block font-semibold text-notyet">{row.fault}</span>}
              </li>
            ))}
          </ul>
          <Button
            look="signal"
            className="mt-3"
            disabled={look.data.good === 0 || take.isPending}
            onClick={() => take.mutate()}
          >
            {words.house.take(look.data.good, look.data.bad)}
          </Button>
        </div>
      )}
      {take.data && (
        <p role="status" className="font-semibold text-right">
          {words.house.taken(take.data.taken)}
        </p>
      )}
    </section>
  );
}
