import type { Schemas } from '../api/client';
import { dayShort, inSentence, listOf } from '../words/format';
import { words } from '../words';

type Course = Pick<Schemas['Course'], 'knots'> & {
  meetings: Pick<Schemas['CourseMeeting'], 'id' | 'date'>[];
  badges?: { id: string; name: string }[];
};

/** What a change of plan comes to, in words. */
export function Consequence({ of, course }: { of: Schemas['Consequence']; course: Course }) {
  const day = (id: string | null): string => {
    const meeting = course.meetings.find((one) => one.id === id);
    return meeting ? dayShort(meeting.date) : words.course.outOf;
  };
  const knot = (id: string): string => course.knots[id] ?? id;
  const badge = (id: string): string => course.badges?.find((one) => one.id === id)?.name ?? id;
  const lines = [
    ...of.moves.map((move) =>
      words.course.nowIn({ knot: inSentence(knot(move.knot)), from: day(move.from), to: day(move.to) }),
    ),
    ...nowUnmet(of.unmet.after - of.unmet.before),
    ...of.badges.map((one) =>
      one.before === one.after
        ? words.course.badgeLater({ badge: badge(one.badge), later: one.later, sooner: one.sooner })
        : words.course.badgeNow({ badge: badge(one.badge), before: one.before, after: one.after }),
    ),
    ...of.lost.slice(0, 3).map((need) =>
      words.course.lostFor({
        knot: knot(need.knot),
        names: listOf(need.learners.slice(0, 5)),
        reason: words.course.causes[need.cause],
      }),
    ),
    ...(of.moves.length === 0 && of.lessons > 0 ? [words.course.lessonsMove({ n: of.lessons })] : []),
    ...(of.remembered.before.known === of.remembered.after.known
      ? []
      : [words.course.nowKnown({ before: of.remembered.before.known, after: of.remembered.after.known })]),
  ];
  const worse = of.unmet.after > of.unmet.before;
  return (
    <ul
      role="status"
      className={`flex flex-col gap-1 rounded-lg border-l-4 bg-wash px-4 py-3 ${worse ? 'border-notyet' : 'border-right'}`}
    >
      {(lines.length > 0 ? lines : [words.course.same]).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}

function nowUnmet(more: number): string[] {
  if (more === 0) return [];
  return [more > 0 ? words.course.nowUnmet.more({ n: more }) : words.course.nowUnmet.fewer({ n: -more })];
}
