import type { Schemas } from '../api/client';
import { words } from '../words';
import { KnotPicture } from './KnotPicture';

type WrongForm = Schemas['WrongForm'];

/** A mistake beside the right knot, with the crossing ringed at which they part, and what mends it. */
export function WrongPair({
  knot,
  form,
  big = false,
}: {
  knot: Pick<Schemas['Knot'], 'name' | 'loose'>;
  form: WrongForm;
  big?: boolean;
}) {
  const picture = big ? 'absolute inset-0 size-full p-2' : 'h-44 w-full';
  const frame = big ? 'relative min-h-0 flex-1' : '';
  const title = form.name ?? words.show.fallsOut;
  const ringed = form.ringed.length > 0 ? words.show.ringed : '';
  return (
    <div className={big ? 'flex min-h-0 flex-1 flex-col gap-2 px-4 rail:px-10' : ''}>
      <div className={big ? 'flex min-h-0 flex-1 flex-col gap-2 sm:flex-row sm:gap-8' : 'grid grid-cols-2 gap-4'}>
        <figure className={big ? 'flex min-h-0 flex-1 flex-col' : ''}>
          <div className={frame}>
            <KnotPicture
              drawing={knot.loose}
              moment={null}
              text={`${words.show.rightForm}: ${knot.name}`}
              ringed={form.ringed}
              className={picture}
            />
          </div>
          <figcaption className={`text-center font-semibold text-(--right) ${big ? 'rail:text-2xl' : 'text-sm'}`}>
            {words.show.rightForm}
          </figcaption>
        </figure>
        <figure className={big ? 'flex min-h-0 flex-1 flex-col' : ''}>
          <div className={frame}>
            <KnotPicture
              drawing={form.drawing}
              moment={null}
              text={`${title}: ${form.sign}. ${ringed}`}
              ringed={form.ringed}
              className={picture}
            />
          </div>
          <figcaption className={`text-center font-semibold text-notyet ${big ? 'rail:text-2xl' : 'text-sm'}`}>
            {title}
          </figcaption>
        </figure>
      </div>
      <WrongWords form={form} big={big} />
    </div>
  );
}

/** What is seen, where it comes from, and what mends it. */
export function WrongWords({ form, big }: { form: WrongForm; big: boolean }) {
  return (
    <div className={big ? 'pb-2 text-lg rail:text-[1.7rem] rail:leading-snug' : 'mt-2'}>
      <p className="font-semibold">{form.sign}.</p>
      <p>{form.cause}.</p>
      <p>
        <span className="font-semibold text-signal">{words.show.fix}</span> {form.fix}.
      </p>
    </div>
  );
}
