import { memo, useId } from 'react';
import type { Schemas } from '../api/client';
import type { Moment } from './moment';
import { type Seen, RopePiece, runsOnAt } from './RopePiece';
import { FADE, GRAIN, RING, WOOD_OUTLINE } from './look';
import { fadeAt, numbered, type Strand } from './rope';

type Drawing = Schemas['Drawing'];
type Piece = Drawing['pieces'][number];
type Stretch = Schemas['Stretch'];

/** An end that has gone this far past a piece no longer shows on it: neither its whipping nor the room it leaves the arrows. */
const NEAR = 1.7;

/** The ends that fade out of the picture: false for the first, true for the last. */
function fadesOf(strand: Strand, moment: Moment | null): boolean[] {
  const isWhole = (moment?.reach[strand.id] ?? strand.length) > strand.length - 1e-3;
  const { start, end } = runsOnAt(strand);
  return [...(start ? [false] : []), ...(end && isWhole ? [true] : [])];
}

/** How much of a strand lies there: up to its reach and, of a bight that is still open, from its far side on. */
function seenOf(strand: Strand, moment: Moment | null): Seen {
  const far = moment?.far[strand.id] ?? Infinity;
  const came = moment?.reach[strand.id] ?? strand.length;
  const reach = came >= far - 1e-6 ? strand.length : came;
  return { reach, far, open: far !== Infinity && reach < strand.length };
}

/** What a piece has to know of it: where nothing of the piece changes from frame to frame, neither does this. */
function seenOn(piece: Piece, { reach, far, open }: Seen): Seen {
  const hold = (value: number): number => Math.max(piece.from - 0.01, Math.min(piece.to + NEAR, value));
  const isTip = open && reach > piece.from && reach <= piece.to;
  return { reach: hold(reach), far: isTip ? far : hold(far), open };
}

const ObjectPiece = memo(function ObjectPiece({ strand, piece }: { strand: Strand; piece: Piece }) {
  const [dx, dy] = fadeAt(strand).across;
  return (
    <g>
      <path d={piece.d} stroke="var(--rope-line)" strokeWidth={strand.width} />
      <path d={piece.d} stroke="var(--wood)" strokeWidth={strand.width - 2 * WOOD_OUTLINE} />
      {GRAIN.shares.map((share, n) => (
        <path
          key={share}
          d={piece.d}
          stroke="var(--grain)"
          strokeWidth={GRAIN.width}
          strokeDasharray={GRAIN.dashes[n % 3]}
          strokeDashoffset={n * GRAIN.shift}
          transform={`translate(${dx * share * strand.width} ${dy * share * strand.width})`}
        />
      ))}
    </g>
  );
});

/** A knot as the core drew it, up to a moment of its tying; without one, finished. */
export const KnotPicture = memo(function KnotPicture({
  drawing,
  moment,
  text,
  className,
  ringed,
  lit,
}: {
  drawing: Drawing;
  moment: Moment | null;
  text: string;
  className?: string;
  ringed?: number[][];
  lit?: Stretch[];
}) {
  const id = useId();
  const [x = 0, y = 0, width = 1, height = 1] = drawing.box;
  const ropes = numbered(drawing.strands);
  const strands = new Map(drawing.strands.map((strand) => [strand.id, strand]));
  const seen = new Map(drawing.strands.map((strand) => [strand.id, seenOf(strand, moment)]));
  return (
    <svg
      viewBox={`${x} ${y} ${width} ${height}`}
      {...(text === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': text })}
      className={className}
      fill="none"
      strokeLinejoin="round"
      data-testid="knot-picture"
    >
      <linearGradient id={id}>
        <stop offset="0" stopColor="var(--ground)" />
        <stop offset="1" stopColor="var(--ground)" stopOpacity="0" />
      </linearGradient>
      {lit?.map((stretch) => (
        <path
          key={`${stretch.strand} ${stretch.from}`}
          d={strands.get(stretch.strand)?.d}
          stroke="var(--signal)"
          strokeOpacity={0.5}
          strokeWidth={2.3}
          strokeDasharray={`0 ${stretch.from} ${stretch.to - stretch.from} 99999`}
        />
      ))}
      {drawing.pieces.map((piece, n) => {
        const strand = strands.get(piece.strand);
        if (!strand) return null;
        const rope = ropes.get(piece.strand);
        if (rope === undefined && moment?.reach[strand.id] === 0) return null;
        return rope === undefined ? (
          <ObjectPiece key={n} strand={strand} piece={piece} />
        ) : (
          <RopePiece
            key={n}
            piece={piece}
            strand={strand}
            rope={rope}
            air={drawing.air}
            {...seenOn(piece, seen.get(strand.id) ?? seenOf(strand, moment))}
            moved={moment?.moved[strand.id]}
          />
        );
      })}
      {drawing.strands
        .filter((strand) => ropes.has(strand.id))
        .flatMap((strand) =>
          fadesOf(strand, moment).map((isFar) => {
            const fade = fadeAt(strand, isFar);
            return (
              <rect
                key={`${strand.id} ${isFar}`}
                {...FADE}
                fill={`url(#${id})`}
                transform={`translate(${fade.x} ${fade.y}) rotate(${fade.angle})`}
              />
            );
          }),
        )}
      {ringed?.map(([cx, cy]) => (
        <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r={RING.radius} stroke="var(--signal)" strokeWidth={RING.width} />
      ))}
    </svg>
  );
});
