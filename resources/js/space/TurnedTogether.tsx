import { type ReactNode, useState } from 'react';
import type { Schemas, Untidiness } from '../api/client';
import { SIDE, type Turn } from './sides';
import { SpaceView } from './SpaceView';

export type TogetherPicture = {
  key: string;
  knot: Pick<Schemas['Knot'], 'id' | 'name' | 'text'> & { method: string | null };
  tightness: number;
  pulled?: boolean;
  untidy?: Untidiness | null;
  caption: ReactNode;
};

/** Knots in space beside each other: turned one, the others turn along. */
export function TurnedTogether({
  pictures,
  view,
  braided,
  big,
}: {
  pictures: readonly TogetherPicture[];
  view: Schemas['Knot']['view'];
  braided: boolean;
  /** in all the room there is */
  big: boolean;
}) {
  const side = useState<Turn>(SIDE);
  return (
    <div
      className={
        big ? 'flex flex-1 flex-col gap-2 px-4 sm:min-h-0 sm:flex-row sm:gap-8 rail:px-10' : 'grid grid-cols-2 gap-2'
      }
    >
      {pictures.map(({ key, caption, ...picture }) => (
        <figure key={key} className={big ? 'flex min-h-52 flex-1 flex-col sm:min-h-0' : ''}>
          <div className={big ? 'relative min-h-0 flex-1' : 'relative h-40'}>
            <SpaceView {...picture} view={view} braided={braided} shared={side} className="absolute inset-0" />
          </div>
          {caption}
        </figure>
      ))}
    </div>
  );
}
