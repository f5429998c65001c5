import type { Schemas } from '../api/client';
import type { Line, Meeting } from '../drawing/crossings';
import { OUTLINE } from '../drawing/look';

/** So far on either side of a crossing the upper line is drawn once more, in rope widths beside its own half. */
const OVER = 1;

/** The room left beside a line that passes over another. */
const AIR = 0.31;

type Strand = Schemas['Table']['strands'][number];

/** Objects, ropes as they were laid, the rope that is being laid, and over and under at every crossing. */
export function LaidLines({
  table,
  lines,
  found,
  laying,
}: {
  table: Schemas['Table'];
  lines: Line[];
  found: Meeting[];
  laying: { rope: string; points: number[][] } | null;
}) {
  const ropes = table.strands.filter((strand) => strand.rope);
  const colour = (strand: Strand): string =>
    strand.rope ? `var(--rope-${(ropes.indexOf(strand) % 2) + 1})` : 'var(--wood)';
  return (
    <g fill="none" strokeLinejoin="round">
      {table.strands.map((strand, n) =>
        strand.held ? (
          <circle
            key={strand.id}
            cx={strand.held[0]}
            cy={strand.held[1]}
            r={1}
            stroke="var(--soft)"
            strokeDasharray="0.5 0.4"
            strokeWidth={0.22}
          />
        ) : (
          <Stroke key={strand.id} points={lines[n]?.points ?? []} width={strand.width} colour={colour(strand)} />
        ),
      )}
      {laying && <Stroke points={laying.points} width={1} colour="var(--rope-1)" />}
      {found.map((one) => {
        const number = one.firstOver ? one.first : one.second;
        const strand = table.strands[number];
        const under = table.strands[one.firstOver ? one.second : one.first];
        // Nobody sees what holds a loop.
        if (!strand || !under || strand.held || under.held) return null;
        const points = stretch(
          lines[number]?.points ?? [],
          one.firstOver ? one.firstAt : one.secondAt,
          under.width / 2 + OVER,
        );
        return (
          <g key={one.at.join(' ')}>
            <path d={path(points)} stroke="var(--ground)" strokeWidth={strand.width + 2 * AIR} />
            <Stroke points={points} width={strand.width} colour={colour(strand)} />
          </g>
        );
      })}
      {ropes.map((strand) => (
        <circle
          key={strand.id}
          cx={strand.points[0]?.[0]}
          cy={strand.points[0]?.[1]}
          r={0.9}
          fill={colour(strand)}
          stroke="var(--rope-line)"
          strokeWidth={0.3}
        />
      ))}
    </g>
  );
}

function Stroke({ points, width, colour }: { points: number[][]; width: number; colour: string }) {
  const d = path(points);
  return (
    <>
      <path d={d} stroke="var(--rope-line)" strokeWidth={width} />
      <path d={d} stroke={colour} strokeWidth={width - 2 * OUTLINE} />
    </>
  );
}

const path = (points: number[][]): string =>
  points.length < 2 ? '' : `M${points.map(([x = 0, y = 0]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}`;

/** The points of a line so far on either side of a place along it. */
function stretch(points: number[][], at: number, reach: number): number[][] {
  const middle = Math.floor(at);
  const [ax = 0, ay = 0] = points[middle] ?? [];
  const [bx = ax, by = ay] = points[middle + 1] ?? [];
  const here = [ax + (at - middle) * (bx - ax), ay + (at - middle) * (by - ay)];
  const walk = (from: number, by: 1 | -1): number[][] => {
    const found: number[][] = [];
    let left = reach;
    let [x = 0, y = 0] = here;
    for (let n = from; n >= 0 && n < points.length && left > 0; n += by) {
      const [toX = 0, toY = 0] = points[n] ?? [];
      const far = Math.hypot(toX - x, toY - y);
      const share = far > left ? left / far : 1;
      [x, y] = [x + share * (toX - x), y + share * (toY - y)];
      found.push([x, y]);
      left -= far;
    }
    return found;
  };
  return [...walk(middle, -1).reverse(), here, ...walk(middle + 1, 1)];
}
