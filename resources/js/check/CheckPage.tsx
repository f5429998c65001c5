import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { checkSheetQuery, knotsQuery } from '../api/queries';
import { useMe } from '../shell/me';
import { Failure, Faults, Loading } from '../ui/states';
import { length, number } from '../words/format';
import { words } from '../words/en';
import { LearnerRow } from './LearnerRow';
import { PartsSheet } from './PartsSheet';
import { UndoBar } from './UndoBar';
import { useChecks } from './useChecks';

type CheckSheet = Schemas['CheckSheet'];

export function CheckPage() {
  const { knot } = useParams();
  const knots = useQuery(knotsQuery);
  if (knots.isPending) return <Loading />;
  if (knots.isError) return <Failure error={knots.error} retry={() => void knots.refetch()} />;
  const first = localStorage.getItem('compadre-knot') ?? knots.data.knots[0]?.id;
  if (!knot) return first ? <Navigate to={`/check/${first}`} replace /> : <p>{words.show.empty}</p>;
  return <OneKnot key={knot} knot={knot} knots={knots.data.knots} />;
}

function OneKnot({ knot, knots }: { knot: string; knots: Schemas['KnotAbout'][] }) {
  const me = useMe();
  const [query, setQuery] = useSearchParams();
  const meeting = query.get('meeting') ?? me.tonight;
  const rope = query.get('rope');
  const sheet = useQuery(checkSheetQuery(knot, meeting, rope));
  localStorage.setItem('compadre-knot', knot);
  return (
    <div className="flex max-w-3xl flex-col gap-4">
      <h1 className="text-3xl">{words.check.title}</h1>
      <nav aria-label={words.check.pickKnot} className="-mx-4 overflow-x-auto px-4">
        <ul className="flex gap-2 pb-1 rail:flex-wrap">
          {knots.map((one) => (
            <li key={one.id}>
              <Link to={{ pathname: `/check/${one.id}`, search: query.toString() }} aria-current={one.id === knot ? 'page' : undefined} className="flex min-h-12 items-center rounded-full border-2 border-line bg-card px-4 font-semibold whitespace-nowrap aria-[current=page]:border-ink aria-[current=page]:bg-ink aria-[current=page]:text-paper">
                {one.name}
              </Link>
            </li>
          ))}
        </ul>
      </nav>
      {sheet.isPending && <Loading />}
      {sheet.isError && <Failure error={sheet.error} retry={() => void sheet.refetch()} />}
      {sheet.data && <Rows sheet={sheet.data} onRope={(id) => { query.set('rope', id); setQuery(query, { replace: true }); }} />}
    </div>
  );
}

function Rows({ sheet, onRope }: { sheet: CheckSheet; onRope: (id: string) => void }) {
  const [open, setOpen] = useState<string | null>(null);
  const me = useMe();
  const checks = useChecks(sheet);
  const row = sheet.rows.find((one) => one.id === open);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {sheet.ropes.length > 0 && (
          <label className="flex items-center gap-2">
            <span className="font-semibold">{words.check.rope}</span>
            <select value={sheet.rope?.id ?? ''} onChange={(event) => onRope(event.target.value)} className="min-h-12 rounded-lg border border-soft bg-card px-2">
              {sheet.ropes.map((rope) => <option key={rope.id} value={rope.id}>{rope.name}, {number(rope.diameter_mm, 1)} mm</option>)}
            </select>
          </label>
        )}
        {sheet.tail && (
          <details className="min-w-0">
            <summary className="flex min-h-12 items-center gap-2"><strong>{words.check.tail(length(sheet.tail.required_mm, me.group.units))}</strong><span className="text-soft underline">{words.check.why}</span></summary>
            <p className="max-w-prose pb-2 text-sm">{sheet.tail.reason}</p>
          </details>
        )}
      </div>
      <Faults error={checks.error} />
      {sheet.rows.length === 0 && <p>{words.check.none}</p>}
      <ul className="flex flex-col gap-2">
        {sheet.rows.map((one) => <LearnerRow key={one.id} row={one} busy={checks.busy === one.id} onPass={() => void checks.pass(one)} onOpen={() => setOpen(one.id)} />)}
      </ul>
      {row && <PartsSheet key={row.id} sheet={sheet} row={row} onClose={() => setOpen(null)} onRecord={(draft) => { setOpen(null); void checks.send(row, draft); }} />}
      <UndoBar last={checks.last} onUndo={() => void checks.undo()} />
    </>
  );
}
