import { useMutation } from '@tanstack/react-query';
import { CheckCheck, ChevronRight, MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { serverNow } from '../api/time';
import { type KeptStep, type Placing, store } from '../outbox/store';
import { takeStep } from '../outbox/sync';
import { useLive } from '../outbox/useLive';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { listOf } from '../words/format';
import { words } from '../words';
import { HandOver } from './BadgesTonight';
import { RigPart } from './RigPart';
import { Stations } from './Stations';

type RunSheet = Schemas['RunSheet'];
type Run = Schemas['Clock']['blocks'][number];
type Step = { step: Schemas['ClockStep']['step']; place?: number; shown?: Schemas['Block'][] };

/** Takes a step of a meeting's clock, with a network or without. */
export function useRun(meeting: string) {
  return useMutation({ mutationFn: (step: Step) => takeStep({ meeting, ...step }), networkMode: 'always' });
}

/** The time, second by second. */
function useServerTime(): number {
  const [shown, setShown] = useState(serverNow);
  useEffect(() => {
    const tick = window.setInterval(() => setShown(serverNow()), 1000);
    return () => clearInterval(tick);
  }, []);
  return shown;
}

/** The steps of a meeting's clock that are on this device. */
export const useSteps = (meeting: string): KeptStep[] =>
  useLive(() => store.steps.where('meeting').equals(meeting).sortBy('n'), [meeting], []);

/** What was done here and the server would not take, in its words, until somebody has seen it. */
export function Refused({ steps, places }: { steps: KeptStep[]; places: Placing[] }) {
  const refused = (one: KeptStep | Placing): boolean => one.state === 'refused';
  return [
    ...steps.filter(refused).map((one) => (
      <RefusedOne key={one.n} onSeen={() => void store.steps.delete(one.n ?? 0)}>
        {words.session.refused[one.step]({ why: one.fault ?? '' })}
      </RefusedOne>
    )),
    ...places.filter(refused).map((one) => (
      <RefusedOne key={one.key} onSeen={() => void store.places.delete(one.key)}>
        {words.session.refused[one.is]({ why: one.fault ?? '' })}
      </RefusedOne>
    )),
  ];
}

function RefusedOne({ children, onSeen }: { children: string; onSeen: () => void }) {
  return (
    <div
      role="alert"
      className="mb-3 flex items-center justify-between gap-3 rounded-lg border-2 border-notyet px-3 py-1"
    >
      <p>{children}</p>
      <Button look="quiet" onClick={onSeen}>
        {words.session.seen}
      </Button>
    </div>
  );
}

const minutesBetween = (from: string | null, to: number): number =>
  from === null ? 0 : Math.max(0, to - Date.parse(from)) / 60_000;

/** The run sheet of a meeting under way: what runs, how long it has left, and one tap to the next. */
export function ClockList({ sheet }: { sheet: RunSheet }) {
  const me = useMe();
  const { clock, knots } = sheet;
  const now = useServerTime();
  const run = useRun(sheet.meeting.id);
  const running = clock.blocks.find((block) => block.state === 'running');
  const planned = clock.blocks
    .filter((block) => block.state === 'done' || block === running)
    .reduce((sum, block) => sum + block.planned, 0);
  const elapsed = minutesBetween(clock.started_at, now);
  const into = minutesBetween(running?.started_at ?? null, now);
  // What is over makes room for what is on.
  const behindUs = running ? clock.blocks.slice(0, clock.blocks.indexOf(running)) : [];
  const nameOf = (block: Run): string => {
    const stations = [block.knot, ...block.beside.map((one) => one.knot)].filter((knot) => knot !== null);
    if (stations.length > 0) return listOf([...new Set(stations)].map((knot) => knots[knot] ?? knot));
    return block.rig ? (sheet.rigs[block.rig]?.name ?? block.rig) : words.session.kinds[block.kind];
  };
  const tapped = useRef(-Infinity);
  const next = (place: number, at: number): void => {
    // A second tap of a cold finger is no second step.
    if (at - tapped.current < 500) return;
    tapped.current = at;
    run.mutate({ step: 'next', place });
  };
  const behind = running ? Math.round(elapsed - (planned - running.planned) - Math.min(into, running.planned)) : 0;
  return (
    <section aria-labelledby="blocks">
      <div className="mb-3 flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="blocks" className="text-xl">
          {words.session.clock}
        </h2>
        {running && (
          <p className="text-soft" data-testid="behind">
            {onTime(behind)}
          </p>
        )}
      </div>
      <Faults error={run.error} />
      {clock.blocks.length === 0 && (
        <>
          <p className="mb-1">{words.session.unplanned}</p>
          <p className="mb-3">
            <Link to="/check" className={LINK}>
              <CheckCheck aria-hidden className="size-5" /> {words.session.check}
            </Link>
          </p>
        </>
      )}
      {behindUs.length > 0 && (
        <details className="mb-2">
          <summary className="flex min-h-12 cursor-pointer items-center gap-2 px-3 text-soft">
            <ChevronRight aria-hidden className="size-5 transition-transform in-open:rotate-90" />
            {words.session.overAlready({ n: behindUs.length })}
          </summary>
          <ol className="flex flex-col">
            {behindUs.map((block) => (
              <Other key={block.id} block={block} name={nameOf(block)} now={now} onStep={run.mutate} />
            ))}
          </ol>
        </details>
      )}
      <ol className="flex flex-col gap-2">
        {clock.blocks.slice(behindUs.length).map((block) => {
          const name = nameOf(block);
          if (block !== running)
            return <Other key={block.id} block={block} name={name} now={now} onStep={run.mutate} />;
          // Rounded up, and never a nought below nought.
          const left = Math.ceil(block.planned - into) || 0;
          return (
            <li
              key={block.id}
              aria-current="step"
              className="rounded-xl border-2 border-signal bg-card p-4"
              data-testid="running"
            >
              <div className="flex items-start justify-between gap-3">
                <div>
                  <p className="text-sm text-soft">
                    {words.session.running}: {words.session.kinds[block.kind]}
                  </p>
                  <p className="font-display text-2xl leading-tight font-bold">{name}</p>
                </div>
                <p
                  className={`shrink-0 text-end text-lg font-bold whitespace-nowrap tabular-nums ${left < 0 ? 'text-notyet' : ''}`}
                  aria-live="polite"
                >
                  {left < 0 ? words.session.over({ n: -left }) : words.session.left({ n: left })}
                </p>
              </div>
              <span aria-hidden className="my-2 block h-3.5 overflow-hidden rounded-full border border-ink bg-paper">
                <span
                  className={`block h-full border-r border-ink ${left < 0 ? 'bg-signal' : 'bg-hemp bg-[repeating-linear-gradient(115deg,transparent_0_6px,rgb(17_36_45/0.4)_6px_7.5px)]'}`}
                  style={{ width: `${Math.min(100, (into / Math.max(0.1, block.planned)) * 100)}%` }}
                />
              </span>
              <p className="text-sm text-soft">{block.why}</p>
              <RigPart block={block} sheet={sheet} open />
              {block.kind === 'award' && sheet.badges && <HandOver badges={sheet.badges} />}
              <Stations of={block} place={block.place} sheet={sheet} />
              {me.may.teach && (
                <div className="mt-3 flex gap-2 print:hidden">
                  <Button
                    look="signal"
                    className="min-h-14 flex-1 text-lg"
                    onClick={(event) => next(block.place, event.timeStamp)}
                  >
                    {words.session.nextBlock} <ChevronRight aria-hidden />
                  </Button>
                  <More block={block} name={name} onStep={run.mutate} />
                </div>
              )}
            </li>
          );
        })}
      </ol>
      {me.may.teach && clock.ended_at === null && (
        <Button
          className="mt-4 print:hidden"
          look={running ? 'plain' : 'signal'}
          onClick={() => run.mutate({ step: 'end' })}
        >
          {words.session.end}
        </Button>
      )}
    </section>
  );
}

/** A block that does not run: waiting, or over. */
function Other({ block, name, now, onStep }: { block: Run; name: string; now: number; onStep: (step: Step) => void }) {
  const me = useMe();
  const waiting = block.state === 'waiting';
  return (
    <li
      className={`flex min-h-12 items-center gap-3 rounded-lg px-3 ${waiting ? 'border border-line bg-card' : 'text-soft'}`}
    >
      <span className="flex-1">
        <span className={block.state === 'skipped' ? 'line-through' : 'font-semibold'}>{name}</span>{' '}
        {(block.knot || block.rig) && <span className="text-sm text-soft">{words.session.kinds[block.kind]}</span>}
      </span>
      <span className="text-sm text-soft tabular-nums">
        {block.state === 'done'
          ? words.session.took({
              taken: Math.round(
                minutesBetween(block.started_at, block.ended_at === null ? now : Date.parse(block.ended_at)),
              ),
              planned: Math.round(block.planned),
            })
          : block.state === 'waiting'
            ? words.course.minutes({ n: Math.round(block.planned) })
            : words.session.states[block.state]}
      </span>
      {waiting && me.may.teach && <More plain block={block} name={name} onStep={onStep} />}
    </li>
  );
}

function More({
  block,
  name,
  onStep,
  plain = false,
}: {
  plain?: boolean;
  block: Run;
  name: string;
  onStep: (step: Step) => void;
}) {
  const steps: (readonly [Step['step'], string])[] = [
    ['skip', words.session.skip],
    ...(block.planned >= 2 ? [['split', words.session.split] as const] : []),
    ...(block.knot ? [['carry', words.session.carry] as const] : []),
  ];
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`${words.session.more}: ${name}`}
        className={`grid size-12 shrink-0 place-items-center rounded-lg hover:bg-wash print:hidden ${plain ? '-me-3' : 'border border-line'}`}
      >
        <MoreHorizontal aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-40 min-w-48 rounded-xl border border-line bg-card p-1 shadow-lg">
          {steps.map(([step, label]) => (
            <DropdownMenu.Item
              key={step}
              onSelect={() => onStep({ step, place: block.place })}
              className="flex min-h-12 cursor-pointer items-center rounded-lg px-3 font-semibold outline-none data-[highlighted]:bg-wash"
            >
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function onTime(behind: number): string {
  const say = words.session.behind;
  return behind > 0 ? say.behind({ n: behind }) : behind < 0 ? say.ahead({ n: -behind }) : say.onTime;
}
