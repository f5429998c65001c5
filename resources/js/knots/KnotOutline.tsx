import type { Schemas } from '../api/client';
import { words } from '../words';
import { inSentence, listOf } from '../words/format';
import { beginnings, hangingFrom, lookOf } from './ways';
import { PickedKnot } from './PickedKnot';

type About = Schemas['KnotAbout'];

type Shown = {
  knots: About[];
  picked: string | null;
  /** what lies on the way of the knot that is picked */
  way: Set<string> | null;
  onPick: (id: string) => void;
};

/** The same as the map on a screen that is too narrow for it: each knot hangs below the one it needs. */
export function KnotOutline(shown: Shown) {
  return (
    <ul className="flex flex-col gap-2 rail:hidden">
      {beginnings(shown.knots).map((knot) => (
        <Branch key={knot.id} knot={knot} {...shown} />
      ))}
    </ul>
  );
}

function Branch({ knot, ...shown }: Shown & { knot: About }) {
  const { knots, picked, way, onPick } = shown;
  const below = hangingFrom(knot.id, knots);
  // It hangs from the first; the others stand elsewhere.
  const others = knots.filter((one) => knot.prerequisites.slice(1).includes(one.id));
  const isPicked = picked === knot.id;
  return (
    <li className="flex flex-col gap-2">
      <button
        type="button"
        aria-expanded={isPicked}
        onClick={() => onPick(knot.id)}
        className={`min-h-12 w-full rounded-xl border-2 px-3 py-1.5 text-left leading-tight font-semibold ${lookOf(knot.id, picked, way)} ${way !== null && !way.has(knot.id) ? 'opacity-60' : ''}`}
      >
        {knot.name}
        {others.length > 0 && (
          <span className="block text-sm font-normal">
            {words.knot.needsToo({ names: listOf(others.map((one) => inSentence(one.name))) })}
          </span>
        )}
      </button>
      {isPicked && <PickedKnot knot={knot} />}
      {below.length > 0 && (
        <ul className="ml-3 flex flex-col gap-2 border-l-[3px] border-hemp pl-3">
          {below.map((one) => (
            <Branch key={one.id} knot={one} {...shown} />
          ))}
        </ul>
      )}
    </li>
  );
}
