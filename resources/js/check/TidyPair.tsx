import { Box } from 'lucide-react';
import { useState } from 'react';
import type { Schemas, Untidiness } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { SIDE, type Turn } from '../space/sides';
import { SpaceView } from '../space/SpaceView';
import { canDraw } from '../space/webgl';
import { Choice } from '../ui/Choice';
import { words } from '../words';

/** The knot dressed beside the same knot as a careless hand leaves it: drawn, or to be turned together. */
export function TidyPair({
  knot,
  view,
  compared,
}: {
  knot: { id: string; name: string };
  view: Schemas['Knot']['view'];
  compared: Schemas['Compared'];
}) {
  const { untidy_in_space: inSpace, tidy, untidy } = compared;
  const faults = inSpace?.faults ?? [];
  const [fault, setFault] = useState<Untidiness | null>(null);
  const side = useState<Turn>(SIDE);
  const texts = { tidy: words.check.tidyOf({ knot: knot.name }), untidy: words.check.untidyOf({ knot: knot.name }) };
  const [first] = faults;
  if (!untidy && !first) return null;
  return (
    <div className="mb-2 flex flex-col gap-2 rounded-xl border border-line bg-card p-2 text-center text-sm [--ground:var(--card)]">
      <div className="grid grid-cols-2 gap-2">
        {([null, fault] as const).map((shown, place) => {
          const name = place === 0 ? 'tidy' : 'untidy';
          const flat = place === 0 ? tidy : untidy;
          return (
            <figure key={name}>
              {fault !== null && inSpace ? (
                <SpaceView
                  knot={{ id: knot.id, method: inSpace.method, name: texts[name], text: texts[name] }}
                  view={view}
                  tightness={1}
                  untidy={shown}
                  shared={side}
                  className="relative h-40 w-full"
                />
              ) : (
                flat && <KnotPicture drawing={flat} moment={null} text={texts[name]} className="h-28 w-full" />
              )}
              <figcaption className={`font-semibold ${place === 0 ? 'text-(--right)' : 'text-notyet'}`}>
                {place === 0 ? words.check.tidy : fault === null ? words.check.untidy : words.check.faults[fault]}
              </figcaption>
            </figure>
          );
        })}
      </div>
      {fault !== null && faults.length > 1 && (
        <Choice
          label={words.check.untidy}
          value={fault}
          onChange={setFault}
          options={faults.map((one) => [one, words.check.faults[one]] as const)}
        />
      )}
      {fault === null && first && canDraw() && (
        <button
          type="button"
          onClick={() => setFault(first)}
          className="inline-flex min-h-12 items-center gap-2 self-center rounded-full border-2 border-line px-4 font-semibold"
        >
          <Box aria-hidden className="size-5" /> {words.check.turnBoth}
        </button>
      )}
    </div>
  );
}
