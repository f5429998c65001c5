import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { tookPlan } from '../api/queries';
import { Button } from '../ui/Button';
import { SelectField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { dayShort, inSentence } from '../words/format';
import { words } from '../words';
import { Consequence } from './Consequence';

export type Move = { knot: string; meeting: string | null };

const OUT = 'out';

/** Moves a knot to another meeting, once it is clear what that comes to. */
export function MoveSheet({
  move,
  course,
  onClose,
  onMoved,
}: {
  move: Move;
  course: Schemas['Course'];
  onClose: () => void;
  onMoved: (said: string) => void;
}) {
  const [meeting, setMeeting] = useState(move.meeting ?? OUT);
  const ahead = course.meetings.filter((one) => one.state !== 'past');
  const change = { moves: [{ knot: move.knot, meeting: meeting === OUT ? null : meeting }] };
  const here = course.places[move.knot] ?? OUT;
  const asked = useQuery({
    queryKey: ['what-if', move.knot, meeting],
    queryFn: () => call('POST', '/api/course/what-if', { body: change }),
    enabled: meeting !== here,
    staleTime: 0,
  });
  const take = useMutation({
    mutationFn: (free: boolean) =>
      free
        ? call('DELETE', '/api/course/knots/{knot}', { params: { path: { knot: move.knot } } })
        : call('PUT', '/api/course/plan', { body: change }),
    onSuccess: (now) => {
      tookPlan(now);
      const day = course.meetings.find((one) => one.id === now.places[move.knot])?.date;
      onMoved(
        words.course.moved({
          knot: course.knots[move.knot] ?? move.knot,
          day: day ? dayShort(day) : words.course.outOf,
        }),
      );
    },
  });
  return (
    <Sheet open onClose={onClose} title={words.course.move({ knot: inSentence(course.knots[move.knot] ?? move.knot) })}>
      <div className="flex flex-col gap-4">
        <SelectField
          label={words.course.moveTo}
          value={meeting}
          onChange={(event) => setMeeting(event.target.value)}
          options={[
            ...ahead.map(
              (one) => [one.id, `${words.course.meeting({ n: one.number })}, ${dayShort(one.date)}`] as const,
            ),
            [OUT, words.course.leaveOut],
          ]}
        />
        {meeting !== here &&
          (asked.data ? (
            <Consequence of={asked.data} course={course} />
          ) : asked.isError ? (
            <Faults error={asked.error} />
          ) : (
            <p role="status" className="text-soft">
              {words.course.reckoning}
            </p>
          ))}
        <Faults error={take.error} />
        <div className="flex flex-wrap gap-3">
          <Button look="signal" disabled={meeting === here || take.isPending} onClick={() => take.mutate(false)}>
            {words.course.moveIt}
          </Button>
          {course.pinned.includes(move.knot) && (
            <Button disabled={take.isPending} onClick={() => take.mutate(true)}>
              {words.course.free}
            </Button>
          )}
        </div>
      </div>
    </Sheet>
  );
}
