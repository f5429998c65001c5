import { Award } from 'lucide-react';
import { Fragment } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Mark } from '../drawing/Mark';
import { words } from '../words';
import { markWords } from '../drawing/markWords';

type Crew = Schemas['Crew'];
export type Zoom = 'near' | 'usual' | 'far';

/** What a zoom makes of a cell, in pixels; from far, the names of knots stand upright. */
const SIZES: Record<Zoom, { mark: number; column: string; row: string; head: string }> = {
  near: { mark: 44, column: 'w-28 min-w-28', row: 'min-h-16', head: 'text-base' },
  usual: { mark: 30, column: 'w-20 min-w-20', row: 'min-h-12', head: 'text-sm' },
  far: {
    mark: 20,
    column: 'w-7 min-w-7',
    row: 'min-h-7 text-sm',
    head: 'h-36 text-sm [writing-mode:vertical-rl] rotate-180 text-left',
  },
};

/** A sheet of paper lies across, and is so wide, in pixels, within its margins: A4 and Letter alike. */
const PAPER = 940;

/** How small the board has to be printed to stand on one sheet's width: names, a column a knot, badges as beads with their names. */
function printZoom(knots: number, learners: Crew['learners'], zoom: Zoom): number {
  const column = { near: 120, usual: 88, far: 36 }[zoom];
  const badges = Math.max(
    0,
    ...learners.map((one) =>
      one.badges.reduce((sum, badge) => sum + 60 + 13 * badge.needed + 9 * badge.name.length, 0),
    ),
  );
  return Math.min(1, Math.round((100 * PAPER) / (170 + knots * column + badges)) / 100);
}

/** Learners down, knots across; heads and names stay where they are while the rest is scrolled. */
export function Board({
  crew,
  learners,
  knots,
  zoom,
}: {
  crew: Crew;
  learners: Crew['learners'];
  knots: Crew['knots'];
  zoom: Zoom;
}) {
  const size = SIZES[zoom];
  const bands = (['5-7', '8-10', '11-13', '14+'] as const)
    .map((band) => ({ band, group: learners.filter((one) => one.age_band === band) }))
    .filter(({ group }) => group.length > 0);
  return (
    <div
      tabIndex={0}
      role="region"
      aria-label={words.crew.title}
      className="relative isolate -mx-4 max-h-[75dvh] overflow-auto px-4 rail:mx-0 rail:px-0 print:m-0 print:max-h-none print:overflow-visible print:p-0"
    >
      <style>{`@page { size: landscape; margin: 10mm } @media print { [data-testid=board] { zoom: ${printZoom(knots.length, learners, zoom)} } }`}</style>
      <table className="border-separate border-spacing-0" data-testid="board">
        <thead>
          <tr>
            <th
              scope="col"
              className="sticky top-0 left-0 z-20 bg-paper pr-3 pb-2 text-left align-bottom text-sm font-semibold text-soft"
            >
              {words.crew.learner}
            </th>
            {knots.map((knot) => (
              <th
                key={knot.id}
                scope="col"
                className={`sticky top-0 z-10 bg-paper px-1 pb-2 text-center align-bottom leading-tight font-semibold ${size.column}`}
              >
                <span className={`inline-block ${size.head}`}>{knot.name}</span>
              </th>
            ))}
            <th
              scope="col"
              className="sticky top-0 z-10 bg-paper pb-2 pl-5 text-left align-bottom text-sm font-semibold text-soft"
            >
              {words.crew.badges}
            </th>
          </tr>
        </thead>
        <tbody>
          {bands.map(({ band, group }) => (
            <Fragment key={band}>
              {bands.length > 1 && (
                <tr>
                  <th
                    scope="rowgroup"
                    colSpan={knots.length + 2}
                    className="border-t-2 border-hemp bg-paper pt-2 pb-1 text-left text-sm font-semibold text-soft"
                  >
                    <span className="sticky left-0">{words.bands[band]}</span>
                  </th>
                </tr>
              )}
              {group.map((learner) => (
                <tr key={learner.id} className="group">
                  <th
                    scope="row"
                    className="sticky left-0 z-10 border-t border-line bg-paper pr-3 text-left font-semibold whitespace-nowrap group-hover:bg-wash"
                  >
                    <Link
                      to={`/crew/${learner.id}`}
                      className={`flex items-center underline decoration-hemp decoration-2 underline-offset-4 ${size.row}`}
                    >
                      {learner.name}
                    </Link>
                  </th>
                  {knots.map((knot) => {
                    const mark = learner.marks[knot.id] ?? null;
                    const tonight = mark !== null && mark.day === crew.today;
                    return (
                      <td
                        key={knot.id}
                        className={`border-t border-line text-center group-hover:bg-wash ${tonight ? 'bg-wash' : ''}`}
                        title={mark === null ? undefined : markWords(mark)}
                      >
                        <span className="inline-flex align-middle">
                          <Mark mark={mark} label={`${knot.name}: ${markWords(mark)}`} size={size.mark} />
                        </span>
                      </td>
                    );
                  })}
                  <td className="border-t border-line pl-5 whitespace-nowrap group-hover:bg-wash">
                    {learner.badges.map((badge) => (
                      <BadgeCount key={badge.badge} badge={badge} />
                    ))}
                  </td>
                </tr>
              ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A badge as beads on a string: one for each requirement; one that is held by its name alone. */
function BadgeCount({ badge }: { badge: Schemas['BadgeProgress'] }) {
  if (badge.held)
    return (
      <span className="mr-4 inline-flex items-center gap-1.5 text-sm font-semibold">
        <Award aria-hidden className="size-4 text-right" /> {words.crew.held({ badge: badge.name })}
      </span>
    );
  return (
    <span className="mr-4 inline-flex items-center gap-2 text-sm">
      <span aria-hidden className="inline-flex">
        {Array.from({ length: badge.needed }, (_, n) => (
          <span
            key={n}
            className={`-mr-px size-3.5 rounded-full border-2 border-ink ${n < badge.met ? 'bg-hemp' : 'bg-paper'}`}
          />
        ))}
      </span>
      <span>
        {badge.name} {badge.met}/{badge.needed}
      </span>
    </span>
  );
}
