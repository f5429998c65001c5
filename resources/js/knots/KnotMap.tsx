import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { knotsQuery } from '../api/queries';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { KnotOutline } from './KnotOutline';
import { PickedKnot } from './PickedKnot';
import { beginnings, hangingFrom, lookOf, wayOf } from './ways';

type About = Schemas['KnotAbout'];
type Placed = { knot: About; x: number; y: number };

const COLUMN = 250;
const ROW = 56;
const WIDE = 176;
const HIGH = 48;

/** Which knot builds on which: each stands to the right of those it needs, and near them. */
export function KnotMap() {
  const knots = useQuery(knotsQuery);
  if (knots.isPending) return <Loading />;
  if (knots.isError) return <Failure error={knots.error} retry={() => void knots.refetch()} />;
  return <Map knots={knots.data.knots} />;
}

function place(knots: About[]): Placed[] {
  const rows = new globalThis.Map<string, number>();
  let next = 0;
  // Each stands halfway down what hangs from it.
  const hang = (knot: About): number => {
    const below = hangingFrom(knot.id, knots).map(hang);
    const row = below.length === 0 ? next++ : ((below[0] ?? 0) + (below.at(-1) ?? 0)) / 2;
    rows.set(knot.id, row);
    return row;
  };
  beginnings(knots).forEach(hang);
  return knots.map((knot) => ({ knot, x: knot.depth * COLUMN, y: (rows.get(knot.id) ?? 0) * ROW }));
}

function Map({ knots }: { knots: About[] }) {
  const placed = useMemo(() => place(knots), [knots]);
  const at = new globalThis.Map(placed.map((one) => [one.knot.id, one]));
  const [picked, setPicked] = useState<string | null>(null);
  const way = picked === null ? null : wayOf(picked, knots);
  const pick = (id: string): void => setPicked(picked === id ? null : id);
  const board = useRef<HTMLDivElement>(null);
  const width = Math.max(...placed.map((one) => one.x)) + WIDE;
  const height = Math.max(...placed.map((one) => one.y)) + HIGH;
  const lines = placed
    .flatMap((to) =>
      to.knot.prerequisites.map((id) => ({
        id: `${id} ${to.knot.id}`,
        from: at.get(id),
        to,
        lit: way !== null && way.has(id) && way.has(to.knot.id),
      })),
    )
    .filter((line) => line.from !== undefined);
  // Right to what builds on it, left to what it needs, up and down within the column.
  const walk = (event: KeyboardEvent, { knot, x, y }: Placed): void => {
    const column = placed.filter((one) => one.x === x).sort((a, b) => a.y - b.y);
    const there = {
      ArrowRight: knots.find((one) => one.prerequisites.includes(knot.id))?.id,
      ArrowLeft: knot.prerequisites[0],
      ArrowDown: column.find((one) => one.y > y)?.knot.id,
      ArrowUp: column.filter((one) => one.y < y).at(-1)?.knot.id,
    }[event.key];
    if (there === undefined) return;
    event.preventDefault();
    setPicked(there);
    board.current?.querySelector<HTMLElement>(`[data-knot="${there}"]`)?.focus();
  };
  const chosen = picked === null ? undefined : at.get(picked)?.knot;
  return (
    <div className="flex flex-col gap-4">
      <div>
        <Link to="/show" className="inline-flex min-h-12 items-center text-soft underline">
          {words.show.title}
        </Link>
        <h1 className="text-3xl">{words.knot.mapTitle}</h1>
        <p className="text-soft">{words.knot.mapAbout}</p>
      </div>
      <KnotOutline knots={knots} picked={picked} way={way} onPick={pick} />
      <div className="hidden gap-4 rail:flex rail:items-start">
        <div className="min-w-0 flex-1 overflow-x-auto pb-3" tabIndex={-1}>
          <div ref={board} className="relative" style={{ width, height }}>
            <svg aria-hidden width={width} height={height} className="absolute inset-0" fill="none">
              {lines.map((line) => (
                <path
                  key={line.id}
                  d={curve(line.from, line.to)}
                  stroke={line.lit ? 'var(--signal)' : 'var(--hemp)'}
                  strokeWidth={line.lit ? 4 : 2.5}
                  opacity={way === null || line.lit ? 1 : 0.25}
                />
              ))}
            </svg>
            {placed.map((one) => (
              <button
                key={one.knot.id}
                type="button"
                data-knot={one.knot.id}
                aria-pressed={picked === one.knot.id}
                onClick={() => pick(one.knot.id)}
                onKeyDown={(event) => walk(event, one)}
                className={`absolute rounded-xl border-2 px-2 text-left text-[0.92rem] leading-tight font-semibold ${lookOf(one.knot.id, picked, way)} ${way !== null && !way.has(one.knot.id) ? 'opacity-45' : ''}`}
                style={{ left: one.x, top: one.y, width: WIDE, height: HIGH }}
              >
                {one.knot.name}
              </button>
            ))}
          </div>
        </div>
        {chosen && (
          <div className="hidden rail:sticky rail:top-6 rail:block rail:w-72">
            <PickedKnot knot={chosen} />
          </div>
        )}
      </div>
    </div>
  );
}

function curve(from: Placed | undefined, to: Placed): string {
  if (!from) return '';
  const [x1, y1, x2, y2] = [from.x + WIDE, from.y + HIGH / 2, to.x, to.y + HIGH / 2];
  const bend = Math.max(30, (x2 - x1) / 2);
  return `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
}
