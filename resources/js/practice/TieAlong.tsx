import { useQuery } from '@tanstack/react-query';
import { Box, ChevronLeft, ChevronRight, Ear, Rabbit, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useTravel } from '../demonstrate/useTravel';
import { useWakeLock } from '../demonstrate/useWakeLock';
import { InSpace } from '../demonstrate/InSpace';
import { forLearners } from '../demonstrate/vocabulary';
import { KnotPicture } from '../drawing/KnotPicture';
import { wholeAt } from '../drawing/moment';
import { canDraw } from '../space/webgl';
import { Toggle } from '../ui/Toggle';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { type Day, type Kept, kitQuery, practised, today } from './kept';
import { standing } from './next';
import { useKnock } from './useKnock';

const FELT = ['easy', 'thought', 'hard'] as const;
const ON = ['ArrowRight', 'ArrowDown', ' ', 'Enter', 'PageDown'];
const BACK = ['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace'];

/** A knot step by step at one's own pace, with the hands on the rope: next by tap, key or a knock. */
export function TieAlong({ kept }: { kept: Kept }) {
  const { knot: id = '' } = useParams();
  const kit = useQuery(kitQuery(kept.corner, id));
  if (kit.isPending) return <Loading />;
  if (kit.isError) return <Failure error={kit.error} retry={() => void kit.refetch()} />;
  return <Along kept={kept} knot={kit.data.knot} />;
}

function Along({ kept, knot }: { kept: Kept; knot: Schemas['Knot'] }) {
  useWakeLock();
  const [at, setAt] = useState(0);
  const [inSpace, setInSpace] = useState(false);
  const [asStory, setAsStory] = useState(false);
  const [knocks, setKnocks] = useState(false);
  const count = knot.steps.length;
  const isDone = at === count;
  const go = (by: number): void => setAt((now) => Math.max(0, Math.min(count, now + by)));
  const deaf = useKnock(knocks && !isDone, () => go(1));
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.target instanceof HTMLElement && event.target.closest('button, a, [role=application]')) return;
      if (ON.includes(event.key)) go(1);
      else if (BACK.includes(event.key)) go(-1);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
  const step = knot.steps[at];
  const told = (asStory ? step?.story : null) ?? step?.say ?? '';
  const hasStory = knot.steps.some((one) => one.story !== null);
  const hasSpace = knot.in_space && canDraw();
  return (
    <main className="[--ground:var(--paper)] flex h-dvh flex-col">
      <header className="flex flex-wrap items-center gap-2 p-3">
        <Link to={`/${knot.id}`} aria-label={words.practice.toKnot} className="grid size-12 place-items-center">
          <X aria-hidden />
        </Link>
        <h1 className="min-w-0 flex-1 truncate text-xl">{knot.name}</h1>
        <div className="flex gap-2 overflow-x-auto">
          {hasSpace && (
            <Toggle on={inSpace} onClick={() => setInSpace((on) => !on)}>
              <Box aria-hidden className="mr-1 inline size-5" />
              {words.practice.space}
            </Toggle>
          )}
          {hasStory && (
            <Toggle on={asStory} onClick={() => setAsStory((on) => !on)}>
              <Rabbit aria-hidden className="mr-1 inline size-5" />
              {words.practice.story}
            </Toggle>
          )}
          {'mediaDevices' in navigator && (
            <Toggle on={knocks} onClick={() => setKnocks((on) => !on)}>
              <Ear aria-hidden className="mr-1 inline size-5" />
              {words.practice.knock}
            </Toggle>
          )}
        </div>
      </header>
      {knocks && <p className="px-4 text-sm text-soft">{deaf ? words.practice.noKnock : words.practice.knockAbout}</p>}
      {isDone ? (
        <Felt kept={kept} knot={knot.id} again={() => setAt(0)} />
      ) : (
        <>
          <div className="relative min-h-0 flex-1">
            {hasSpace && inSpace ? (
              <InSpace knot={knot} step={step} run={at} pace={1} again asked={null} />
            ) : (
              <Step knot={knot} step={step} run={at} />
            )}
          </div>
          <p
            aria-live="polite"
            className="min-h-24 px-4 text-[1.45rem] leading-tight font-semibold text-balance sm:text-center sm:text-3xl"
          >
            <span className="block text-base font-normal text-soft">
              {words.practice.step({ n: at + 1, all: count })}
            </span>
            {kept.corner.words === 'learners' ? forLearners(told) : told}
          </p>
          <nav className="grid grid-cols-[1fr_2fr] gap-3 p-4 pb-[max(1rem,env(safe-area-inset-bottom))]">
            <button
              type="button"
              disabled={at === 0}
              onClick={() => go(-1)}
              className="flex min-h-20 items-center justify-center gap-1 rounded-2xl border-2 border-line bg-card text-lg font-semibold disabled:opacity-40"
            >
              <ChevronLeft aria-hidden /> {words.practice.back}
            </button>
            <button
              type="button"
              onClick={() => go(1)}
              className="flex min-h-20 items-center justify-center gap-1 rounded-2xl bg-signal text-2xl font-bold text-on-signal"
            >
              {at === count - 1 ? words.practice.done : words.practice.onStep}
              <ChevronRight aria-hidden className="size-8" />
            </button>
          </nav>
        </>
      )}
    </main>
  );
}

/** The end travels along its way, over and over until one goes on. */
function Step({ knot, step, run }: { knot: Schemas['Knot']; step: Schemas['KnotStep'] | undefined; run: number }) {
  const whole = wholeAt(knot, step);
  const moment = useTravel(step, run, 1, true);
  return (
    <KnotPicture
      drawing={whole ?? knot.loose}
      moment={whole ? null : moment}
      text={step?.say ?? knot.text}
      className="absolute inset-0 size-full p-2"
    />
  );
}

/** How it went, in the learner's own word: only the day's rest is reckoned from it. */
function Felt({ kept, knot, again }: { kept: Kept; knot: string; again: () => void }) {
  const [said, setSaid] = useState<Day['felt'] | null>(null);
  const at = said === null ? null : standing(kept.corner, kept.days, knot, today());
  return (
    <section className="mx-auto flex w-full max-w-xl flex-1 flex-col justify-center gap-4 p-5">
      <h2 className="text-3xl">{words.practice.felt}</h2>
      {FELT.map((felt) => (
        <button
          key={felt}
          type="button"
          aria-pressed={said === felt}
          onClick={() => {
            setSaid(felt);
            practised(knot, felt);
          }}
          className="min-h-18 rounded-2xl border-2 border-line bg-card px-5 text-left text-xl font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
        >
          {words.practice.feltAs[felt]}
        </button>
      ))}
      <p aria-live="polite" className="min-h-14 text-lg">
        {at && words.practice.rests({ days: at.left })} {words.practice.feltAgain}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <button
          type="button"
          onClick={again}
          className="min-h-16 rounded-2xl border-2 border-line bg-card text-lg font-semibold"
        >
          {words.practice.tie}
        </button>
        <Link
          to="/"
          className="grid min-h-16 place-items-center rounded-2xl bg-signal text-lg font-semibold text-on-signal"
        >
          {words.practice.done}
        </Link>
      </div>
    </section>
  );
}
