import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { words } from '../words';
import type { ShowSettings } from '../device/useShowSettings';

/** What it will be, small, beside what it is. */
export function Finished({ knot }: { knot: Schemas['Knot'] }) {
  return (
    <figure
      className="mx-4 mb-3 flex items-center gap-4 rounded-2xl border border-line bg-card p-2 [--ground:var(--card)] rail:mx-4 rail:self-end"
      data-testid="finished"
    >
      <KnotPicture
        drawing={knot.tight ?? knot.loose}
        moment={null}
        text={words.knot.tight({ knot: knot.name })}
        className="h-24 w-40 rail:h-36 rail:w-56"
      />
      <figcaption className="text-center text-sm font-semibold text-soft">{words.show.finishedBeside}</figcaption>
    </figure>
  );
}

/** What is not as usual: another side, another method. */
export function About({ knot, view }: { knot: Schemas['Knot']; view: ShowSettings['view'] }) {
  const method = knot.methods[0]?.id === knot.method ? null : knot.methods.find((one) => one.id === knot.method)?.name;
  const notes = [view === 'learner' ? null : words.show.views[view], method].filter(
    (note) => note !== null && note !== undefined,
  );
  return (
    notes.length > 0 && (
      <span className="ml-3 font-sans text-base font-normal text-soft rail:text-xl">{notes.join(', ')}</span>
    )
  );
}

/** The steps as beads on a rope; a bead jumps to its step. */
export function Beads({ at, count, go }: { at: number; count: number; go: (to: number) => void }) {
  return (
    <div className="relative mt-1 flex justify-between">
      <span aria-hidden className="absolute inset-x-6 top-1/2 h-1 -translate-y-1/2 rounded bg-hemp" />
      {Array.from({ length: count }, (_, n) => (
        <button
          key={n}
          type="button"
          onClick={() => go(n)}
          aria-label={words.show.step({ n: n + 1, all: count })}
          aria-current={n === at ? 'step' : undefined}
          className="relative grid size-12 place-items-center"
        >
          <span
            className={`rounded-full border-[3px] border-ink ${n === at ? 'size-8 bg-signal' : n < at ? 'size-5 bg-hemp' : 'size-5 bg-paper'}`}
          />
        </button>
      ))}
    </div>
  );
}
