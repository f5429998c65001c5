import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiProblem, call, type Schemas } from '../api/client';
import { groupQuery, queryClient, tookIn } from '../api/queries';
import * as limits from '../api/limits';
import { useMe } from '../device/me';
import { Link } from 'react-router';
import { Button } from '../ui/Button';
import { optionsOf, SelectField, TextField } from '../ui/Field';
import { LINK } from '../ui/link';
import { Failure, Faults, Loading } from '../ui/states';
import { millimetres, number } from '../words/format';
import { words } from '../words';
import { Badges } from './Badges';
import { Forgetting } from './Forgetting';
import { CalendarPart } from './Files';
import { Patrols } from './Patrols';

type Settings = Schemas['GroupSettings'];

/** The group's own ways: how tails are judged, how it is planned, which method is the house's, its ropes, badges and files. */
export function HousePage() {
  const me = useMe();
  const group = useQuery(groupQuery);
  if (group.isPending) return <Loading />;
  if (group.isError) return <Failure error={group.error} retry={() => void group.refetch()} />;
  return (
    <div className="flex max-w-5xl flex-col gap-10">
      <h1 className="text-3xl">{words.house.title}</h1>
      <fieldset disabled={!me.may.plan} className="contents">
        <div className="grid grid-cols-[minmax(0,1fr)] gap-10 rail:grid-cols-2">
          <Ways settings={group.data} />
          <Schools settings={group.data} />
        </div>
        <Patrols />
        <Forgetting />
        <Badges settings={group.data} />
        <div className="grid grid-cols-[minmax(0,1fr)] gap-10 rail:grid-cols-2">
          <Ropes settings={group.data} />
          <div className="flex flex-col gap-10">
            <CalendarPart settings={group.data} />
            {me.may.people && <AlongLink />}
          </div>
        </div>
      </fieldset>
    </div>
  );
}

/** Lists and zips have a page of their own. */
function AlongLink() {
  return (
    <section className="flex flex-col gap-1">
      <h2 className="text-xl">{words.along.title}</h2>
      <p className="text-soft">{words.along.about}</p>
      <Link to="/along" className={LINK}>
        {words.along.open}
      </Link>
    </section>
  );
}

function useChange() {
  return useMutation({
    mutationFn: (
      change: Partial<
        Pick<Settings, 'name' | 'units' | 'words' | 'tail_school' | 'backup' | 'old_share' | 'new_knots' | 'methods'>
      >,
    ) => call('PUT', '/api/group', { body: change }),
    // Tails, plans and first methods all follow from it.
    onSuccess: (now) => tookIn(['group'], now),
  });
}

function Ways({ settings }: { settings: Settings }) {
  const change = useChange();
  const [name, setName] = useState(settings.name);
  return (
    <section className="flex flex-col gap-4" aria-labelledby="ways">
      <h2 id="ways" className="text-xl">
        {words.house.ways}
      </h2>
      <Faults error={change.error} />
      <TextField
        label={words.house.name}
        {...limits.changeGroup.name}
        value={name}
        onChange={(event) => setName(event.target.value)}
        onBlur={() => {
          if (name.trim() !== '' && name !== settings.name) change.mutate({ name });
        }}
      />
      <SelectField
        label={words.house.tails}
        hint={words.house.tailAbout[settings.tail_school]}
        value={settings.tail_school}
        onPick={(tail_school) => change.mutate({ tail_school })}
        options={optionsOf(words.house.tailSchools)}
      />
      <SelectField
        label={words.house.backup}
        hint={words.house.backupAbout}
        value={settings.backup ? 'yes' : 'no'}
        onChange={(event) => change.mutate({ backup: event.target.value === 'yes' })}
        options={[
          ['no', words.house.backupNo],
          ['yes', words.house.backupYes],
        ]}
      />
      <SelectField
        label={words.house.units}
        value={settings.units}
        onPick={(units) => change.mutate({ units })}
        options={[
          ['mm', words.house.mm],
          ['inches', words.house.inches],
        ]}
      />
      <SelectField
        label={words.house.whoseWords}
        hint={words.house.whoseWordsAbout}
        value={settings.words}
        onPick={(words) => change.mutate({ words })}
        options={[
          ['leaders', words.house.leadersWords],
          ['learners', words.house.learnersWords],
        ]}
      />
      <SelectField
        label={words.house.share}
        hint={words.house.shareAbout}
        value={String(settings.old_share)}
        onChange={(event) => change.mutate({ old_share: Number(event.target.value) })}
        options={['0', '0.1', '0.2', '0.3', '0.4', '0.5'].map(
          (share) => [share, words.house.shares({ percent: 100 * Number(share) })] as const,
        )}
      />
      <SelectField
        label={words.house.newKnots}
        value={String(settings.new_knots ?? 'age')}
        onChange={(event) =>
          change.mutate({ new_knots: event.target.value === 'age' ? null : Number(event.target.value) })
        }
        options={[
          ['age', words.house.byAge],
          ...['1', '2', '3', '4', '5'].map((most) => [most, number(Number(most))] as const),
        ]}
      />
    </section>
  );
}

function Schools({ settings }: { settings: Settings }) {
  const change = useChange();
  return (
    <section className="flex flex-col gap-4" aria-labelledby="schools">
      <h2 id="schools" className="text-xl">
        {words.house.schools}
      </h2>
      <p className="text-soft">{words.house.schoolsAbout}</p>
      <Faults error={change.error} />
      {settings.schools.map((school) => (
        <SelectField
          key={school.knot}
          label={school.name}
          value={settings.methods[school.knot] ?? school.methods[0]?.id ?? ''}
          onChange={(event) => change.mutate({ methods: { ...settings.methods, [school.knot]: event.target.value } })}
          options={school.methods.map((method) => [method.id, method.name] as const)}
        />
      ))}
    </section>
  );
}

function Ropes({ settings }: { settings: Settings }) {
  const [form, setForm] = useState({ name: '', diameter_mm: '10', material: 'polyester' as Schemas['Material'] });
  const done = (): void => void queryClient.invalidateQueries();
  const add = useMutation({
    mutationFn: () => call('POST', '/api/ropes', { body: { ...form, diameter_mm: Number(form.diameter_mm) } }),
    onSuccess: () => {
      setForm({ ...form, name: '' });
      done();
    },
  });
  const usual = useMutation({
    mutationFn: (rope: Schemas['Rope']) =>
      call('PUT', '/api/ropes/{rope}', {
        params: { path: { rope: rope.id } },
        body: {
          name: rope.name,
          diameter_mm: rope.diameter_mm,
          material: rope.material,
          is_usual: true,
        },
      }),
    onSuccess: done,
  });
  const remove = useMutation({
    mutationFn: (id: string) => call('DELETE', '/api/ropes/{rope}', { params: { path: { rope: id } } }),
    onSuccess: done,
  });
  const fault = (field: string): string | undefined =>
    add.error instanceof ApiProblem ? add.error.about(`/${field}`) : undefined;
  return (
    <section className="flex flex-col gap-3" aria-labelledby="ropes">
      <h2 id="ropes" className="text-xl">
        {words.people.ropes}
      </h2>
      <p className="text-soft">{words.house.ropesAbout}</p>
      <Faults error={usual.error ?? remove.error} />
      <ul className="divide-y divide-line rounded-xl border border-line bg-card">
        {settings.ropes.map((rope) => (
          <li key={rope.id} className="flex flex-wrap items-center justify-between gap-x-3 px-4 py-2">
            <span>
              <strong>{rope.name}</strong>
              <span className="block text-sm text-soft">
                {millimetres(rope.diameter_mm, 1)}, {words.materials[rope.material]}
              </span>
            </span>
            {rope.is_usual ? (
              <span className="py-3 font-semibold">{words.people.usual}</span>
            ) : (
              <span>
                <Button look="quiet" onClick={() => usual.mutate(rope)}>
                  {words.house.makeUsual}
                </Button>
                <Button look="quiet" onClick={() => remove.mutate(rope.id)}>
                  {words.store.remove}
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      <form
        className="grid grid-cols-[minmax(0,1fr)_6rem] items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate();
        }}
      >
        <TextField
          label={words.house.ropeName}
          required
          {...limits.addRope.name}
          value={form.name}
          onChange={(event) => setForm({ ...form, name: event.target.value })}
          fault={fault('name')}
        />
        <TextField
          label={words.store.diameter}
          inputMode="decimal"
          required
          value={form.diameter_mm}
          onChange={(event) => setForm({ ...form, diameter_mm: event.target.value })}
          fault={fault('diameter_mm')}
        />
        <SelectField
          label={words.store.material}
          value={form.material}
          onPick={(material) => setForm({ ...form, material })}
          options={optionsOf(words.materials)}
        />
        <Button type="submit" disabled={add.isPending}>
          {words.house.add}
        </Button>
      </form>
    </section>
  );
}
