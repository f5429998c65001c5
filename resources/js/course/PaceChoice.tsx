import { useMutation, useQuery } from '@tanstack/react-query';
import { call, type Schemas } from '../api/client';
import { outlookQuery, tookPlan } from '../api/queries';
import { Faults } from '../ui/states';
import { dayShort, number } from '../words/format';
import { words } from '../words';

const PACES = ['soon', 'keep'] as const;

/** One choice, with what either side of it would come to beside the other. */
export function PaceChoice({ course }: { course: Schemas['Course'] }) {
  const outlook = useQuery(outlookQuery);
  const choose = useMutation({
    mutationFn: (pace: (typeof PACES)[number]) => call('PUT', '/api/course/pace', { body: { pace } }),
    onSuccess: tookPlan,
  });
  return (
    <fieldset className="print:hidden">
      <legend className="mb-2 font-display text-xl font-bold">{words.course.pace}</legend>
      <div className="grid grid-cols-2 gap-2">
        {PACES.map((pace) => (
          <label
            key={pace}
            className={`flex cursor-pointer flex-col gap-1 rounded-xl border-2 bg-card p-3 has-focus-visible:outline-2 ${course.pace === pace ? 'border-signal' : 'border-line'}`}
          >
            <span className="flex min-h-8 items-center gap-2 font-semibold">
              <input
                type="radio"
                name="pace"
                className="size-5 accent-signal"
                checked={course.pace === pace}
                disabled={choose.isPending}
                onChange={() => choose.mutate(pace)}
              />
              {words.course.paces[pace]}
            </span>
            {outlook.data ? (
              <Outlook of={outlook.data.paces[pace]} />
            ) : (
              <span className="text-sm text-soft">{words.course.reckoning}</span>
            )}
          </label>
        ))}
      </div>
      <Faults error={choose.error ?? outlook.error} />
    </fieldset>
  );
}

function Outlook({ of }: { of: Schemas['PaceOutlook'] }) {
  const { completed, remembered } = of;
  return (
    <span className="flex flex-col text-sm">
      <span>
        {words.course.completed({ n: completed.badges, all: completed.of })}
        {completed.meetings !== null && `, ${words.course.inTheMean({ n: number(completed.meetings, 1) })}`}
      </span>
      <span>
        {words.course.stillKnown({
          known: number(remembered.known),
          learned: number(remembered.learned),
          day: dayShort(remembered.on),
        })}
      </span>
      {of.missing > 0 && <span className="text-notyet">{words.course.missing({ n: of.missing })}</span>}
    </span>
  );
}
