import { useState } from 'react';
import type { Schemas } from '../api/client';
import { words } from '../words/en';
import { isBraided } from './reach';
import { SIDE, SpaceView, type Turn } from './SpaceView';

/** The right knot beside what a mistake makes of it, in space: turned one, the other turns along. */
export function SpacePair({ knot, wrong, name }: { knot: Schemas['Knot']; wrong: string; name: string }) {
  const side = useState<Turn>(SIDE);
  const pictures = [
    [words.show.rightForm, knot, 'text-(--right)'],
    [name, { id: wrong, method: null, name, text: name }, 'text-notyet'],
  ] as const;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 px-4 sm:flex-row sm:gap-8 rail:px-10">
      {pictures.map(([title, one, colour]) => (
        <figure key={one.id} className="flex min-h-0 flex-1 flex-col">
          <div className="relative min-h-0 flex-1">
            <SpaceView
              knot={one}
              view={knot.view}
              tightness={1}
              braided={isBraided(knot)}
              shared={side}
              className="absolute inset-0"
            />
          </div>
          <figcaption className={`text-center font-semibold rail:text-2xl ${colour}`}>{title}</figcaption>
        </figure>
      ))}
    </div>
  );
}
