import { useMutation } from '@tanstack/react-query';
import { call, type Schemas } from '../api/client';
import { tookPlan } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { dayShort, inSentence, listOf, number } from '../words/format';
import { words } from '../words';
import { Consequence } from './Consequence';

type Course = Schemas['Course'];
type Need = Schemas['Unmet'];

/** What the plan leaves out: each with what alone keeps it out, and the change that would mend it. */
export function Unmet({ course }: { course: Course }) {
  return (
    <section aria-labelledby="unmet">
      <h2 id="unmet" className="mb-3 text-xl">
        {words.course.unmet}
      </h2>
      {course.unmet.length === 0 ? (
        <p className="text-soft">{words.course.fits}</p>
      ) : (
        <>
          <p className="mb-3 text-sm text-soft">
            {words.course.missing({ n: course.missing })}{' '}
            {course.bound >= course.missing ? words.course.proven : words.course.bounded({ n: course.bound })}
          </p>
          <ul className="flex flex-col gap-3">
            {course.unmet.map((need, n) => (
              <li key={n} className="rounded-xl border border-line bg-card p-4">
                <h3 className="text-base">
                  {course.knots[need.knot] ?? need.knot}{' '}
                  <span className="font-sans text-sm font-normal text-soft">
                    ({words.levels[need.level]}, {words.course.forWhom({ n: need.learners.length })})
                  </span>
                </h3>
                <p>{words.course.causes[need.cause]}</p>
                <p className="text-sm text-soft">
                  {listOf(need.learners.slice(0, 6))}
                  {need.learners.length > 6 && ` +${number(need.learners.length - 6)}`}
                </p>
                {need.remedy && <Remedy of={need.remedy} course={course} />}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function said({ kind, what, by }: Schemas['Remedy'], course: Course): string {
  const meeting = course.meetings.find((one) => one.id === what);
  const day = meeting ? dayShort(meeting.date) : '';
  switch (kind) {
    case 'unpin':
      return words.course.remedies.unpin({ knot: inSentence(course.knots[what] ?? what) });
    case 'minutes':
      return words.course.remedies.minutes({ n: by, day });
    case 'checker':
      return words.course.remedies.checker({ day });
    case 'date':
      return words.course.remedies.date({
        badge: course.badges.find((one) => one.id === what)?.name ?? what,
        days: by,
      });
    case 'meeting':
      return words.course.remedies.meeting({ day: dayShort(what) });
    case 'drop':
      return words.course.remedies.drop({ knot: inSentence(course.knots[what] ?? what) });
  }
}

/** Tried with one tap, done with another. */
function Remedy({ of, course }: { of: NonNullable<Need['remedy']>; course: Course }) {
  const me = useMe();
  const change = { remedy: of.change };
  const attempt = useMutation({
    mutationFn: () => call('POST', '/api/course/what-if', { body: change }),
  });
  const mend = useMutation({
    mutationFn: () => call('PUT', '/api/course/remedy', { body: change }),
    onSuccess: tookPlan,
  });
  return (
    <div className="mt-2 flex flex-col gap-2">
      <p className="font-semibold">{said(of.change, course)}</p>
      {me.may.plan &&
        (attempt.data ? (
          <>
            <Consequence of={attempt.data} course={course} />
            <Button look="signal" className="self-start" disabled={mend.isPending} onClick={() => mend.mutate()}>
              {words.course.doIt}
            </Button>
          </>
        ) : (
          <Button className="self-start" disabled={attempt.isPending} onClick={() => attempt.mutate()}>
            {attempt.isPending ? words.course.reckoning : words.course.tryIt}
          </Button>
        ))}
      <Faults error={attempt.error ?? mend.error} />
    </div>
  );
}
