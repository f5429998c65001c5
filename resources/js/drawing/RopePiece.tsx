import { memo } from 'react';
import type { Schemas } from '../api/client';
import { ARROWS, LAP, OUTLINE, SEAM, SHEEN, SHEEN_ENDS, TAPE_SHEEN, TRACER, WHIPPING } from './look';
import { arrowsOn, dashFor, tipBetween, type Strand } from './rope';

type Drawing = Schemas['Drawing'];
type Piece = Drawing['pieces'][number];

/** How much of a strand is to be seen: up to its reach, and of an open bight from its far side on. */
export type Seen = { reach: number; far: number; open: boolean };

export function runsOnAt(strand: Strand): { start: boolean; end: boolean } {
  return {
    start: strand.runs_on === 'start' || strand.runs_on === 'both',
    end: strand.runs_on === 'end' || strand.runs_on === 'both',
  };
}

/** The light on a rope lies along its upper side; tape is flat, and lies light between its two selvedges. */
function sheen(kind: string, inner: number): { strokeWidth: number; strokeOpacity: number; transform?: string } {
  return kind === 'tape'
    ? { strokeWidth: inner * TAPE_SHEEN.share, strokeOpacity: TAPE_SHEEN.opacity }
    : {
        strokeWidth: inner * SHEEN.share,
        strokeOpacity: SHEEN.opacity,
        transform: `translate(${SHEEN.x} ${SHEEN.y})`,
      };
}

/** What is seen of one piece of rope at a moment; of a bight both its sides, and the tip that joins them. */
export const RopePiece = memo(function RopePiece({
  piece,
  strand,
  rope,
  air,
  reach,
  far,
  open,
  moved,
}: { piece: Piece; strand: Strand; rope: number; air: number; moved: number[] | undefined } & Seen) {
  return (
    <>
      {piece.from < reach - 1e-6 && (
        <Tube
          piece={piece}
          strand={strand}
          rope={rope}
          air={air}
          first={piece.from}
          last={Math.min(piece.to, reach)}
          reach={reach}
          whipped={!open && !runsOnAt(strand).end}
          moved={moved}
        />
      )}
      {open && reach > piece.from && reach <= piece.to && (
        <Tip d={tipBetween(strand, reach, far)} width={strand.width} rope={rope} />
      )}
      {open && piece.to > far + 1e-6 && (
        <Tube
          piece={piece}
          strand={strand}
          rope={rope}
          air={air}
          first={Math.max(piece.from, far)}
          last={piece.to}
          reach={strand.length}
          whipped={!runsOnAt(strand).end}
          moved={undefined}
        />
      )}
    </>
  );
});

/** One stretch of rope: the gap it leaves in what it crosses, its tube, and its end. */
function Tube({
  piece,
  strand,
  rope,
  air,
  first,
  last,
  reach,
  whipped,
  moved,
}: {
  piece: Piece;
  strand: Strand;
  rope: number;
  air: number;
  first: number;
  last: number;
  reach: number;
  whipped: boolean;
  moved: number[] | undefined;
}) {
  const inner = strand.width - 2 * OUTLINE;
  const ends = reach <= piece.to + 1e-6;
  // Pieces overlap; bodies stop short of it, so that the light, which is laid a little aside, runs through.
  const lapped = first + (piece.from > 0 && first === piece.from ? LAP : 0);
  const stop = ends ? last : last - LAP;
  // An end that has come no further than the lap is drawn from where its piece begins.
  const from = stop - lapped > OUTLINE ? lapped : first;
  // A path cannot be drawn beyond its end: there the body stops short instead, so that the outline closes it.
  const body = ends && whipped && reach > strand.length - OUTLINE ? last - OUTLINE : stop;
  const [gapFrom = 0, gapTo = 0] = piece.gap ?? [];
  const gap = piece.gap && gapFrom < last && gapTo > first && (
    <path
      d={piece.d}
      stroke="var(--ground)"
      strokeWidth={strand.width + 2 * air}
      strokeDasharray={dashFor(piece, Math.max(first, gapFrom), Math.min(gapTo, last))}
    />
  );
  // Less than an outline of it is nothing to see.
  if (stop - from <= OUTLINE) return <g>{gap}</g>;
  return (
    <g>
      {gap}
      <path
        d={piece.d}
        stroke="var(--rope-line)"
        strokeWidth={strand.width}
        strokeDasharray={dashFor(piece, from + (first > 0 ? SEAM : 0), stop + (ends ? OUTLINE : -SEAM))}
      />
      <path
        d={piece.d}
        stroke={`var(--rope-${rope})`}
        strokeWidth={inner}
        strokeDasharray={dashFor(piece, from, body)}
      />
      <path
        d={piece.d}
        stroke={`var(--rope-${rope}-light)`}
        {...sheen(strand.kind, inner)}
        strokeDasharray={dashFor(piece, first, ends ? Math.max(first, body - SHEEN_ENDS) : last)}
      />
      {rope === 2 && <Tracer piece={piece} from={from} to={body} />}
      {whipped && <Whipping piece={piece} from={Math.max(from, reach - WHIPPING.length)} to={body} width={inner} />}
      {!runsOnAt(strand).start && (
        <Whipping piece={piece} from={from} to={Math.min(body, WHIPPING.length)} width={inner} />
      )}
      {moved && (
        <path
          d={arrowsOn(piece, moved, from, Math.min(stop, reach - ARROWS.last))}
          stroke="var(--rope-mark)"
          strokeWidth={ARROWS.width}
          strokeLinecap="round"
        />
      )}
    </g>
  );
}

/** The tip of a bight that is on its way. */
function Tip({ d, width, rope }: { d: string; width: number; rope: number }) {
  const inner = width - 2 * OUTLINE;
  return (
    <g>
      <path d={d} stroke="var(--rope-line)" strokeWidth={width} />
      <path d={d} stroke={`var(--rope-${rope})`} strokeWidth={inner} />
      <path d={d} stroke={`var(--rope-${rope}-light)`} {...sheen('rope', inner)} />
    </g>
  );
}

/** The second rope's stripe, so that it differs by more than its colour. */
function Tracer({ piece, from, to }: { piece: Piece; from: number; to: number }) {
  // Dashes lie at whole lengths along the strand, so that they keep their rhythm from piece to piece.
  const first = Math.ceil(from - TRACER.dash);
  const marks = Array.from(
    { length: Math.max(0, Math.ceil(to) - first) },
    (_, n) => [Math.max(from, first + n), Math.min(to, first + n + TRACER.dash)] as const,
  ).filter(([start, end]) => end > start);
  let at = piece.from;
  const pattern = marks
    .map(([start, end]) => {
      const gap = start - at;
      at = end;
      return `0 ${gap} ${end - start} 0`;
    })
    .join(' ');
  return marks.length > 0 ? (
    <path
      d={piece.d}
      stroke="var(--tracer)"
      strokeWidth={TRACER.width}
      strokeDasharray={`${pattern} 0 ${piece.to - piece.from + 9}`}
    />
  ) : null;
}

function Whipping({ piece, from, to, width }: { piece: Piece; from: number; to: number; width: number }) {
  if (from >= to) return null;
  return (
    <>
      <path d={piece.d} stroke="var(--whipping)" strokeWidth={width} strokeDasharray={dashFor(piece, from, to)} />
      {WHIPPING.turns.map((back) => {
        const at = to - back;
        return at > from ? (
          <path
            key={back}
            d={piece.d}
            stroke="var(--rope-mark)"
            strokeOpacity={WHIPPING.opacity}
            strokeWidth={width}
            strokeDasharray={dashFor(piece, at, at + WHIPPING.turn)}
          />
        ) : null;
      })}
    </>
  );
}
