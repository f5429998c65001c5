import { useQuery } from '@tanstack/react-query';
import { Hand, MoveHorizontal } from 'lucide-react';
import { useId } from 'react';
import type { Schemas } from '../api/client';
import { knotInSpaceQuery } from '../api/queries';
import { words } from '../words';
import { isBraided } from './reach';
import { TurnedTogether } from './TurnedTogether';
import { usePlayed } from './usePlayed';
import { canDraw } from './webgl';

/** Pulling all the way lasts so long, in milliseconds. */
const PULLS = 6000;

/**
 * The right knot beside what a mistake makes of it, in space: turned one, the other turns along; and pulled at together, where it shows
 * what the mistake does.
 */
export function SpacePair({
  knot,
  wrong,
  name,
  pulled,
}: {
  knot: Schemas['Knot'];
  wrong: string;
  name: string;
  pulled: boolean;
}) {
  const pull = usePlayed(PULLS);
  // Ready before anybody pulls.
  useQuery({ ...knotInSpaceQuery(wrong, null, true), enabled: pulled });
  const pictures = [
    [words.show.rightForm, { ...knot, method: pull.at === null ? knot.method : null }, 'text-(--right)'],
    [name, { id: wrong, method: null, name, text: name }, 'text-notyet'],
  ] as const;
  return (
    // On a phone both keep the room they need, and the words are scrolled to.
    <div className="flex flex-1 shrink-0 flex-col gap-2 sm:min-h-0 sm:shrink">
      <TurnedTogether
        pictures={pictures.map(([title, one, colour]) => ({
          key: one.id,
          knot: one,
          tightness: pull.at ?? 1,
          pulled: pull.at !== null,
          caption: (
            <figcaption className="text-center">
              <span className={`font-semibold rail:text-2xl ${colour}`}>{title}</span>
              {pull.at !== null && <Became knot={one.id} isDone={pull.at === 1} />}
            </figcaption>
          ),
        }))}
        view={knot.view}
        braided={isBraided(knot)}
        big
      />
      {pulled && canDraw() && <Pull {...pull} knot={knot.id} />}
    </div>
  );
}

/** What has become of a knot once it is pulled as far as it was reckoned. */
function Became({ knot, isDone }: { knot: string; isDone: boolean }) {
  const { data } = useQuery(knotInSpaceQuery(knot, null, true));
  return (
    <p aria-live="polite" className="min-h-6 text-sm rail:min-h-8 rail:text-lg" data-testid="became">
      {isDone && data?.pulled?.words}
    </p>
  );
}

function Pull({ knot, at, to, go }: ReturnType<typeof usePlayed> & { knot: string }) {
  const { data } = useQuery(knotInSpaceQuery(knot, null, true));
  const id = useId();
  return (
    <div className="flex flex-wrap items-center justify-center gap-x-4 gap-y-1 px-4 rail:px-10">
      <button
        type="button"
        onClick={at === null ? go : () => to(null)}
        className="inline-flex min-h-12 items-center gap-2 rounded-full border-2 border-line px-5 font-semibold"
      >
        {at === null ? <MoveHorizontal aria-hidden className="size-5" /> : <Hand aria-hidden className="size-5" />}
        {at === null ? words.space.pull : words.space.letGo}
      </button>
      <label htmlFor={id} className="sr-only">
        {words.space.pulled}
      </label>
      <input
        id={id}
        type="range"
        value={(at ?? 0) * 100}
        onChange={(event) => to(Number(event.target.value) / 100)}
        className="h-12 w-48 accent-signal"
      />
      <p className="basis-full text-center text-sm text-soft">{data?.pulled?.model}</p>
    </div>
  );
}
