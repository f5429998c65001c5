import { listOf } from '../words/format';
import { words } from '../words';

/** The patrol that those at a station are of, who are of any; none where they are of several. */
export function patrolAt(ids: string[], roll: readonly { id: string; patrol: string | null }[]): string | undefined {
  const patrols = new Set(roll.flatMap((one) => (ids.includes(one.id) && one.patrol !== null ? [one.patrol] : [])));
  return patrols.size === 1 ? [...patrols][0] : undefined;
}

/** Who is somewhere: by name, or all but a few where that is shorter. */
export function whoIsThere(ids: string[], people: Record<string, string>): string {
  const names = (of: string[]): string => listOf(of.map((id) => people[id] ?? '').filter(Boolean));
  const others = Object.keys(people).filter((id) => !ids.includes(id));
  return ids.length <= 6 || others.length > 4
    ? names(ids)
    : others.length === 0
      ? words.course.allBut.all
      : words.course.allBut.but({ names: names(others) });
}
