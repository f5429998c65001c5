import { Pause, RotateCw } from 'lucide-react';
import { useId, useState } from 'react';
import type { Schemas } from '../api/client';
import { words } from '../words';
import { isBraided } from './reach';
import { SpaceView } from './SpaceView';

/** A knot to turn, with a slider that draws it up. */
export function SpacePanel({ knot }: { knot: Schemas['Knot'] }) {
  const [tightness, setTightness] = useState(1);
  const [turning, setTurning] = useState(false);
  const id = useId();
  return (
    <figure className="rounded-2xl border border-line bg-card p-4">
      <SpaceView
        knot={knot}
        view={knot.view}
        tightness={tightness}
        turning={turning}
        braided={isBraided(knot)}
        className="relative h-80 w-full rail:h-96"
      />
      <figcaption className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label htmlFor={id} className="sr-only">
          {words.space.drawnUp}
        </label>
        <span aria-hidden className="text-sm font-semibold text-soft">
          {words.space.loose}
        </span>
        <input
          id={id}
          type="range"
          value={tightness * 100}
          onChange={(event) => setTightness(Number(event.target.value) / 100)}
          className="h-12 min-w-32 flex-1 accent-signal"
        />
        <span aria-hidden className="text-sm font-semibold text-soft">
          {words.space.tight}
        </span>
        <button
          type="button"
          aria-pressed={turning}
          onClick={() => setTurning((now) => !now)}
          className="inline-flex min-h-12 items-center gap-2 rounded-full border-2 border-line px-4 text-sm font-semibold"
        >
          {turning ? <Pause aria-hidden className="size-4" /> : <RotateCw aria-hidden className="size-4" />}
          {words.space.turns}
        </button>
      </figcaption>
    </figure>
  );
}
