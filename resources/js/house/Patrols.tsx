import { useMutation, useQuery } from '@tanstack/react-query';
import { Pencil } from 'lucide-react';
import { useState } from 'react';
import { ApiProblem, call, type Schemas } from '../api/client';
import { tookIn } from '../api/queries';
import * as limits from '../api/limits';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { LINK } from '../ui/link';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { Toggle } from '../ui/Toggle';
import { listOf } from '../words/format';
import { words } from '../words';

type Learner = Schemas['Learner'];

/** Whom a name is asked for: those who are to be a patrol, and what it is called now. */
type Naming = { learners: Learner[]; was: string };

/** Who is in which patrol: names are picked, and moved together. */
export function Patrols() {
  const me = useMe();
  const patrols = useQuery({ queryKey: ['patrols'], queryFn: () => call('GET', '/api/patrols') });
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [naming, setNaming] = useState<Naming | null>(null);
  const put = useMutation({
    mutationFn: (change: { learners: string[]; patrol: string | null }) =>
      call('PUT', '/api/patrols', { body: change }),
    onSuccess: (now) => {
      // Stations, and so the plan, follow from it.
      tookIn(['patrols'], now);
      setPicked(new Set());
      setNaming(null);
    },
  });
  if (!patrols.data) return null;
  const { patrols: all, without, helpers, checkers, rounds } = patrols.data;
  const everybody = [...all.flatMap((one) => one.learners), ...without];
  // Whoever was erased meanwhile is not picked any more.
  const chosen = everybody.filter((one) => picked.has(one.id));
  const toggle = (ids: string[]): void =>
    setPicked((now) => {
      const areIn = ids.every((id) => now.has(id));
      return new Set(areIn ? [...now].filter((id) => !ids.includes(id)) : [...now, ...ids]);
    });
  const names = (learners: Learner[]) =>
    learners.map((one) =>
      me.may.people ? (
        <Toggle key={one.id} on={picked.has(one.id)} onClick={() => toggle([one.id])}>
          {one.name}
        </Toggle>
      ) : (
        <span key={one.id} className="content-center rounded-full bg-wash px-4">
          {one.name}
        </span>
      ),
    );
  return (
    <section aria-labelledby="patrols" className="flex flex-col gap-4">
      <div className="flex max-w-3xl flex-col gap-1">
        <h2 id="patrols" className="text-xl">
          {words.patrols.title}
        </h2>
        <p className="text-soft">{words.patrols.about}</p>
        {all.length > 0 && checkers !== null && rounds !== null && <p>{words.patrols.cost({ checkers, rounds })}</p>}
        {everybody.length === 0 && <p>{words.patrols.nobody}</p>}
        {all.length === 0 && everybody.length > 0 && me.may.people && <p>{words.patrols.begin}</p>}
      </div>
      {naming === null && <Faults error={put.error} />}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 rail:grid-cols-2">
        {all.map((one) => (
          <div
            key={one.name}
            role="group"
            aria-label={one.name}
            className="flex flex-col gap-3 rounded-xl border border-line bg-card p-4"
          >
            <div className="flex items-center justify-between gap-2">
              <h3 className="min-w-0 text-lg break-words">
                {one.name}{' '}
                <span className="font-sans text-base font-normal whitespace-nowrap text-soft">
                  {words.patrols.members({ n: one.learners.length })}
                </span>
              </h3>
              {me.may.people && (
                <div className="flex shrink-0 items-center">
                  <button
                    type="button"
                    aria-label={words.patrols.rename({ patrol: one.name })}
                    onClick={() => setNaming({ learners: one.learners, was: one.name })}
                    className="grid size-12 place-items-center rounded-full hover:bg-wash"
                  >
                    <Pencil aria-hidden className="size-5" />
                  </button>
                </div>
              )}
            </div>
            <div className="flex flex-wrap gap-2">{names(one.learners)}</div>
            <GoWith helpers={helpers.filter(({ patrol }) => patrol === one.name)} />
            {me.may.people && one.learners.length > 1 && (
              <button
                type="button"
                aria-label={words.patrols.allOf({ patrol: one.name })}
                onClick={() => toggle(one.learners.map(({ id }) => id))}
                className={`self-start ${LINK}`}
              >
                {words.patrols.all}
              </button>
            )}
          </div>
        ))}
        {without.length > 0 && (
          <div
            role="group"
            aria-label={words.patrols.none}
            className={`flex flex-col gap-3 rounded-xl border border-dashed border-soft p-4 ${all.length === 0 ? 'rail:col-span-2' : ''}`}
          >
            <h3 className="text-lg">
              {words.patrols.none}{' '}
              <span className="font-sans text-base font-normal whitespace-nowrap text-soft">
                {words.patrols.members({ n: without.length })}
              </span>
            </h3>
            <div className="flex flex-wrap gap-2">{names(without)}</div>
          </div>
        )}
      </div>
      {all.length > 0 && me.may.people && <Helpers helpers={helpers} patrols={all.map((one) => one.name)} />}
      {chosen.length > 0 && (
        <div className="sticky bottom-20 z-10 flex flex-wrap items-end gap-3 rounded-xl border border-line bg-paper p-3 shadow-lg rail:bottom-4">
          <div className="max-w-md min-w-40 flex-1">
            <SelectField
              label={`${words.patrols.picked({ n: chosen.length })}. ${words.patrols.move}`}
              value=""
              disabled={put.isPending}
              onChange={({ target: { value } }) => {
                if (value === '+') setNaming({ learners: chosen, was: '' });
                else if (value !== '')
                  put.mutate({
                    learners: chosen.map((one) => one.id),
                    patrol: value === '-' ? null : value.slice(1),
                  });
              }}
              options={[
                ['', words.patrols.pick],
                ...all.map((one) => [`=${one.name}`, one.name] as const),
                ['+', words.patrols.new],
                ...(all.length > 0 ? [['-', words.patrols.out] as const] : []),
              ]}
            />
          </div>
          <Button onClick={() => setPicked(new Set())}>{words.patrols.clear}</Button>
        </div>
      )}
      {naming !== null && (
        <NamePatrol
          naming={naming}
          error={put.error}
          isBusy={put.isPending}
          onClose={() => {
            setNaming(null);
            put.reset();
          }}
          onName={(patrol) => put.mutate({ learners: naming.learners.map((one) => one.id), patrol })}
        />
      )}
    </section>
  );
}

/** Who of the leaders and helpers goes with a patrol. */
function GoWith({ helpers }: { helpers: Schemas['PatrolHelper'][] }) {
  return helpers.length === 0 ? null : (
    <p className="text-soft">{words.patrols.with({ names: listOf(helpers.map((one) => one.name)) })}</p>
  );
}

/** Each leader and helper, with the patrol they go with. */
function Helpers({ helpers, patrols }: { helpers: Schemas['PatrolHelper'][]; patrols: string[] }) {
  const place = useMutation({
    mutationFn: (change: { person: string; patrol: string | null }) =>
      call('PUT', '/api/patrols/helper', { body: change }),
    onSuccess: (now) => tookIn(['patrols'], now),
  });
  return (
    <div className="flex flex-col gap-3">
      <h3 className="text-lg">{words.patrols.helpers}</h3>
      <p className="max-w-3xl text-soft">{words.patrols.helpersAbout}</p>
      <Faults error={place.error} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 rail:grid-cols-3">
        {helpers.map((one) => (
          <SelectField
            key={one.id}
            label={one.name}
            value={one.patrol ?? ''}
            disabled={place.isPending}
            onPick={(value) => place.mutate({ person: one.id, patrol: value || null })}
            options={[['', words.patrols.withNone], ...patrols.map((name) => [name, name] as const)]}
          />
        ))}
      </div>
    </div>
  );
}

/** Asks what a patrol is called, a new one or one that is there. */
function NamePatrol({
  naming,
  error,
  isBusy,
  onClose,
  onName,
}: {
  naming: Naming;
  error: Error | null;
  isBusy: boolean;
  onClose: () => void;
  onName: (name: string) => void;
}) {
  const [name, setName] = useState(naming.was);
  const about = words.patrols.newAbout({ names: naming.learners.map((one) => one.name.replace(/\.$/, '')).join(', ') });
  return (
    <Sheet
      open
      onClose={onClose}
      title={naming.was === '' ? words.patrols.newTitle : words.patrols.rename({ patrol: naming.was })}
      about={about}
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== '') onName(name);
        }}
      >
        <Faults error={error} />
        <TextField
          label={words.patrols.name}
          required
          {...limits.putIntoPatrol.patrol}
          value={name}
          onChange={(event) => setName(event.target.value)}
          fault={error instanceof ApiProblem ? error.about('/patrol') : undefined}
        />
        <Button look="signal" type="submit" disabled={isBusy || name.trim() === ''}>
          {words.save}
        </Button>
      </form>
    </Sheet>
  );
}
