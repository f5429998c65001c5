import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { words } from '../words';

/** The knot that is picked on the map: what it looks like and is for, and the way to more of it. */
export function PickedKnot({ knot }: { knot: Schemas['KnotAbout'] }) {
  return (
    <aside aria-live="polite" className="rounded-2xl border border-line bg-card p-4 [--ground:var(--card)]">
      <KnotPicture drawing={knot.loose} moment={null} text="" className="h-36 w-full" />
      <h2 className="mt-2 text-xl">{knot.name}</h2>
      <p className="text-soft">{knot.purpose}</p>
      <p className="mt-1 text-sm text-soft">{words.show.minutes({ n: knot.minutes })}</p>
      <Link
        to={`/knot/${knot.id}`}
        className="inline-flex min-h-12 items-center font-semibold underline decoration-hemp decoration-2 underline-offset-4"
      >
        {words.knot.moreOf({ knot: knot.name })}
      </Link>
    </aside>
  );
}
