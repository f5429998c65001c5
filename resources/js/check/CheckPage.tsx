import { useQuery } from '@tanstack/react-query';
import { type Ref, useEffect, useImperativeHandle, useRef, useState } from 'react';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { checkSheetQuery, knotsQuery, runSheetQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Failure, Faults, Loading } from '../ui/states';
import { length, millimetres } from '../words/format';
import { words } from '../words';
import { CheckHead } from './CheckHead';
import { FindBox, startsWith } from './FindBox';
import { inPlace } from './inPlace';
import { LearnerRow } from './LearnerRow';
import { lookUp } from './lookUp';
import { PartsSheet } from './PartsSheet';
import { UndoBar } from './UndoBar';
import { cleanPass, useChecks } from './useChecks';
import { useWalkIns, WalkInForm } from './WalkIns';
import { Toggle } from '../ui/Toggle';

type CheckSheet = Schemas['CheckSheet'];

export function CheckPage() {
  const { knot } = useParams();
  const knots = useQuery(knotsQuery);
  const tonight = useTonight();
  if (knots.isPending || tonight === null) return <Loading />;
  if (knots.isError) return <Failure error={knots.error} retry={() => void knots.refetch()} />;
  if (knot) return <OneKnot key={knot} knot={knot} knots={knots.data.knots} tonight={tonight.knots} />;
  // The knot tonight is at comes up by itself; then the one that was checked last.
  const last = localStorage.getItem('compadre-knot');
  const first =
    tonight.now ??
    (last !== null && (tonight.knots.length === 0 || tonight.knots.includes(last)) ? last : tonight.knots[0]) ??
    last ??
    knots.data.knots[0]?.id;
  return first ? <Navigate to={`/check/${first}`} replace /> : <p>{words.show.empty}</p>;
}

/** The knots of tonight's meeting in its order, and the one it is at; null until that is known. */
function useTonight(): { knots: string[]; now: string | null } | null {
  const me = useMe();
  const sheet = useQuery({ ...runSheetQuery(me.tonight ?? ''), enabled: me.tonight !== null });
  const blocks = sheet.data
    ? sheet.data.clock.blocks.length > 0
      ? sheet.data.clock.blocks
      : sheet.data.meeting.blocks
    : [];
  const running = sheet.data?.clock.blocks.find((one) => one.state === 'running');
  const found = blocks
    .flatMap((block) => [block.knot, ...block.beside.map((one) => one.knot)])
    .filter((one) => one !== null);
  return me.tonight !== null && sheet.isPending ? null : { knots: [...new Set(found)], now: running?.knot ?? null };
}

function OneKnot({ knot, knots, tonight }: { knot: string; knots: Schemas['KnotAbout'][]; tonight: string[] }) {
  const me = useMe();
  const [query, setQuery] = useSearchParams();
  const [text, setText] = useState('');
  const meeting = query.get('meeting') ?? me.tonight;
  const rope = query.get('rope');
  const sheet = useQuery(checkSheetQuery(knot, meeting, rope));
  // Tonight's knots first, then what the badges ask for; all others are found by their first letters.
  const offered = [
    ...knots.filter((one) => tonight.includes(one.id)).sort((a, b) => tonight.indexOf(a.id) - tonight.indexOf(b.id)),
    ...knots.filter((one) => !tonight.includes(one.id) && (one.badges.length > 0 || one.id === knot)),
  ];
  const named = text.trim() === '' ? [] : knots.filter((one) => one.names.some((name) => startsWith(name, text)));
  const shown = named.length > 0 ? named : offered.length > 0 ? offered : knots;
  const current = useRef<HTMLAnchorElement>(null);
  const openFirst = useRef<() => void>(null);
  useEffect(() => {
    localStorage.setItem('compadre-knot', knot);
    current.current?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [knot]);
  return (
    <div className="flex max-w-3xl flex-col gap-4">
      <CheckHead by="knot" />
      <FindBox label={words.check.find} value={text} onChange={setText} onEnter={() => openFirst.current?.()} />
      <span id="tonights" className="hidden">
        {words.course.tonight}
      </span>
      <nav aria-label={words.check.pickKnot} className="-mx-4 overflow-x-auto px-4">
        <ul className="flex gap-2 pb-1 rail:flex-wrap">
          {shown.map((one) => (
            <li key={one.id}>
              <Link
                ref={one.id === knot ? current : null}
                to={{ pathname: `/check/${one.id}`, search: query.toString() }}
                aria-current={one.id === knot ? 'page' : undefined}
                aria-describedby={tonight.includes(one.id) ? 'tonights' : undefined}
                className="flex min-h-12 items-center rounded-full border-2 border-line bg-card px-4 font-semibold whitespace-nowrap aria-[current=page]:border-ink aria-[current=page]:bg-ink aria-[current=page]:text-paper"
              >
                {tonight.includes(one.id) && <span aria-hidden className="mr-2 size-2.5 rounded-full bg-signal" />}
                {one.name}
              </Link>
            </li>
          ))}
        </ul>
      </nav>
      {sheet.isPending && <Loading />}
      {sheet.isError && <Failure error={sheet.error} retry={() => void sheet.refetch()} />}
      {sheet.data && (
        <Rows
          sheet={sheet.data}
          text={text}
          openFirst={openFirst}
          onRope={(id) => {
            query.set('rope', id);
            setQuery(query, { replace: true });
          }}
        />
      )}
    </div>
  );
}

function Rows({
  sheet,
  text,
  openFirst,
  onRope,
}: {
  sheet: CheckSheet;
  text: string;
  /** Opens the first learner that is left by what is looked for. */
  openFirst: Ref<() => void>;
  onRope: (id: string) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const [needOnly, setNeedOnly] = useState(() => sessionStorage.getItem('compadre-need-only') === 'yes');
  const me = useMe();
  const checks = useChecks();
  const meeting = sheet.meeting?.id ?? null;
  const walkIns = useWalkIns(sheet.rows.map((one) => one.id));
  // As they stood at the first tap: the sheet is asked for anew after each, and the server puts who is done behind the others.
  const [held, setHeld] = useState<{ rows: string[]; shown: string[] } | null>(null);
  const rows = inPlace([...walkIns, ...sheet.rows], held?.rows ?? null);
  const named = rows.filter((one) => startsWith(one.name, text));
  const shown = (named.length > 0 ? named : rows).filter(
    (one) => !needOnly || held?.shown.includes(one.id) === true || (one.wanted !== null && one.present !== false),
  );
  const row = rows.find((one) => one.id === open);
  const first = shown[0]?.id ?? null;
  useImperativeHandle(openFirst, () => () => setOpen(first), [first]);
  const toggle = (): void => {
    sessionStorage.setItem('compadre-need-only', needOnly ? 'no' : 'yes');
    setNeedOnly(!needOnly);
    setHeld(null);
  };
  const hold = (): void =>
    setHeld((now) => now ?? { rows: rows.map((one) => one.id), shown: shown.map((one) => one.id) });
  const look = (id: string): void => {
    hold();
    setOpen(id);
  };
  const pass = (one: CheckSheet['rows'][number]): void => {
    hold();
    const parts = cleanPass(sheet.knot);
    void checks.send({ learner: one.id, name: one.name, knot: sheet.knot.id, meeting }, parts, lookUp(sheet, parts));
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {sheet.ropes.length > 0 && (
          <label className="flex items-center gap-2">
            <span className="sr-only">{words.check.rope}</span>
            <select
              value={sheet.rope?.id ?? ''}
              onChange={(event) => onRope(event.target.value)}
              className="min-h-12 rounded-lg border border-soft bg-card px-2"
            >
              {sheet.ropes.map((rope) => (
                <option key={rope.id} value={rope.id}>
                  {rope.name}, {millimetres(rope.diameter_mm, 1)}
                </option>
              ))}
            </select>
          </label>
        )}
        <Toggle on={needOnly} onClick={toggle}>
          {words.check.needOnly}
        </Toggle>
        {sheet.tail && (
          <details className="min-w-0">
            <summary className="flex min-h-12 items-center gap-2">
              <strong>{words.check.tail({ mm: length(sheet.tail.required_mm, me.group.units) })}</strong>
              <span className="text-soft underline">{words.check.why}</span>
            </summary>
            <p className="max-w-prose pb-2 text-sm">{sheet.tail.reason}</p>
          </details>
        )}
      </div>
      <Faults error={checks.error} />
      {rows.length === 0 && <p>{words.check.none}</p>}
      {rows.length > 0 && shown.length === 0 && <p>{words.check.noneNeed}</p>}
      <ul className="flex flex-col gap-2">
        {shown.map((one) => (
          <LearnerRow
            key={one.id}
            row={one}
            busy={checks.busy === `${one.id} ${sheet.knot.id}`}
            onPass={() => pass(one)}
            onOpen={() => look(one.id)}
          />
        ))}
      </ul>
      <WalkInForm meeting={meeting} />
      {row && <PartsSheet key={row.id} sheet={sheet} row={row} checks={checks} onClose={() => setOpen(null)} />}
      <UndoBar last={checks.last} onUndo={() => void checks.undo()} />
    </>
  );
}
