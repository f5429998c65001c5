import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { listOf } from '../words/format';
import { words } from '../words/en';

export type Station = Pick<Schemas['Block'], 'kind' | 'knot' | 'learners' | 'helpers' | 'checkers'>;

/** One knot at one place: who learns it there, who helps, how many check. */
export function StationCard({
  station,
  number,
  knots,
  people,
  own = false,
  children,
}: {
  station: Station;
  /** Its number in the round; left out where it is the only one. */
  number?: number | undefined;
  knots: Record<string, string>;
  people: Record<string, string>;
  /** Led by who looks on. */
  own?: boolean;
  children?: ReactNode;
}) {
  const names = (ids: string[]): string => listOf(ids.map((id) => people[id] ?? '').filter(Boolean));
  const others = Object.keys(people).filter((id) => !station.learners.includes(id));
  return (
    <div
      className={`flex-1 basis-56 rounded-lg bg-card px-3 py-2 print:border print:border-ink print:p-1 ${own ? 'border-2 border-signal' : 'border border-line'}`}
    >
      {number !== undefined && (
        <span className="text-sm text-soft">
          {words.course.station(number)}
          {station.checkers > 0 && `, ${words.course.checking(station.checkers)}`}
        </span>
      )}
      <strong className="block leading-tight">{knots[station.knot ?? ''] ?? station.knot}</strong>
      <span className="block text-sm">
        {station.learners.length > 6 && others.length <= 4
          ? words.course.allBut(names(others))
          : names(station.learners)}
      </span>
      {station.helpers.length > 0 && (
        <span className="block text-sm font-semibold text-right">{words.course.helps(names(station.helpers))}</span>
      )}
      {children}
    </div>
  );
}
