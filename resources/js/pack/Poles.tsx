import { useMutation } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { ApiProblem, call, type Schemas } from '../api/client';
import * as limits from '../api/limits';
import { queryClient, storeQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { length, metres, number } from '../words/format';
import { words } from '../words/en';

type Pole = Schemas['Pole'];

/** The poles a group has: the bench offers them, and says which would do. */
export function Poles({ poles }: { poles: Pole[] }) {
  const me = useMe();
  const [editing, setEditing] = useState<Pole | 'new' | null>(null);
  return (
    <section aria-labelledby="poles" className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 id="poles" className="text-2xl">
            {words.poles.title}
          </h2>
          <p className="text-soft">{words.poles.about}</p>
        </div>
        {me.may.teach && (
          <Button onClick={() => setEditing('new')}>
            <Plus aria-hidden className="size-5" /> {words.poles.add}
          </Button>
        )}
      </div>
      {poles.length === 0 && <p>{words.poles.empty}</p>}
      <ul className="grid gap-3 rail:grid-cols-2">
        {poles.map((pole) => (
          <li key={pole.id}>
            <button
              type="button"
              disabled={!me.may.teach}
              onClick={() => setEditing(pole)}
              className="flex min-h-16 w-full items-center gap-4 rounded-xl border border-line bg-card p-4 text-start"
            >
              <strong className="text-xl tabular-nums">{number(pole.count)} ×</strong>
              <span>
                <strong className="block text-lg leading-tight">{pole.name}</strong>
                <span className="text-sm text-soft">
                  {metres(pole.length_mm, me.group.units)}, {length(pole.diameter_mm, me.group.units)}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      {editing !== null && <PoleSheet pole={editing === 'new' ? null : editing} onClose={() => setEditing(null)} />}
    </section>
  );
}

function PoleSheet({ pole, onClose }: { pole: Pole | null; onClose: () => void }) {
  const [form, setForm] = useState({
    name: pole?.name ?? '',
    diameter_mm: String(pole?.diameter_mm ?? 60),
    length_mm: String(pole?.length_mm ?? 2500),
    count: String(pole?.count ?? 1),
  });
  const done = (): void => {
    void queryClient.invalidateQueries({ queryKey: storeQuery.queryKey });
    onClose();
  };
  const save = useMutation({
    mutationFn: () => {
      const body = {
        name: form.name,
        diameter_mm: Number(form.diameter_mm),
        length_mm: Number(form.length_mm),
        count: Number(form.count),
      };
      return pole === null ? call('POST', '/api/poles', body) : call('PUT', `/api/poles/${pole.id}`, body);
    },
    onSuccess: done,
  });
  const remove = useMutation({ mutationFn: () => call('DELETE', `/api/poles/${pole?.id ?? ''}`), onSuccess: done });
  const field = (name: keyof typeof form, rest: { inputMode?: 'numeric'; maxLength?: number }) => (
    <TextField
      label={words.poles[name]}
      required
      {...rest}
      value={form[name]}
      onChange={(event) => setForm({ ...form, [name]: event.target.value })}
      fault={save.error instanceof ApiProblem ? save.error.about(`/${name}`) : undefined}
    />
  );
  return (
    <Sheet open onClose={onClose} title={pole === null ? words.poles.add : pole.name}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Faults error={save.error ?? remove.error} />
        {field('name', limits.NewPole.name)}
        <div className="grid grid-cols-2 gap-3">
          {field('diameter_mm', { inputMode: 'numeric' })}
          {field('length_mm', { inputMode: 'numeric' })}
          {field('count', { inputMode: 'numeric' })}
        </div>
        <div className="flex flex-wrap gap-3">
          <Button look="signal" type="submit" disabled={save.isPending}>
            {words.save}
          </Button>
          {pole && (
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              {words.poles.remove}
            </Button>
          )}
        </div>
      </form>
    </Sheet>
  );
}
