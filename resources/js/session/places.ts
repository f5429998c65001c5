import type { Schemas } from '../api/client';
import type { Placing } from '../outbox/store';

type RunSheet = Schemas['RunSheet'];
type Run = Schemas['Clock']['blocks'][number];
type Person = { id: string; name: string };

const without = (ids: string[], id: string): string[] => ids.filter((one) => one !== id);

/** A block with the learner at the station of that knot, at none of its others, and no helper there any more. */
function moved(block: Run, learner: string, to: string | null): Run {
  const knots = [block.knot, ...block.beside.map((one) => one.knot)];
  const at = to === null ? -1 : knots.indexOf(to);
  const seen = <T extends { learners: string[]; helpers: string[] }>(station: T, number: number): T => ({
    ...station,
    helpers: without(station.helpers, learner),
    learners: [...without(station.learners, learner), ...(number === at ? [learner] : [])],
  });
  return { ...seen(block, 0), beside: block.beside.map((one, n) => seen(one, n + 1)) };
}

function led(leads: RunSheet['leads'], knot: string, isLed: boolean, me: Person): RunSheet['leads'] {
  const others = (leads[knot] ?? []).filter((one) => one.id !== me.id);
  return { ...leads, [knot]: isLed ? [...others, me] : others };
}

/** The sheet with what was said of who is where and waits on this device: as the server will have it, shown until it has. */
export function withPlaces(sheet: RunSheet, places: Placing[], me: Person): RunSheet {
  return places
    .filter((one) => one.state === 'waiting')
    .reduce((now, one) => {
      if (one.is === 'leads')
        return one.by === me.id ? { ...now, leads: led(now.leads, one.knot, one.leads, me) } : now;
      const blocks = now.clock.blocks.map((block) =>
        block.place === one.place ? moved(block, one.learner, one.to) : block,
      );
      return { ...now, clock: { ...now.clock, blocks } };
    }, sheet);
}
