import { useQuery } from '@tanstack/react-query';
import { Hand, Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { Schemas, Untidiness } from '../api/client';
import { knotInSpaceQuery } from '../api/queries';
import { words } from '../words';
import { SIDE, type Turn } from './sides';
import { SpaceView } from './SpaceView';
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
  const side = useState<Turn>(SIDE);
  const { at, to, go } = usePlayed(DRESSES);
  const { data } = useQuery(knotInSpaceQuery(knot.id, method, false, fault));
  const isDrawnOut = (data?.frames.length ?? 1) > 1;
  const pictures = [
    [null, 1, words.space.tidyOf({ knot: knot.name }), words.space.tidy, 'text-(--right)'],
    [
      fault,
      at ?? 0,
      words.space.untidyOf({ knot: knot.name }),
      at === 1 ? words.space.dressed : words.space.faults[fault],
      at === 1 ? 'text-(--right)' : 'text-notyet',
    ],
  ] as const;
  return (
    <div className={big ? 'flex flex-1 shrink-0 flex-col gap-2 sm:min-h-0 sm:shrink' : 'flex flex-col gap-2'}>
      <div
        className={
          big ? 'flex flex-1 flex-col gap-2 px-4 sm:min-h-0 sm:flex-row sm:gap-8 rail:px-10' : 'grid grid-cols-2 gap-2'
        }
      >
        {pictures.map(([shown, tightness, text, title, colour], place) => (
          <figure key={text} className={big ? 'flex min-h-52 flex-1 flex-col sm:min-h-0' : ''}>
            <div className={big ? 'relative min-h-0 flex-1' : 'relative h-40'}>
              <SpaceView
                knot={{ id: knot.id, method, name: text, text }}
                view={view}
                tightness={tightness}
                untidy={shown}
                braided={braided}
                shared={side}
                className="absolute inset-0"
              />
            </div>
            <figcaption
              aria-live={place === 1 ? 'polite' : undefined}
              className={`text-center font-semibold ${big ? 'rail:text-2xl' : ''} ${colour}`}
            >
              {title}
            </figcaption>
          </figure>
        ))}
      </div>
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
