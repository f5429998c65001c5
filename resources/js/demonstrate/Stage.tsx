import {
  BookOpen,
  Box,
  Download,
  Eye,
  FlipHorizontal2,
  HandHelping,
  Image,
  Keyboard,
  MessageCircle,
  Rabbit,
  RotateCcw,
  SearchX,
  Smartphone,
  Turtle,
  Waypoints,
  X,
} from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { drawingFile } from '../api/queries';
import { wholeAt } from '../drawing/moment';
import { KnotPicture } from '../drawing/KnotPicture';
import { readySpace } from '../space/SpaceView';
import { Sheet } from '../ui/Sheet';
import { words } from '../words';
import { inRadians, type Turn } from '../space/sides';
import { InSpace } from './InSpace';
import { PhoneSheet } from './PhoneSheet';
import { useScreen } from './screen';
import { About, Beads, Finished } from './StageParts';
import { Item, ITEM, MoreTools, TOOL, Tool } from './StageTools';
import { useKeys } from './useKeys';
import type { ShowSettings } from '../device/useShowSettings';
import { useSwipe } from './useSwipe';
import { useTravel } from './useTravel';
import { forLearners } from './vocabulary';
import { useWakeLock } from './useWakeLock';
import { WrongForms } from './WrongForms';

const FULL = 'absolute inset-0 size-full p-2 rail:p-4';

type Opened = 'keys' | 'wrong' | 'phone' | null;

/** Twice through: the room watches, then ties along, where each move is shown again until the leader goes on. */
export function Stage({
  knot,
  settings,
  onMethod,
  onLeave,
}: {
  knot: Schemas['Knot'];
  settings: ShowSettings;
  onMethod: () => void;
  onLeave: () => void;
}) {
  const [at, setAt] = useState(0);
  const [along, setAlong] = useState(false);
  const [beside, setBeside] = useState(false);
  const [open, setOpen] = useState<Opened>(null);
  const stage = useRef<HTMLDivElement>(null);
  const last = knot.steps.length - 1;
  const step = knot.steps[at];
  const [run, setRun] = useState(0);
  const replay = (): void => setRun((now) => now + 1);
  useWakeLock();
  const go = (to: number): void => setAt(Math.max(0, Math.min(last, to)));
  const next = (): void => {
    if (at < last) go(at + 1);
    else if (!along) {
      setAlong(true);
      go(0);
    }
  };
  const previous = (): void => go(at - 1);
  const [asked, setAsked] = useState<Turn | null>(null);
  const screen = useScreen(
    knot.id,
    at + 1,
    last + 1,
    (to) => go(to - 1),
    (side) => {
      setAsked(inRadians(side));
      if (!settings.space) settings.toggleSpace();
    },
  );
  const swipe = useSwipe(next, previous);
  useKeys(
    {
      next,
      previous,
      first: () => go(0),
      last: () => go(last),
      left: settings.toggleLeft,
      view: settings.nextView,
      space: settings.toggleSpace,
      method: onMethod,
      story: settings.toggleStory,
      words: settings.toggleWords,
      replay,
      along: () => setAlong((now) => !now),
      finished: () => setBeside((now) => !now),
      slower: () => settings.changePace(-1),
      faster: () => settings.changePace(1),
      wrong: () => setOpen('wrong'),
      phone: () => setOpen('phone'),
      help: () => setOpen('keys'),
      leave: onLeave,
    },
    open !== null,
  );
  useEffect(() => {
    stage.current?.focus();
  }, []);
  useEffect(() => (knot.in_space ? readySpace({ id: knot.id, method: knot.method }) : undefined), [knot]);
  const whole = wholeAt(knot, step);
  // A tall knot stands beside its words on a wide screen; a broad one lies above them.
  const shown = whole ?? knot.loose;
  const tall = (knot.loose.box[2] ?? 1) < 1.15 * (knot.loose.box[3] ?? 1);
  const inSpace = settings.space && knot.in_space;
  const told = (settings.story ? step?.story : null) ?? step?.say ?? '';
  const say = settings.learnersWords ? forLearners(told) : told;
  const close = (): void => setOpen(null);
  return (
    <div
      ref={stage}
      tabIndex={-1}
      className="fixed inset-0 flex touch-pan-y flex-col bg-paper outline-none [--ground:var(--paper)]"
      data-testid="stage"
      data-mode={along ? 'along' : 'watch'}
      {...swipe}
    >
      <div className="flex flex-wrap items-center justify-between gap-x-2 px-3 pt-2 rail:flex-nowrap rail:px-6">
        <h1 className="min-w-0 flex-1 truncate text-2xl rail:text-4xl">
          {knot.name}
          <About knot={knot} view={settings.view} />
        </h1>
        {/* In the hand the tools have a line of their own. */}
        <div className="order-3 flex w-full shrink-0 items-center justify-between gap-0.5 overflow-x-auto rail:order-2 rail:w-auto rail:gap-1">
          <Tool name={words.show.along} pressed={along} onClick={() => setAlong((now) => !now)}>
            <HandHelping aria-hidden />
          </Tool>
          <Tool name={words.show.left} pressed={settings.view === 'left'} onClick={settings.toggleLeft}>
            <FlipHorizontal2 aria-hidden />
          </Tool>
          <Tool name={words.show.nextView} onClick={settings.nextView}>
            <Eye aria-hidden />
          </Tool>
          {knot.in_space && (
            <Tool name={words.space.inSpace} pressed={settings.space} onClick={settings.toggleSpace}>
              <Box aria-hidden />
            </Tool>
          )}
          {knot.wrong.length > 0 && (
            <Tool name={words.show.wrong} onClick={() => setOpen('wrong')}>
              <SearchX aria-hidden />
            </Tool>
          )}
          <MoreTools>
            {knot.methods.length > 1 && (
              <Item name={words.show.nextMethod} onSelect={onMethod}>
                <Waypoints aria-hidden />
              </Item>
            )}
            <Item name={words.show.finishedBeside} pressed={beside} onSelect={() => setBeside((now) => !now)}>
              <Image aria-hidden />
            </Item>
            <Item name={words.show.story} pressed={settings.story} onSelect={settings.toggleStory}>
              <BookOpen aria-hidden />
            </Item>
            <Item name={words.show.learnersWords} pressed={settings.learnersWords} onSelect={settings.toggleWords}>
              <MessageCircle aria-hidden />
            </Item>
            <Item name={words.show.replay} onSelect={replay}>
              <RotateCcw aria-hidden />
            </Item>
            <Item name={words.show.slower} disabled={settings.pace <= 0.5} onSelect={() => settings.changePace(-1)}>
              <Turtle aria-hidden />
            </Item>
            <Item name={words.show.faster} disabled={settings.pace >= 2} onSelect={() => settings.changePace(1)}>
              <Rabbit aria-hidden />
            </Item>
            <Item name={words.show.phone} pressed={screen.taken} onSelect={() => setOpen('phone')}>
              <Smartphone aria-hidden />
            </Item>
            <DropdownMenu.Item asChild>
              <a
                className={ITEM}
                href={drawingFile(knot, settings.view, step?.tight && knot.tight ? 'tight' : at + 1)}
                download
              >
                <Download aria-hidden /> {words.show.save}
              </a>
            </DropdownMenu.Item>
            <Item name={words.show.keys} onSelect={() => setOpen('keys')}>
              <Keyboard aria-hidden />
            </Item>
          </MoreTools>
        </div>
        <button
          type="button"
          className={`${TOOL} order-2 rail:order-3`}
          aria-label={words.show.close}
          title={words.show.close}
          onClick={onLeave}
        >
          <X aria-hidden />
        </button>
      </div>
      <div className={`relative flex min-h-0 flex-1 flex-col ${tall ? 'rail:flex-row' : ''}`}>
        <div className="relative min-h-0 flex-1">
          {inSpace ? (
            <InSpace knot={knot} step={step} run={run} pace={settings.pace} again={along} asked={asked} />
          ) : whole ? (
            <KnotPicture drawing={shown} moment={null} text={knot.text} className={FULL} />
          ) : (
            <Moving drawing={shown} step={step} run={run} pace={settings.pace} again={along} text={knot.text} />
          )}
          {!inSpace && <Sides previous={previous} next={next} />}
        </div>
        {beside && !tall && <Finished knot={knot} />}
        <div
          className={`px-4 rail:px-10 ${tall ? 'rail:flex rail:w-[34%] rail:flex-col rail:justify-center rail:pl-2' : ''}`}
        >
          {(at === 0 || at === last) &&
            knot.cautions.map((caution) => (
              <p key={caution} className="mb-2 border-l-4 border-signal pl-3 font-semibold rail:text-xl">
                {caution}
              </p>
            ))}
          {beside && tall && <Finished knot={knot} />}
          {along && <p className="font-semibold text-signal rail:text-2xl">{words.show.along}</p>}
          <p
            aria-live="polite"
            className="min-h-[4.5rem] text-[1.35rem] leading-tight font-semibold text-balance rail:min-h-20 rail:text-[2.2rem]"
          >
            <span className="sr-only">{words.show.step({ n: at + 1, all: last + 1 })}. </span>
            {say}
          </p>
        </div>
      </div>
      <div className="px-4 pb-3 rail:px-10 rail:pb-5">
        <Beads at={at} count={last + 1} go={go} />
      </div>
      {open === 'wrong' && <WrongForms knot={knot} inSpace={inSpace} onClose={close} />}
      <PhoneSheet open={open === 'phone'} screen={screen} onClose={close} />
      <Sheet open={open === 'keys'} onClose={close} title={words.show.keys}>
        <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
          {words.show.keyList.map(([key, does]) => [
            <dt key={key} className="font-semibold">
              {key}
            </dt>,
            <dd key={does}>{does}</dd>,
          ])}
        </dl>
      </Sheet>
    </div>
  );
}

/** A tap on the left third of the picture steps back, anywhere else on; in space the picture itself is turned. */
function Sides({ previous, next }: { previous: () => void; next: () => void }) {
  return (
    <>
      <button
        type="button"
        tabIndex={-1}
        aria-hidden
        className="absolute inset-y-0 left-0 w-1/3 cursor-w-resize"
        onClick={previous}
      />
      <button
        type="button"
        tabIndex={-1}
        aria-hidden
        className="absolute inset-y-0 right-0 w-2/3 cursor-e-resize"
        onClick={next}
      />
    </>
  );
}

/** The only thing that is drawn anew from frame to frame. */
function Moving({
  drawing,
  step,
  run,
  pace,
  again,
  text,
}: {
  drawing: Schemas['Drawing'];
  step: Schemas['KnotStep'] | undefined;
  run: number;
  pace: number;
  again: boolean;
  text: string;
}) {
  return <KnotPicture drawing={drawing} moment={useTravel(step, run, pace, again)} text={text} className={FULL} />;
}
