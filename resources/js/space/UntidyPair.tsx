import { useQuery } from '@tanstack/react-query';
import { Hand, Undo2 } from 'lucide-react';
import type { Schemas, Untidiness } from '../api/client';
import { knotInSpaceQuery } from '../api/queries';
import { words } from '../words';
import { TurnedTogether } from './TurnedTogether';
import { usePlayed } from './usePlayed';

/** Drawing a fault out lasts so long, in milliseconds. */
const DRESSES = 2500;

/** A knot dressed, beside the same knot with a fault in its dressing: turned one, the other turns along; and slack is drawn out of it at a tap. */
export function UntidyPair({
  knot,
  method,
  view,
  fault,
  braided = false,
  big = false,
}: {
  knot: { id: string; name: string };
  method: string;
  view: Schemas['Knot']['view'];
  fault: Untidiness;
  braided?: boolean;
  big?: boolean;
}) {
  const { at, to, go } = usePlayed(DRESSES);
  const { data } = useQuery(knotInSpaceQuery(knot.id, method, false, fault));
  const isDrawnOut = (data?.frames.length ?? 1) > 1;
  const caption = (title: string, colour: string, isLive = false) => (
    <figcaption
      aria-live={isLive ? 'polite' : undefined}
      className={`text-center font-semibold ${big ? 'rail:text-2xl' : ''} ${colour}`}
    >
      {title}
    </figcaption>
  );
  const named = (text: string) => ({ id: knot.id, method, name: text, text });
  return (
    <div className={big ? 'flex flex-1 shrink-0 flex-col gap-2 sm:min-h-0 sm:shrink' : 'flex flex-col gap-2'}>
      <TurnedTogether
        pictures={[
          {
            key: 'tidy',
            knot: named(words.space.tidyOf({ knot: knot.name })),
            tightness: 1,
            caption: caption(words.space.tidy, 'text-(--right)'),
          },
          {
            key: 'untidy',
            knot: named(words.space.untidyOf({ knot: knot.name })),
            tightness: at ?? 0,
            untidy: fault,
            caption:
              at === 1
                ? caption(words.space.dressed, 'text-(--right)', true)
                : caption(words.space.faults[fault], 'text-notyet', true),
          },
        ]}
        view={view}
        braided={braided}
        big={big}
      />
      {isDrawnOut && (
        <button
          type="button"
          onClick={at === null ? go : () => to(null)}
          className="inline-flex min-h-12 items-center gap-2 self-center rounded-full border-2 border-line px-5 font-semibold"
        >
          {at === null ? <Hand aria-hidden className="size-5" /> : <Undo2 aria-hidden className="size-5" />}
          {at === null ? words.space.dress : words.space.undress}
        </button>
      )}
    </div>
  );
}
