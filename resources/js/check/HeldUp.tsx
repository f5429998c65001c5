import { useQuery } from '@tanstack/react-query';
import { Box } from 'lucide-react';
import { useId, useState } from 'react';
import { knotQuery } from '../api/queries';
import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { isBraided } from '../space/reach';
import { SpaceView } from '../space/SpaceView';
import { Failure } from '../ui/states';
import { words } from '../words';

/** What the right knot looks like, to be turned until it lies as it does in the learner's hand. */
export function HeldUp({ knot: id, view }: { knot: string; view: Schemas['Knot']['view'] }) {
  const [open, setOpen] = useState(false);
  const { data: knot, error, refetch } = useQuery({ ...knotQuery(id, view), enabled: open });
  const region = useId();
  return (
    <div>
      <button
        type="button"
        aria-expanded={open}
        aria-controls={region}
        onClick={() => setOpen((now) => !now)}
        className="inline-flex min-h-12 items-center gap-2 rounded-full border-2 border-line px-4 font-semibold"
      >
        <Box aria-hidden className="size-5" /> {words.check.heldUp}
      </button>
      <div id={region} hidden={!open}>
        {error && <Failure error={error} retry={() => void refetch()} />}
        {knot && (
          <figure className="mt-2 rounded-xl border border-line bg-card p-2 text-center text-sm [--ground:var(--card)]">
            {knot.in_space ? (
              <SpaceView
                knot={knot}
                view={knot.view}
                tightness={1}
                braided={isBraided(knot)}
                className="relative h-64 w-full"
              />
            ) : (
              <KnotPicture drawing={knot.tight ?? knot.loose} moment={null} text={knot.text} className="h-64 w-full" />
            )}
            <figcaption className="font-semibold text-(--right)">{words.check.turnToCompare}</figcaption>
          </figure>
        )}
      </div>
    </div>
  );
}
