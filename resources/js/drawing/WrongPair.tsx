import type { Schemas } from '../api/client';
import { words } from '../words';
import { Beside } from './Beside';

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
  const title = form.name ?? words.show.fallsOut;
  const { ringed } = form;
  const seen = ringed.length > 0 ? words.show.ringed : '';
  const right = { title: words.show.rightForm, text: `${words.show.rightForm}: ${knot.name}`, isRight: true };
  const wrong = { title, text: `${title}: ${form.sign}. ${seen}`, isRight: false };
  return (
    <div className={big ? 'flex min-h-0 flex-1 flex-col gap-2 px-4 rail:px-10' : ''}>
      <Beside
        pictures={[
          { ...right, drawing: knot.loose, ringed },
          { ...wrong, drawing: form.drawing, ringed },
        ]}
        big={big}
      />
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
