import type { Schemas } from '../api/client';
import type { KeptStep } from '../outbox/store';

type RunSheet = Schemas['RunSheet'];
type Clock = Schemas['Clock'];
type Run = Clock['blocks'][number];

/** As far apart as the server puts the blocks it starts with. */
const APART = 10;

/** A moment as the server writes it. */
const written = (at: number): string => `${new Date(at).toISOString().slice(0, 19)}Z`;

/** No step is taken before the one it comes after, whatever the device's clock says meanwhile. */
function notBefore(clock: Clock, at: string): string {
  return [clock.started_at, ...clock.blocks.flatMap((one) => [one.started_at, one.ended_at])].reduce<string>(
    (latest, one) => (one !== null && one > latest ? one : latest),
    at,
  );
}

const isOpen = (block: Run): boolean => block.state === 'waiting' || block.state === 'running';

function started(shown: Schemas['Block'][], at: string): Run[] {
  return shown.map((one, n) => ({
    id: `here-${n * APART}`,
    place: n * APART,
    kind: one.kind,
    knot: one.knot,
    rig: one.rig,
    planned: one.minutes,
    state: n === 0 ? 'running' : 'waiting',
    why: one.why,
    beside: one.beside,
    learners: one.learners,
    helpers: one.helpers,
    checkers: one.checkers,
    started_at: n === 0 ? at : null,
    ended_at: null,
  }));
}

function left(blocks: Run[], block: Run, state: Run['state'], at: string): Run[] {
  const running = block.state === 'running';
  if (!isOpen(block) || (state === 'done' && !running)) return blocks;
  const next = running ? blocks.find((one) => one.state === 'waiting') : undefined;
  return blocks.map((one) =>
    one === block
      ? { ...one, state, ended_at: running ? at : null }
      : one === next
        ? { ...one, state: 'running', started_at: at }
        : one,
  );
}

function split(blocks: Run[], block: Run): Run[] {
  if (!isOpen(block) || block.planned < 2) return blocks;
  const half = Math.round(block.planned * 5) / 10;
  let place = (blocks.find((one) => one.state === 'waiting' && one.place > block.place) ?? block).place + 1;
  while (blocks.some((one) => one.place === place)) place += 1;
  const rest: Run = {
    ...block,
    id: `here-${place}`,
    place,
    planned: Math.round((block.planned - half) * 10) / 10,
    state: 'waiting',
    started_at: null,
    ended_at: null,
  };
  return [...blocks.map((one) => (one === block ? { ...one, planned: half } : one)), rest].sort(
    (a, b) => a.place - b.place,
  );
}

const BECOMES = { next: 'done', skip: 'skipped', carry: 'carried' } as const;

function stepped(clock: Clock, step: KeptStep): Clock {
  const at = notBefore(clock, written(step.at));
  if (step.step === 'start')
    return clock.started_at === null ? { ...clock, started_at: at, blocks: started(step.shown ?? [], at) } : clock;
  if (clock.started_at === null || clock.ended_at !== null) return clock;
  if (step.step === 'end') {
    return {
      ...clock,
      ended_at: at,
      blocks: clock.blocks.map((one) =>
        one.state === 'running'
          ? { ...one, state: 'done', ended_at: at }
          : one.state === 'waiting'
            ? { ...one, state: 'skipped' }
            : one,
      ),
    };
  }
  const block = clock.blocks.find((one) => one.place === step.place);
  if (!block || (step.step === 'carry' && block.knot === null)) return clock;
  return {
    ...clock,
    blocks: step.step === 'split' ? split(clock.blocks, block) : left(clock.blocks, block, BECOMES[step.step], at),
  };
}

/** The sheet with the steps that wait on this device: what the server will make of them, shown until it has. */
export function withSteps(sheet: RunSheet, steps: KeptStep[]): RunSheet {
  return { ...sheet, clock: steps.filter((one) => one.state === 'waiting').reduce(stepped, sheet.clock) };
}
