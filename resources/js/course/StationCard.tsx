import type { ReactNode, Ref } from 'react';
import type { Schemas } from '../api/client';
import { words } from '../words';
import { whoIsThere } from './people';

export type Station = Pick<Schemas['Block'], 'kind' | 'knot' | 'learners' | 'helpers' | 'checkers'>;

/** One knot at one place: who learns it there, who helps, how many check. */
export function StationCard({
  station,
  number,
  knots,
  people,
  patrol,
  own = false,
  frame,
  takes = false,
  chips,
  children,
}: {
  station: Station;
  /** Its number in the round; left out where it is the only one. */
  number?: number | undefined;
  knots: Record<string, string>;
  people: Record<string, string>;
  /** Whose station it is, where it is one patrol’s. */
  patrol?: string | undefined;
  /** Led by who looks on. */
  own?: boolean;
  frame?: Ref<HTMLDivElement>;
  /** Somebody who is dragged over it would be let go here. */
  takes?: boolean;
  /** Who learns there, each by themselves, in place of the line of names. */
  chips?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <div
      ref={frame}
      data-testid="station"
      className={`min-w-0 flex-1 basis-56 rounded-lg px-3 py-2 print:basis-40 print:border-0 print:border-s-2 print:border-ink print:p-0 print:ps-1 print:text-sm print:leading-tight ${own ? 'border-2 border-signal' : 'border border-line'} ${takes ? 'bg-wash outline-3 outline-signal' : 'bg-card'}`}
    >
      {number !== undefined && (
        <span className="text-sm text-soft">
          {words.course.station({ n: number })}
          {station.checkers > 0 && `, ${words.course.checking({ n: station.checkers })}`}
        </span>
      )}
      {patrol !== undefined && (
        <span className="block font-display text-lg leading-tight font-bold break-words text-hemp-deep print:text-sm">
          {patrol}
        </span>
      )}
      <strong className="block leading-tight">{knots[station.knot ?? ''] ?? station.knot}</strong>
      <span className={`block text-sm ${chips ? 'sr-only print:not-sr-only' : ''}`}>
        {whoIsThere(station.learners, people)}
      </span>
      {chips}
      {station.helpers.length > 0 && (
        <span className="block text-sm font-semibold text-right">
          {words.course.helps({ names: whoIsThere(station.helpers, people) })}
        </span>
      )}
      {children}
    </div>
  );
}
