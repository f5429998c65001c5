import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ApiProblem, call, type Schemas } from '../api/client';
import { crewQuery, queryClient } from '../api/queries';
import * as limits from '../api/limits';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';
import { BANDS } from './AddLearners';

/** A learner's entry: name, age, hand; put away; or made one with another entry of the same learner. */
export function KeepLearner({ learner, onClose }: { learner: Schemas['Learner']; onClose: () => void }) {
  const navigate = useNavigate();
  const crew = useQuery(crewQuery);
  const [form, setForm] = useState({
    name: learner.name,
    age_band: learner.age_band,
    hand: learner.hand ?? ('' as const),
    patrol: learner.patrol ?? '',
  });
  const [into, setInto] = useState('');
  // This page's own learner is not asked for again: there may be none.
  const away = (): void => {
    void navigate('/crew');
    void queryClient.invalidateQueries({
      predicate: ({ queryKey }) => queryKey[0] !== 'learner' || queryKey[1] !== learner.id,
    });
  };
  const save = useMutation({
    mutationFn: () =>
      call('PUT', '/api/learners/{learner}', {
        params: { path: { learner: learner.id } },
        body: {
          ...form,
          hand: form.hand === '' ? null : form.hand,
          patrol: form.patrol.trim() === '' ? null : form.patrol,
        },
      }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  const archive = useMutation({
    mutationFn: () =>
      call('PUT', '/api/learners/{learner}', { params: { path: { learner: learner.id } }, body: { archived: true } }),
    onSuccess: away,
  });
  const merge = useMutation({
    mutationFn: () =>
      call('POST', '/api/learners/{learner}/merge', { params: { path: { learner: learner.id } }, body: { into } }),
    onSuccess: away,
  });
  const erase = useMutation({
    mutationFn: () => call('DELETE', '/api/learners/{learner}', { params: { path: { learner: learner.id } } }),
    onSuccess: away,
  });
  return (
    <Sheet open onClose={onClose} title={words.crew.changeOf({ name: learner.name })}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Faults error={save.error ?? archive.error ?? merge.error ?? erase.error} />
        <TextField
          label={words.crew.names}
          required
          {...limits.changeLearner.name}
          value={form.name}
          onChange={(event) => setForm({ ...form, name: event.target.value })}
          fault={save.error instanceof ApiProblem ? save.error.about('/name') : undefined}
        />
        <SelectField
          label={words.crew.band}
          options={BANDS}
          value={form.age_band}
          onPick={(age_band) => setForm({ ...form, age_band })}
        />
        <SelectField
          label={words.crew.hand}
          options={[
            ['', words.crew.handUnsaid],
            ['right', words.crew.right],
            ['left', words.crew.left],
          ]}
          value={form.hand}
          onPick={(hand) => setForm({ ...form, hand })}
        />
        <TextField
          label={words.crew.patrol}
          hint={words.crew.patrolAbout}
          {...limits.changeLearner.patrol}
          value={form.patrol}
          onChange={(event) => setForm({ ...form, patrol: event.target.value })}
          fault={save.error instanceof ApiProblem ? save.error.about('/patrol') : undefined}
        />
        <div className="flex flex-wrap gap-3">
          <Button look="signal" type="submit" disabled={save.isPending}>
            {words.save}
          </Button>
          <Button disabled={archive.isPending} onClick={() => archive.mutate()}>
            {words.crew.archive}
          </Button>
        </div>
      </form>
      <div className="mt-6 flex flex-wrap items-end gap-3 border-t border-line pt-4">
        <div className="min-w-48 flex-1">
          <SelectField
            label={words.crew.same}
            hint={words.crew.sameAbout}
            value={into}
            onChange={(event) => setInto(event.target.value)}
            options={[
              ['', words.crew.nobody],
              ...(crew.data?.learners ?? [])
                .filter((one) => one.id !== learner.id)
                .map((one) => [one.id, one.name] as const),
            ]}
          />
        </div>
        <Button disabled={into === '' || merge.isPending} onClick={() => merge.mutate()}>
          {words.crew.merge}
        </Button>
      </div>
      <details className="mt-6 border-t border-line pt-2">
        <summary className="min-h-12 content-center font-semibold">{words.crew.erase}</summary>
        <p className="mb-3">{words.crew.eraseAbout({ name: learner.name })}</p>
        <div className="flex flex-wrap gap-3">
          <Link
            to={`/record/${learner.id}`}
            className="inline-flex min-h-12 items-center rounded-lg border border-line bg-card px-4 font-semibold"
          >
            {words.record.print}
          </Link>
          <a
            href={`/api/learners/${learner.id}/record`}
            download
            className="inline-flex min-h-12 items-center rounded-lg border border-line bg-card px-4 font-semibold"
          >
            {words.crew.eraseExport}
          </a>
          <Button disabled={erase.isPending} onClick={() => erase.mutate()} className="text-notyet">
            {words.crew.eraseGo({ name: learner.name })}
          </Button>
        </div>
      </details>
    </Sheet>
  );
}
