import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { ApiProblem, call, type Schemas } from '../api/client';
import { byCode } from '../api/corner';
import { type Line, meetings, type Meeting, steady, told } from '../drawing/crossings';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { type Kept, type Kit, kitQuery } from './kept';
import { LaidLines } from './LaidLines';
import { usePen } from './usePen';

type Said = Schemas['SaidOfDrawing'];

/** The rope under the finger. */
type Laying = { rope: string; points: number[][] };

/** Round what the knot needs, in rope widths: a hand wants room. */
const ROOM = 3;

/** The rope laid across a table with a finger; and what it is. */
export function DrawIt({ kept }: { kept: Kept }) {
  const { knot: id = '' } = useParams();
  const kit = useQuery(kitQuery(kept.corner, id));
  if (kit.isPending) return <Loading />;
  if (kit.isError) return <Failure error={kit.error} retry={() => void kit.refetch()} />;
  return (
    <main className="mx-auto flex min-h-dvh max-w-4xl flex-col gap-3 p-4 pb-[max(1rem,env(safe-area-inset-bottom))] [--ground:var(--card)] sm:p-6">
      <header className="flex items-center gap-2">
        <Link to={`/${id}`} aria-label={words.practice.toKnot} className="grid size-12 shrink-0 place-items-center">
          <X aria-hidden />
        </Link>
        <h1 className="text-2xl">{kit.data.knot.name}</h1>
      </header>
      {kit.data.table ? (
        <TableTop kit={kit.data} table={kit.data.table} code={kept.code} />
      ) : (
        <p>{words.practice.noTasks}</p>
      )}
    </main>
  );
}

function TableTop({ kit, table, code }: { kit: Kit; table: Schemas['Table']; code: string }) {
  const { laid, laying, flips, start, begin, go, lift, flip, clear } = useLaying(table);
  const [said, setSaid] = useState<Said | string | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [x = 0, y = 0, width = 1, height = 1] = kit.knot.loose.box;
  // About as high as it is broad: a phone is held upright.
  const [wide, high] = [Math.max(width, 0.8 * height) + 2 * ROOM, Math.max(height, 0.8 * width) + 2 * ROOM];
  const box = [x - (wide - width) / 2, y - (high - height) / 2, wide, high] as const;
  const pen = usePen({
    start,
    laying,
    box,
    go,
    lift,
    begin: (at) => {
      setSaid(null);
      begin(at);
    },
  });
  const lines = useMemo(() => linesOn(table, laid), [table, laid]);
  const found = useMemo(
    () => meetings(lines).map((one) => (flips.has(spot(one)) ? { ...one, firstOver: !one.firstOver } : one)),
    [lines, flips],
  );
  const place = (event: PointerEvent): number[] => {
    const at = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(at);
    return [point.x, point.y];
  };
  const ask = (): void => {
    const drawing = told(lines, found);
    const known = kit.known[drawing.key];
    if (Object.keys(laid).length === 0) setSaid(words.practice.draw.none);
    else if (known)
      setSaid({ ...known, parts_at: known.parts_at === null ? null : (drawing.met[known.parts_at] ?? null) });
    else void askEngine(kit, code, drawing).then(setSaid);
  };
  const parts = said !== null && typeof said !== 'string' && said.parts_at !== null ? found[said.parts_at] : undefined;
  return (
    <>
      <p className="text-soft">{words.practice.draw.about}</p>
      <div
        className="relative mx-auto w-full"
        style={{ aspectRatio: `${box[2]} / ${box[3]}`, maxWidth: `min(100%, ${(54 * box[2]) / box[3]}dvh)` }}
      >
        <svg
          ref={svg}
          viewBox={box.join(' ')}
          className="absolute inset-0 size-full touch-none rounded-2xl border-2 border-line bg-card"
          role="application"
          aria-label={words.practice.draw.table}
          aria-describedby="keys"
          tabIndex={0}
          onKeyDown={pen.onKeyDown}
          onFocus={pen.onFocus}
          onBlur={pen.onBlur}
          data-testid="table"
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            pen.hide();
            setSaid(null);
            begin(place(event));
          }}
          onPointerMove={(event) => go(place(event))}
          onPointerUp={lift}
          onPointerCancel={lift}
        >
          <LaidLines table={table} lines={lines} found={found} laying={laying} />
          {pen.at && (
            <circle
              cx={pen.at[0]}
              cy={pen.at[1]}
              r={laying ? 0.8 : 1.3}
              fill="none"
              stroke="var(--signal)"
              strokeWidth={0.35}
              data-testid="pen"
            />
          )}
          {parts && (
            <circle cx={parts.at[0]} cy={parts.at[1]} r={1.9} fill="none" stroke="var(--signal)" strokeWidth={0.35} />
          )}
        </svg>
        {laying === null &&
          found.map((one, n) =>
            one.fixed ? null : (
              <button
                key={spot(one)}
                type="button"
                aria-label={words.practice.draw.crossing({ n: n + 1 })}
                onClick={() => {
                  setSaid(null);
                  flip(one);
                }}
                style={{
                  left: `${((one.at[0] - box[0]) / box[2]) * 100}%`,
                  top: `${((one.at[1] - box[1]) / box[3]) * 100}%`,
                }}
                className="absolute size-9 -translate-1/2 rounded-full hover:bg-signal/15"
                data-testid="crossing"
              />
            ),
          )}
      </div>
      <p id="keys" className="text-soft pointer-coarse:sr-only">
        {words.practice.draw.keys}
      </p>
      <p aria-live="polite" className="sr-only">
        {laying ? words.practice.draw.taken : words.practice.draw.lies({ crossings: found.length })}
      </p>
      <p aria-live="polite" className="min-h-14 text-lg font-semibold" data-testid="said">
        {typeof said === 'string' ? said : said?.says}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <Button
          className="min-h-16 text-lg"
          onClick={() => {
            clear();
            setSaid(null);
          }}
        >
          {words.practice.draw.clear}
        </Button>
        <Button look="signal" className="min-h-16 text-lg" onClick={ask}>
          {words.practice.draw.ask}
        </Button>
      </div>
    </>
  );
}

/** A crossing is known again by where it lies, whatever is laid beside it. */
const spot = (one: Meeting): string => one.at.map((at) => at.toFixed(2)).join(' ');

/** All that lies on the table, in the order in which it is judged. */
function linesOn(table: Schemas['Table'], laid: Record<string, number[][]>): Line[] {
  return table.strands.map((strand) => ({
    id: strand.id,
    points: strand.rope ? (laid[strand.id] ?? []) : strand.points,
    holds: strand.held !== null,
  }));
}

/** Ropes are laid one after another, each from where it begins. */
function useLaying(table: Schemas['Table']) {
  const [laid, setLaid] = useState<Record<string, number[][]>>({});
  const down = useRef(laid);
  const [laying, show] = useState<Laying | null>(null);
  // A finger may be lifted before its last move was drawn.
  const held = useRef<Laying | null>(null);
  const setLaying = (next: Laying | null): void => {
    held.current = next;
    show(next);
  };
  const [flips, setFlips] = useState(new Set<string>());
  const next = table.strands.find((strand) => strand.rope && !laid[strand.id]);
  return {
    laid,
    laying,
    flips,
    /** where the next of them begins */
    start: next?.points.at(-1),
    begin: ([x = 0, y = 0]: number[]): void => {
      const left = table.strands.filter((strand) => strand.rope && !down.current[strand.id]);
      const far = ({ points: [[startX = 0, startY = 0] = []] }: (typeof left)[number]): number =>
        Math.hypot(startX - x, startY - y);
      const next = left.sort((a, b) => far(a) - far(b))[0];
      if (next) setLaying({ rope: next.id, points: [...next.points, [x, y]] });
    },
    go: (to: number[]): void => {
      if (held.current) setLaying({ ...held.current, points: [...held.current.points, to] });
    },
    lift: (): void => {
      const done = held.current;
      if (done && done.points.length > 2) {
        down.current = { ...down.current, [done.rope]: steady(done.points) };
        setLaid(down.current);
      }
      setLaying(null);
    },
    flip: (one: Meeting): void =>
      setFlips((now) => {
        const next = new Set(now);
        if (!next.delete(spot(one))) next.add(spot(one));
        return next;
      }),
    clear: (): void => {
      down.current = {};
      setLaid({});
      setFlips(new Set());
    },
  };
}

/** What the engine says of it; without a network it cannot be asked. */
async function askEngine(kit: Kit, code: string, drawing: ReturnType<typeof told>): Promise<Said | string> {
  const { knot } = kit;
  const strands = Object.entries(drawing.visits).map(([id, visits]) => ({
    id,
    visits: visits.map(([crossing, over]) => ({ crossing, over })),
  }));
  return call('POST', '/api/corner/drawn', {
    headers: byCode(code),
    body: {
      knot: knot.id,
      method: knot.method,
      view: knot.view === 'left' ? 'left' : 'learner',
      strands,
      turns: drawing.turns,
    },
  }).catch((error: unknown) => {
    if (error instanceof ApiProblem && error.status === 0) return words.practice.draw.network;
    return error instanceof ApiProblem && error.status === 422 ? words.practice.draw.tangled : String(error);
  });
}
