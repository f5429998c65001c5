import { useMutation, useQuery } from '@tanstack/react-query';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { queryClient, storeQuery } from '../api/queries';
import * as limits from '../api/limits';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { optionsOf, SelectField, TextField } from '../ui/Field';
import { Failure, Faults, Loading } from '../ui/states';
import { length, metres, number } from '../words/format';
import { words } from '../words';
import { KeepSheet } from './KeepSheet';
import { Poles } from './Poles';

type Stock = Schemas['Stock'];

/** Coils and pieces: what there is, what is out, counted with two thumbs. */
export function StorePage() {
  const me = useMe();
  const store = useQuery(storeQuery);
  const [editing, setEditing] = useState<Stock | 'new' | null>(null);
  const change = useMutation({
    mutationFn: ({ stock, to }: { stock: Stock; to: Schemas['StockChange'] }) =>
      call('PUT', '/api/store/{stock}', { params: { path: { stock: stock.id } }, body: to }),
    onMutate: ({ stock, to }) => {
      queryClient.setQueryData(storeQuery.queryKey, (now) =>
        now
          ? {
              ...now,
              stocks: now.stocks.map((one) =>
                one.id === stock.id ? { ...one, ...to, colour: to.colour ?? one.colour } : one,
              ),
            }
          : now,
      );
    },
    onSettled: () => void queryClient.invalidateQueries({ queryKey: storeQuery.queryKey }),
  });
  if (store.isPending) return <Loading />;
  if (store.isError) return <Failure error={store.error} retry={() => void store.refetch()} />;
  const step = (stock: Stock, field: 'count' | 'taken', by: number) => (
    <button
      type="button"
      disabled={
        !me.may.teach ||
        (field === 'taken'
          ? stock.taken + by < 0 || stock.taken + by > stock.count
          : stock.count + by < Math.max(1, stock.taken))
      }
      aria-label={words.store.step[field][by > 0 ? 'more' : 'fewer']({ name: stock.name })}
      onClick={() => change.mutate({ stock, to: { [field]: stock[field] + by } })}
      className="grid size-12 place-items-center rounded-lg border border-line bg-card hover:bg-wash disabled:opacity-40"
    >
      {by > 0 ? <Plus aria-hidden /> : <Minus aria-hidden />}
    </button>
  );
  return (
    <div className="flex max-w-5xl flex-col gap-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">{words.store.title}</h1>
          <p className="text-soft">{words.store.about}</p>
        </div>
        {me.may.teach && (
          <Button onClick={() => setEditing('new')}>
            <Plus aria-hidden className="size-5" /> {words.store.add}
          </Button>
        )}
      </div>
      <Faults error={change.error} />
      {store.data.stocks.length === 0 && <p>{words.store.empty}</p>}
      <ul className="grid gap-3 rail:grid-cols-2">
        {store.data.stocks.map((stock) => (
          <li key={stock.id} className="rounded-xl border border-line bg-card p-4">
            <button
              type="button"
              className="w-full text-start"
              onClick={() => setEditing(stock)}
              disabled={!me.may.teach}
            >
              <strong className="block text-lg leading-tight">{stock.name}</strong>
              <span className="text-sm text-soft">
                {words.store.kinds[stock.kind]}, {length(stock.diameter_mm, me.group.units)},{' '}
                {words.materials[stock.material]}, {words.store.lays[stock.lay]}
                {stock.colour && `, ${stock.colour}`}, {words.store.ends[stock.ends]}
              </span>
            </button>
            <div className="mt-3 grid grid-cols-[1fr_auto_auto] items-center gap-x-3 gap-y-2">
              <span>
                <strong className="text-xl tabular-nums">
                  {number(stock.count)} × {metres(stock.length_mm, me.group.units)}
                </strong>{' '}
                <span className="text-sm text-soft">{words.store.there}</span>
              </span>
              {step(stock, 'count', -1)}
              {step(stock, 'count', 1)}
              <span className={stock.taken > 0 ? 'font-semibold' : 'text-soft'}>
                {words.store.out({ n: stock.taken })}
              </span>
              {step(stock, 'taken', -1)}
              {step(stock, 'taken', 1)}
            </div>
          </li>
        ))}
      </ul>
      <Poles poles={store.data.poles} />
      {editing !== null && <StockSheet stock={editing === 'new' ? null : editing} onClose={() => setEditing(null)} />}
    </div>
  );
}

function StockSheet({ stock, onClose }: { stock: Stock | null; onClose: () => void }) {
  const [form, setForm] = useState({
    name: stock?.name ?? '',
    kind: stock?.kind ?? 'coil',
    diameter_mm: String(stock?.diameter_mm ?? 10),
    material: stock?.material ?? 'natural',
    lay: stock?.lay ?? 'right',
    colour: stock?.colour ?? '',
    ends: stock?.ends ?? 'whipped',
    length_mm: String(stock?.length_mm ?? 30000),
    count: String(stock?.count ?? 1),
  });
  const set =
    (field: keyof typeof form) =>
    (event: { target: { value: string } }): void =>
      setForm({ ...form, [field]: event.target.value });
  const body = () => ({
    ...form,
    colour: form.colour.trim() === '' ? null : form.colour.trim(),
    diameter_mm: Number(form.diameter_mm),
    length_mm: Number(form.length_mm),
    count: Number(form.count),
  });
  return (
    <KeepSheet
      isNew={stock === null}
      title={stock === null ? words.store.add : stock.name}
      removal={words.store.remove}
      keep={() =>
        stock === null
          ? call('POST', '/api/store', { body: body() })
          : call('PUT', '/api/store/{stock}', { params: { path: { stock: stock.id } }, body: body() })
      }
      drop={() => call('DELETE', '/api/store/{stock}', { params: { path: { stock: stock?.id ?? '' } } })}
      onClose={onClose}
    >
      {(fault) => (
        <>
          <TextField
            label={words.store.name}
            required
            {...limits.NewStock.name}
            value={form.name}
            onChange={set('name')}
            fault={fault('name')}
          />
          <div className="grid grid-cols-2 gap-3">
            <SelectField
              label={words.store.kind}
              value={form.kind}
              onChange={set('kind')}
              options={optionsOf(words.store.kinds)}
            />
            <TextField
              label={words.store.diameter}
              inputMode="decimal"
              required
              value={form.diameter_mm}
              onChange={set('diameter_mm')}
              fault={fault('diameter_mm')}
            />
            <SelectField
              label={words.store.material}
              value={form.material}
              onChange={set('material')}
              options={optionsOf(words.materials)}
            />
            <SelectField
              label={words.store.lay}
              value={form.lay}
              onChange={set('lay')}
              options={optionsOf(words.store.lays)}
            />
            <TextField
              label={words.store.colour}
              {...limits.NewStock.colour}
              value={form.colour}
              onChange={set('colour')}
            />
            <SelectField
              label={words.store.end}
              value={form.ends}
              onChange={set('ends')}
              options={optionsOf(words.store.ends)}
            />
            <TextField
              label={words.store.length}
              inputMode="numeric"
              required
              value={form.length_mm}
              onChange={set('length_mm')}
              fault={fault('length_mm')}
            />
            <TextField
              label={words.store.count}
              inputMode="numeric"
              required
              value={form.count}
              onChange={set('count')}
              fault={fault('count')}
            />
          </div>
        </>
      )}
    </KeepSheet>
  );
}
