import { BookOpen, Eye, FlipHorizontal2, Keyboard, RotateCcw, SearchX, Waypoints, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { Sheet } from '../ui/Sheet';
import { words } from '../words/en';
import { useKeys } from './useKeys';
import type { ShowSettings } from './useShowSettings';
import { useSwipe } from './useSwipe';
import { useTravel } from './useTravel';
import { WrongForms } from './WrongForms';

const TOOL = 'grid size-12 place-items-center rounded-full text-soft hover:bg-wash hover:text-ink aria-pressed:bg-ink aria-pressed:text-paper';

export function Stage({ knot, settings, onMethod, onLeave }: { knot: Schemas['Knot']; settings: ShowSettings; onMethod: () => void; onLeave: () => void }) {
  const [at, setAt] = useState(0);
  const [keys, setKeys] = useState(false);
  const [wrong, setWrong] = useState(false);
  const stage = useRef<HTMLDivElement>(null);
  const last = knot.steps.length - 1;
  const step = knot.steps[at];
  const { moment, replay } = useTravel(step);
  const go = (to: number): void => setAt(Math.max(0, Math.min(last, to)));
  const move = (by: number): void => setAt((now) => Math.max(0, Math.min(last, now + by)));
  const swipe = useSwipe(() => move(1), () => move(-1));
  useKeys({ next: () => move(1), previous: () => move(-1), first: () => go(0), last: () => go(last), left: settings.toggleLeft, view: settings.nextView, method: onMethod, wrong: () => setWrong(true), story: settings.toggleStory, replay, help: () => setKeys((now) => !now), leave: onLeave }, keys || wrong);
  useEffect(() => { stage.current?.focus(); }, []);
  const tight = step?.tight ? knot.tight : null;
  // A tall knot stands beside its words on a wide screen; a broad one lies above them.
  const shown = tight ?? knot.loose;
  const tall = (knot.loose.box[2] ?? 1) < 1.15 * (knot.loose.box[3] ?? 1);
  const say = (settings.story ? step?.story : null) ?? step?.say ?? '';
  return (
    <div ref={stage} tabIndex={-1} className="fixed inset-0 flex touch-pan-y flex-col bg-paper outline-none [--ground:var(--paper)]" data-testid="stage" {...swipe}>
      <div className="flex flex-wrap items-center justify-between gap-x-2 px-3 pt-2 rail:flex-nowrap rail:px-6">
        <h1 className="min-w-0 flex-1 truncate text-2xl rail:text-4xl">{knot.name}<About knot={knot} view={settings.view} /></h1>
        {/* In the hand the tools have a line of their own. */}
        <div className="order-3 flex w-full shrink-0 rail:order-2 rail:w-auto">
          <button type="button" className={TOOL} aria-pressed={settings.view === 'left'} aria-label={words.show.left} title={words.show.left} onClick={settings.toggleLeft}><FlipHorizontal2 aria-hidden /></button>
          <button type="button" className={TOOL} aria-label={words.show.nextView} title={words.show.nextView} onClick={settings.nextView}><Eye aria-hidden /></button>
          {knot.methods.length > 1 && <button type="button" className={TOOL} aria-label={words.show.nextMethod} title={words.show.nextMethod} onClick={onMethod}><Waypoints aria-hidden /></button>}
          {knot.wrong.length > 0 && <button type="button" className={TOOL} aria-label={words.show.wrong} title={words.show.wrong} onClick={() => setWrong(true)}><SearchX aria-hidden /></button>}
          <button type="button" className={TOOL} aria-pressed={settings.story} aria-label={words.show.story} title={words.show.story} onClick={settings.toggleStory}><BookOpen aria-hidden /></button>
          <button type="button" className={TOOL} aria-label={words.show.replay} title={words.show.replay} onClick={replay}><RotateCcw aria-hidden /></button>
          <button type="button" className={`${TOOL} hidden rail:grid`} aria-label={words.show.keys} title={words.show.keys} onClick={() => setKeys(true)}><Keyboard aria-hidden /></button>
        </div>
        <button type="button" className={`${TOOL} order-2 shrink-0 rail:order-3`} aria-label={words.show.close} title={words.show.close} onClick={onLeave}><X aria-hidden /></button>
      </div>
      <div className={`flex min-h-0 flex-1 flex-col ${tall ? 'rail:flex-row' : ''}`}>
        <div className="relative min-h-0 flex-1">
          <KnotPicture drawing={shown} moment={tight ? null : moment} text={knot.text} className="absolute inset-0 size-full p-2 rail:p-4" />
          <button type="button" tabIndex={-1} aria-hidden className="absolute inset-y-0 left-0 w-1/3 cursor-w-resize" onClick={() => move(-1)} />
          <button type="button" tabIndex={-1} aria-hidden className="absolute inset-y-0 right-0 w-2/3 cursor-e-resize" onClick={() => move(1)} />
        </div>
        <div className={`px-4 rail:px-10 ${tall ? 'rail:flex rail:w-[44%] rail:flex-col rail:justify-center rail:pl-2' : ''}`}>
          {(at === 0 || at === last) && knot.cautions.map((caution) => <p key={caution} className="mb-2 border-l-4 border-signal pl-3 font-semibold rail:text-xl">{caution}</p>)}
          <p aria-live="polite" className="min-h-[4.5rem] text-[1.35rem] leading-tight font-semibold text-balance rail:min-h-24 rail:text-[2.6rem]">
            <span className="sr-only">{words.show.step(at + 1, last + 1)}. </span>{say}
          </p>
        </div>
      </div>
      <div className="px-4 pb-3 rail:px-10 rail:pb-5"><Beads at={at} count={last + 1} go={go} /></div>
      {wrong && <WrongForms knot={knot} onClose={() => setWrong(false)} />}
      <Sheet open={keys} onClose={() => setKeys(false)} title={words.show.keys}>
        <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
          {words.show.keyList.map(([key, does]) => [<dt key={key} className="font-semibold">{key}</dt>, <dd key={does}>{does}</dd>])}
        </dl>
      </Sheet>
    </div>
  );
}

/** What is not as usual: another side, another method. */
function About({ knot, view }: { knot: Schemas['Knot']; view: ShowSettings['view'] }) {
  const method = knot.methods[0]?.id === knot.method ? null : knot.methods.find((one) => one.id === knot.method)?.name;
  const notes = [view === 'learner' ? null : words.show.views[view], method].filter((note) => note !== null && note !== undefined);
  return notes.length > 0 && <span className="ml-3 font-sans text-base font-normal text-soft rail:text-xl">{notes.join(', ')}</span>;
}

/** The steps as beads on a rope; a bead jumps to its step. */
function Beads({ at, count, go }: { at: number; count: number; go: (to: number) => void }) {
  return (
    <div className="relative mt-1 flex justify-between">
      <span aria-hidden className="absolute inset-x-6 top-1/2 h-1 -translate-y-1/2 rounded bg-hemp" />
      {Array.from({ length: count }, (_, n) => (
        <button key={n} type="button" onClick={() => go(n)} aria-label={words.show.step(n + 1, count)} aria-current={n === at ? 'step' : undefined} className="relative grid size-12 place-items-center">
          <span className={`rounded-full border-[3px] border-ink ${n === at ? 'size-8 bg-signal' : n < at ? 'size-5 bg-hemp' : 'size-5 bg-paper'}`} />
        </button>
      ))}
    </div>
  );
}
