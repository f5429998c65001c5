import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight, X } from 'lucide-react';
import { useState } from 'react';
import type { Schemas, Untidiness } from '../api/client';
import { comparedQuery } from '../api/queries';
import { TidyBeside } from '../drawing/TidyBeside';
import { WrongPair, WrongWords } from '../drawing/WrongPair';
import { isBraided } from '../space/reach';
import { SpacePair } from '../space/SpacePair';
import { UntidyPair } from '../space/UntidyPair';
import { canDraw } from '../space/webgl';
import { words } from '../words';
import { useKeys } from './useKeys';

const TOOL = 'grid size-12 shrink-0 place-items-center rounded-full hover:bg-wash disabled:opacity-30';

/** What is wrong with a knot: a mistake, or how it is left undressed; where that is only drawn, without a fault of its own. */
type Shown = { wrong: Schemas['WrongForm'] } | { untidy: Untidiness | null };

/** The usual mistakes, one at a time, each beside the right knot; and last the right knot that is not dressed. */
export function WrongForms({
  knot,
  inSpace,
  onClose,
}: {
  knot: Schemas['Knot'];
  inSpace: boolean;
  onClose: () => void;
}) {
  const [at, setAt] = useState(0);
  const compared = useQuery(comparedQuery(knot.id, knot.view)).data;
  const forms: Shown[] = [
    ...knot.wrong.map((wrong) => ({ wrong })),
    ...untidyOf(knot, compared, inSpace).map((untidy) => ({ untidy })),
  ];
  const last = forms.length - 1;
  const move = (by: number): void => setAt((now) => Math.max(0, Math.min(last, now + by)));
  useKeys(
    {
      next: () => move(1),
      previous: () => move(-1),
      first: () => setAt(0),
      last: () => setAt(last),
      wrong: onClose,
      leave: onClose,
    },
    false,
  );
  const form = forms[at];
  return (
    <section
      aria-label={words.show.wrong}
      className="absolute inset-0 z-10 flex flex-col bg-paper"
      data-testid="wrong-forms"
    >
      <div className="flex items-center justify-between gap-3 px-3 pt-2 rail:px-6">
        <h2 className="truncate text-2xl rail:text-4xl">{words.show.wrongOf({ knot: knot.name })}</h2>
        <button type="button" className={TOOL} aria-label={words.close} title={words.close} onClick={onClose}>
          <X aria-hidden />
        </button>
      </div>
      {form && 'wrong' in form ? (
        <Pair key={form.wrong.id} knot={knot} form={form.wrong} inSpace={inSpace} />
      ) : form && compared ? (
        <NotDressed key={form.untidy} knot={knot} compared={compared} fault={form.untidy} />
      ) : (
        <p className="p-6 text-xl">{words.show.noWrong}</p>
      )}
      {last > 0 && (
        <div className="flex items-center justify-center gap-4 pb-3">
          <button
            type="button"
            className={TOOL}
            disabled={at === 0}
            aria-label={words.show.previousWrong}
            onClick={() => move(-1)}
          >
            <ChevronLeft aria-hidden />
          </button>
          <span className="tabular-nums">{words.show.countWrong({ n: at + 1, all: last + 1 })}</span>
          <button
            type="button"
            className={TOOL}
            disabled={at === last}
            aria-label={words.show.nextWrong}
            onClick={() => move(1)}
          >
            <ChevronRight aria-hidden />
          </button>
        </div>
      )}
    </section>
  );
}

/** Right and wrong side by side: in space, where the wrong one is a knot that can be turned. */
function Pair({ knot, form, inSpace }: { knot: Schemas['Knot']; form: Schemas['WrongForm']; inSpace: boolean }) {
  if (!inSpace || form.in_space === null || form.name === null) return <WrongPair knot={knot} form={form} big />;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-y-auto">
      <SpacePair knot={knot} wrong={form.in_space} name={form.name} pulled={form.pulled} />
      <div className="px-4 rail:px-10">
        <WrongWords form={form} big />
      </div>
    </div>
  );
}

/** The ways in which the same way of tying it is kept undressed. */
function untidyOf(
  knot: Schemas['Knot'],
  compared: Schemas['Compared'] | undefined,
  inSpace: boolean,
): (Untidiness | null)[] {
  const kept = compared?.untidy_in_space;
  if (kept?.method !== knot.method) return [];
  if (inSpace && canDraw() && kept.faults.length > 0) return kept.faults;
  return compared?.untidy ? [null] : [];
}

function NotDressed({
  knot,
  compared,
  fault,
}: {
  knot: Schemas['Knot'];
  compared: Schemas['Compared'];
  fault: Untidiness | null;
}) {
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-y-auto">
      {fault === null ? (
        <div className="flex min-h-0 flex-1 flex-col px-4 rail:px-10">
          <TidyBeside knot={knot} compared={compared} big />
        </div>
      ) : (
        <UntidyPair knot={knot} method={knot.method} view={knot.view} fault={fault} braided={isBraided(knot)} big />
      )}
      <div className="px-4 pb-2 text-lg rail:px-10 rail:text-[1.7rem] rail:leading-snug">
        <p className="font-semibold">{words.space.notDressed}</p>
        <p>
          <span className="font-semibold text-signal">{words.show.fix}</span> {knot.checks.dressing.join(' ')}
        </p>
      </div>
    </div>
  );
}
