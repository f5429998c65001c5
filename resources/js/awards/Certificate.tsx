import { dayOf, dayShort } from '../words/format';
import { words } from '../words';
import { OwnPicture, Tied } from './Pictures';
import { type Ink, inked, type Look, type One } from './print';
import { RopeFrame } from './RopeFrame';

/** As many knots as one page shows so large that they are seen from across a room. */
const KNOTS = 6;

/** How many of them stand beside each other, by how many there are. */
const COLUMNS = [1, 1, 2, 3, 2, 3, 3];

/** One certificate, a whole page: whose, for what, with the knots that were tied and where they were. */
export function Certificate({ of, look, ink }: { of: One; look: Look; ink: Ink }) {
  const colour = inked(look, ink);
  const knots = of.knots.slice(0, KNOTS);
  const columns = COLUMNS[knots.length] ?? 3;
  const over = knots.length % columns;
  return (
    <div className="relative -m-[10mm] flex min-h-0 flex-1 flex-col" data-testid="certificate">
      <RopeFrame colour={colour} />
      <div className="relative flex min-h-0 flex-1 flex-col px-[4em] pt-[3.2em] pb-[3.4em] text-center">
        <header className="flex items-center justify-center gap-[1em]">
          <OwnPicture look={look} ink={ink} className="h-[4.6em] max-w-[12em]" />
          <p className="font-display text-[1.5em] font-bold">{look.group}</p>
        </header>
        <h1 className="mt-[0.25em] text-[4.4em] leading-none text-balance" style={{ color: colour }}>
          {of.badge}
        </h1>
        <p className="mt-[0.9em] text-[1.15em]">{words.awards.awardedTo}</p>
        <p className="font-display text-[3.2em] leading-tight font-bold">{of.learner}</p>
        <p className="mx-auto max-w-[34em] text-[1.25em] text-balance">
          {of.by_hand && look.words === null ? words.awards.onTheirWord : (look.words ?? words.awards.usualWords)}
        </p>
        <ul
          className="my-[0.8em] grid min-h-0 flex-1 auto-rows-fr gap-x-[1.5em] gap-y-[0.5em]"
          style={{ gridTemplateColumns: `repeat(${2 * columns}, minmax(0, 1fr))` }}
        >
          {knots.map((knot, n) => (
            <li
              key={knot.id}
              className="flex min-h-0 flex-col"
              // Each takes two tracks, so that a row that is not full stands in the middle.
              style={{
                gridColumn: n === knots.length - over && over > 0 ? `${columns - over + 1} / span 2` : 'span 2',
              }}
            >
              <div className="relative min-h-0 flex-1">
                <Tied knot={knot} of={of} ink={ink} />
              </div>
              <p className="text-[1.05em] leading-tight font-semibold">{knot.name}</p>
            </li>
          ))}
        </ul>
        <Done of={of} />
        <footer className="mt-[0.9em] grid grid-cols-2 gap-[4em] px-[3em]">
          {[
            [words.awards.day, dayOf(of.day, 'long')],
            [words.awards.leader, of.by ?? ''],
          ].map(([label, value]) => (
            <p key={label}>
              <span className="block min-h-[1.5em] text-[1.1em] font-semibold">{value}</span>
              <span className="block border-t-[0.12em] border-black pt-[0.15em] text-[0.9em]">{label}</span>
            </p>
          ))}
        </footer>
      </div>
    </div>
  );
}

/** What was done, where and when, small enough for all of it to stand there. */
function Done({ of }: { of: One }) {
  if (of.done.length === 0) return null;
  return (
    <ul aria-label={words.awards.done} className="mx-auto flex max-w-[58em] flex-wrap justify-center gap-x-[1.4em]">
      {of.done.map((one, n) => (
        <li key={n} className="text-[0.92em]">
          {[
            one.name === null
              ? one.words
              : `${one.name}: ${one.level === null ? '' : doneAs(words.levels[one.level], one.rig ?? one.words)}`,
            one.prior || one.day === null ? null : dayShort(one.day),
            one.place,
          ]
            .filter((part) => part !== null)
            .join(', ')}
        </li>
      ))}
    </ul>
  );
}

const doneAs = (level: string, what: string | null): string =>
  what === null ? level : words.awards.doneAs({ level, what });
