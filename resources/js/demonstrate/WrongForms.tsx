import { ChevronLeft, ChevronRight, X } from 'lucide-react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { WrongPair, WrongWords } from '../drawing/WrongPair';
import { SpacePair } from '../space/SpacePair';
import { words } from '../words';
import { useKeys } from './useKeys';

const TOOL = 'grid size-12 shrink-0 place-items-center rounded-full hover:bg-wash disabled:opacity-30';

/** The usual mistakes, one at a time, each beside the right knot. */
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
  const last = knot.wrong.length - 1;
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
  const form = knot.wrong[at];
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
      {form ? (
        <Pair key={form.id} knot={knot} form={form} inSpace={inSpace} />
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
