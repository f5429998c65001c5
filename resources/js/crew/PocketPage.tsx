import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { useRef, useState, type KeyboardEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { crewQuery, courseQuery, knotsQuery } from '../api/queries';
import { record } from '../check/events';
import { cleanPass, type Parts } from '../check/useChecks';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Toggle } from '../ui/Toggle';
import { Failure, Loading } from '../ui/states';
import { dayLong } from '../words/format';
import { words } from '../words';

type Crew = Schemas['Crew'];
type Digit = '1' | '2' | '3';

/** More columns than this do not fit a pocket. */
const FITS = 8;

const VERDICT = { 1: 'has_it', 2: 'with_help', 3: 'tie_again' } as const;

/** A list for a wet pocket: printed blank, and typed in afterwards with arrows and 1, 2, 3. */
export function PocketPage() {
  const crew = useQuery(crewQuery);
  const course = useQuery(courseQuery);
  const about = useQuery(knotsQuery);
  const me = useMe();
  const [query, setQuery] = useSearchParams();
  if (crew.isPending || course.isPending || about.isPending) return <Loading />;
  if (crew.isError) return <Failure error={crew.error} retry={() => void crew.refetch()} />;
  const meeting =
    course.data?.meetings.find((one) => one.id === me.tonight) ??
    course.data?.meetings.find((one) => one.state !== 'past');
  const planned = [
    ...new Set(
      (meeting?.blocks ?? [])
        .flatMap((block) => [block.knot, ...block.beside.map((one) => one.knot)])
        .filter((knot) => knot !== null),
    ),
  ];
  const asked = query
    .get('knots')
    ?.split(',')
    .filter((knot) => knot !== '');
  const chosen = asked ?? (planned.length > 0 ? planned : crew.data.knots.map((knot) => knot.id)).slice(0, FITS);
  const knots = crew.data.knots.filter((knot) => chosen.includes(knot.id));
  const toggle = (id: string): void =>
    setQuery(
      { knots: (chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]).join(',') },
      { replace: true },
    );
  return (
    <div className="flex max-w-5xl flex-col gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <Link to="/crew" className="inline-flex min-h-12 items-center text-soft underline print:hidden">
            {words.crew.title}
          </Link>
          <h1 className="text-3xl">{words.pocket.title}</h1>
          <p className="text-soft">{meeting ? dayLong(meeting.date) : ''}</p>
        </div>
        <Button onClick={() => window.print()} className="print:hidden">
          <Printer aria-hidden className="size-5" /> {words.pocket.print}
        </Button>
      </div>
      <p className="max-w-prose print:text-sm">{words.pocket.about}</p>
      <details className="print:hidden">
        <summary className="min-h-12 content-center font-semibold">{words.pocket.knots({ n: knots.length })}</summary>
        <div className="flex flex-wrap gap-2 pb-2">
          {crew.data.knots.map((knot) => (
            <Toggle key={knot.id} on={chosen.includes(knot.id)} onClick={() => toggle(knot.id)}>
              {knot.name}
            </Toggle>
          ))}
        </div>
      </details>
      {knots.length === 0 ? (
        <p>{words.pocket.none}</p>
      ) : (
        <Grid crew={crew.data} knots={knots} parts={about.data?.knots ?? []} meeting={me.tonight} />
      )}
    </div>
  );
}

function Grid({
  crew,
  knots,
  parts,
  meeting,
}: {
  crew: Crew;
  knots: Crew['knots'];
  parts: Schemas['KnotAbout'][];
  meeting: string | null;
}) {
  const [typed, setTyped] = useState<Record<string, { digit: Digit; id: string }>>({});
  const table = useRef<HTMLTableElement>(null);
  const write = async (
    learner: Crew['learners'][number],
    knot: Crew['knots'][number],
    digit: Digit | null,
  ): Promise<void> => {
    const key = `${learner.id} ${knot.id}`;
    const before = typed[key];
    const about = { learner: learner.id, knot: knot.id, meeting };
    const has = parts.find((one) => one.id === knot.id) ?? { has_dressing: true, has_tail: true };
    if (before)
      await record(
        { kind: 'retract', target: before.id, ...about },
        learner.name,
        { verdict: 'incomplete', next: '' },
        0,
      );
    if (digit === null) {
      setTyped((now) => Object.fromEntries(Object.entries(now).filter(([one]) => one !== key)));
      return;
    }
    const { id } = await record(
      { ...digitParts(digit, has), ...about },
      learner.name,
      { verdict: VERDICT[digit], next: '' },
      0,
    );
    setTyped((now) => ({ ...now, [key]: { digit, id } }));
  };
  const move = (row: number, column: number): void =>
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus();
  const onKey = (event: KeyboardEvent, row: number, column: number): void => {
    const ways: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      Enter: [1, 0],
    };
    const way = ways[event.key];
    const learner = crew.learners[row];
    const knot = knots[column];
    if (way) {
      event.preventDefault();
      move(row + way[0], column + way[1]);
    } else if (learner && knot && (event.key === '1' || event.key === '2' || event.key === '3')) {
      void write(learner, knot, event.key);
      // Down the column, as the list was filled in.
      move(row + 1, column);
    } else if (learner && knot && (event.key === '0' || event.key === 'Backspace' || event.key === 'Delete')) {
      event.preventDefault();
      void write(learner, knot, null);
    }
  };
  return (
    <div className="relative overflow-auto print:overflow-visible">
      <table ref={table} data-testid="pocket" className="border-collapse print:text-sm">
        <thead>
          <tr>
            <th className="p-2 text-left text-sm text-soft">{words.crew.learner}</th>
            {knots.map((knot) => (
              <th key={knot.id} scope="col" className="w-24 p-1 align-bottom text-sm leading-tight">
                {knot.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {crew.learners.map((learner, row) => (
            <tr key={learner.id}>
              <th scope="row" className="border border-soft p-2 text-left font-semibold whitespace-nowrap">
                {learner.name}
              </th>
              {knots.map((knot, column) => {
                const now = typed[`${learner.id} ${knot.id}`];
                const level = learner.marks[knot.id]?.level;
                return (
                  <td key={knot.id} className="border border-soft p-0 text-center">
                    <button
                      type="button"
                      data-cell={`${row} ${column}`}
                      tabIndex={row === 0 && column === 0 ? 0 : -1}
                      onKeyDown={(event) => onKey(event, row, column)}
                      className="grid h-12 w-full place-items-center text-xl font-bold focus:bg-hemp/40 print:h-8"
                    >
                      <span className="sr-only">
                        {learner.name}, {knot.name}: {now ? words.pocket.digits[now.digit] : words.pocket.blank}
                      </span>
                      {now ? (
                        <span aria-hidden className="print:hidden">
                          {now.digit}
                        </span>
                      ) : (
                        <span aria-hidden className="text-xs font-normal text-soft">
                          {level ? words.levels[level] : ''}
                        </span>
                      )}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p role="status" className="pt-2 text-soft print:hidden">
        {words.pocket.written({ n: Object.keys(typed).length })}
      </p>
    </div>
  );
}

function digitParts(digit: Digit, knot: { has_dressing: boolean; has_tail: boolean }): Parts & { kind: 'result' } {
  const clean = cleanPass(knot);
  if (digit === '1') return clean;
  if (digit === '2') return { ...clean, prompts: 1 };
  return {
    ...clean,
    tying: 'no',
    ...(knot.has_dressing ? { dressing: 'not_looked' as const } : {}),
    ...(knot.has_tail ? { tail: 'not_looked' as const } : {}),
  };
}
