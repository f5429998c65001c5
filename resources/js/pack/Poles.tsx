import { Plus } from 'lucide-react';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import * as limits from '../api/limits';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { length, metres, number } from '../words/format';
import { words } from '../words';
import { KeepSheet } from './KeepSheet';

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
  const field = (
    name: keyof typeof form,
    fault: (field: string) => string | undefined,
    rest: { inputMode?: 'numeric'; maxLength?: number } = { inputMode: 'numeric' },
  ) => (
    <TextField
      label={words.poles[name]}
      required
      {...rest}
      value={form[name]}
      onChange={(event) => setForm({ ...form, [name]: event.target.value })}
      fault={fault(name)}
    />
  );
  const body = () => ({
    name: form.name,
    diameter_mm: Number(form.diameter_mm),
    length_mm: Number(form.length_mm),
    count: Number(form.count),
  });
  return (
    <KeepSheet
      isNew={pole === null}
      title={pole === null ? words.poles.add : pole.name}
      removal={words.poles.remove}
      keep={() =>
        pole === null
          ? call('POST', '/api/poles', { body: body() })
          : call('PUT', '/api/poles/{pole}', { params: { path: { pole: pole.id } }, body: body() })
      }
      drop={() => call('DELETE', '/api/poles/{pole}', { params: { path: { pole: pole?.id ?? '' } } })}
      onClose={onClose}
    >
      {(fault) => (
        <>
          {field('name', fault, limits.NewPole.name)}
          <div className="grid grid-cols-2 gap-3">
            {field('diameter_mm', fault)}
            {field('length_mm', fault)}
            {field('count', fault)}
          </div>
        </>
      )}
    </KeepSheet>
  );
}
