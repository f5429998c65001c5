import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { words } from '../words/en';
import { whoIsThere } from './people';

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
  return (
    <div
      data-testid="station"
      className={`min-w-0 flex-1 basis-56 rounded-lg bg-card px-3 py-2 print:basis-40 print:border-0 print:border-s-2 print:border-ink print:p-0 print:ps-1 print:text-sm print:leading-tight ${own ? 'border-2 border-signal' : 'border border-line'}`}
    >
      {number !== undefined && (
        <span className="text-sm text-soft">
          {words.course.station(number)}
          {station.checkers > 0 && `, ${words.course.checking(station.checkers)}`}
        </span>
      )}
      <strong className="block leading-tight">{knots[station.knot ?? ''] ?? station.knot}</strong>
      <span className="block text-sm">{whoIsThere(station.learners, people)}</span>
      {station.helpers.length > 0 && (
        <span className="block text-sm font-semibold text-right">
          {words.course.helps(whoIsThere(station.helpers, people))}
        </span>
      )}
      {children}
    </div>
  );
}
