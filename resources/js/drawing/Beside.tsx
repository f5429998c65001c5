import type { Schemas } from '../api/client';
import { KnotPicture } from './KnotPicture';

export type Besides = {
  drawing: Schemas['Drawing'];
  /** what it is, below it */
  title: string;
  text: string;
  isRight: boolean;
  ringed?: Schemas['WrongForm']['ringed'];
};

/** The right knot and another beside it. */
export function Beside({
  pictures,
  big = false,
  height = 'h-44',
}: {
  pictures: readonly Besides[];
  /** in all the room there is */
  big?: boolean;
  height?: string;
}) {
  return (
    <div className={big ? 'flex min-h-0 flex-1 flex-col gap-2 sm:flex-row sm:gap-8' : 'grid grid-cols-2 gap-4'}>
      {pictures.map(({ drawing, title, text, isRight, ringed }) => (
        <figure key={text} className={big ? 'flex min-h-0 flex-1 flex-col' : ''}>
          <div className={big ? 'relative min-h-0 flex-1' : ''}>
            <KnotPicture
              drawing={drawing}
              moment={null}
              text={text}
              {...(ringed ? { ringed } : {})}
              className={big ? 'absolute inset-0 size-full p-2' : `${height} w-full`}
            />
          </div>
          <figcaption
            className={`text-center font-semibold ${isRight ? 'text-(--right)' : 'text-notyet'} ${big ? 'rail:text-2xl' : 'text-sm'}`}
          >
            {title}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
