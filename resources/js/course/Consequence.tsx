import type { Schemas } from '../api/client';
import { dayShort, listOf } from '../words/format';
import { words } from '../words/en';

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
    ...of.moves.map((move) => words.course.nowIn(knot(move.knot), day(move.from), day(move.to))),
    ...(of.unmet.before === of.unmet.after ? [] : [words.course.nowUnmet(of.unmet.before, of.unmet.after)]),
    ...of.badges.map((one) =>
      one.before === one.after
        ? words.course.badgeLater(badge(one.badge), one.later, one.sooner)
        : words.course.badgeNow(badge(one.badge), one.before, one.after),
    ),
    ...of.lost
      .slice(0, 3)
      .map((need) =>
        words.course.lostFor(knot(need.knot), listOf(need.learners.slice(0, 5)), words.course.causes[need.cause]),
      ),
    ...(of.moves.length === 0 && of.lessons > 0 ? [words.course.lessonsMove(of.lessons)] : []),
    ...(of.remembered.before.known === of.remembered.after.known
      ? []
      : [words.course.nowKnown(of.remembered.before.known, of.remembered.after.known)]),
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
