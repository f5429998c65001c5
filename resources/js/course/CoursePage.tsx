import { useMutation, useQuery } from '@tanstack/react-query';
import { CalendarPlus, Printer } from 'lucide-react';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { courseQuery, outlookQuery, tookPlan } from '../api/queries';
import { useMe } from '../device/me';
import { useTonight } from '../device/useEvenings';
import { Button } from '../ui/Button';
import { Failure, Faults, Loading } from '../ui/states';
import { dayLong, dayShort, number } from '../words/format';
import { words } from '../words';
import { AddMeeting } from './AddMeeting';
import { StartTonight } from './ChangeMeeting';
import { Measured } from './Measured';
import { type Move, MoveSheet } from './MoveSheet';
import { PaceChoice } from './PaceChoice';
import { Rounds } from './Rounds';
import { TermLine } from './TermLine';
import { Unmet } from './Unmet';
import { Proposal, WhatIf } from './WhatIf';

type Course = Schemas['Course'];

export function CoursePage() {
  const me = useMe();
  const tonight = useTonight();
  const course = useQuery(courseQuery);
  const [adding, setAdding] = useState(false);
  const [move, setMove] = useState<Move | null>(null);
  const [said, setSaid] = useState('');
  if (course.isPending) return <Loading />;
  if (course.isError) return <Failure error={course.error} retry={() => void course.refetch()} />;
  return (
    <div id="course" className="flex flex-col gap-8 print:block">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">{me.group.name}</h1>
          <p className="text-soft">{dayLong(me.today)}</p>
        </div>
        <div className="flex flex-wrap gap-3 print:hidden">
          <Button onClick={() => window.print()}>
            <Printer aria-hidden className="size-5" /> {words.course.print}
          </Button>
          {me.may.teach && tonight === null && <StartTonight />}
          {me.may.plan && (
            <Button onClick={() => setAdding(true)}>
              <CalendarPlus aria-hidden className="size-5" /> {words.course.addMeeting}
            </Button>
          )}
        </div>
      </div>
      <style>{'@page { size: A4 landscape; margin: 10mm } @media print { #course { zoom: 0.6 } }'}</style>
      <p aria-live="polite" className="sr-only">
        {said}
      </p>
      {me.may.plan && <Standing course={course.data} />}
      <div>
        <TermLine
          meetings={course.data.meetings}
          knots={course.data.knots}
          rigs={course.data.rigs}
          pinned={course.data.pinned}
          onMove={me.may.plan ? (knot, meeting) => setMove({ knot, meeting }) : undefined}
        />
        {me.may.plan && <p className="mt-2 text-sm text-soft print:hidden">{words.course.moveHelp}</p>}
        <Known of={course.data.remembered} />
      </div>
      <Rounds course={course.data} />
      <div className="grid gap-8 rail:grid-cols-[1.6fr_1fr] print:grid-cols-[4fr_1fr]">
        <Badges course={course.data} />
        <div className="flex flex-col gap-8">
          <Unmet course={course.data} />
          {me.may.plan && <PaceChoice course={course.data} />}
          {me.may.plan && <WhatIf course={course.data} />}
          <Measured course={course.data} />
        </div>
      </div>
      {move && (
        <MoveSheet
          move={move}
          course={course.data}
          onClose={() => setMove(null)}
          onMoved={(now) => {
            setMove(null);
            setSaid(now);
          }}
        />
      )}
      <AddMeeting open={adding} onClose={() => setAdding(false)} today={me.today} />
    </div>
  );
}

/** What the group will still know at the end, said once for the whole term. */
function Known({ of }: { of: Course['remembered'] }) {
  if (of.learned === 0) return null;
  return (
    <p className="mt-3 text-lg" data-testid="known">
      {words.course.stillKnown({ known: number(of.known), learned: number(of.learned), day: dayShort(of.on) })}
    </p>
  );
}

/** A plan is a promise once a leader holds to it; from then on a better one is offered, and nothing moves by itself. */
function Standing({ course }: { course: Course }) {
  const outlook = useQuery(outlookQuery);
  const hold = useMutation({
    mutationFn: () => call('PUT', '/api/course/plan', { body: { as_it_stands: true } }),
    onSuccess: tookPlan,
  });
  if (course.accepted)
    return outlook.data?.proposal ? (
      <Proposal of={outlook.data.proposal} course={course} meetings={course.meetings} />
    ) : (
      <Looking of={outlook.data} />
    );
  if (course.meetings.every((one) => one.state === 'past' || one.blocks.every((block) => block.knot === null)))
    return null;
  return (
    <section className="flex flex-wrap items-center justify-between gap-3 rounded-xl border border-line bg-card p-4 print:hidden">
      <div className="max-w-prose">
        <p>{words.course.fluid}</p>
        <Looking of={outlook.data} />
      </div>
      <Button disabled={hold.isPending} onClick={() => hold.mutate()}>
        {words.course.hold}
      </Button>
      <Faults error={hold.error} />
    </section>
  );
}

/** Said while the planner looks on. */
function Looking({ of }: { of: Schemas['Outlook'] | undefined }) {
  return of?.improving ? <p className="text-sm text-soft print:hidden">{words.course.looking}</p> : null;
}

function Badges({ course }: { course: Course }) {
  return (
    <section aria-labelledby="badges">
      <h2 id="badges" className="mb-3 text-xl">
        {words.course.badges}
      </h2>
      <ul className="flex flex-col gap-5 print:grid print:grid-cols-3 print:gap-2">
        {course.badges.map((badge) => (
          <li key={badge.id} className="rounded-xl border border-line bg-card p-4">
            <div className="mb-3 flex flex-wrap items-baseline justify-between gap-x-4">
              <h3 className="text-lg">{badge.name}</h3>
              <span className="text-sm text-soft">
                {words.course.complete({ done: badge.complete, all: badge.learners })}
                {badge.due_on && `, ${words.course.due({ day: dayShort(badge.due_on) })}`}
              </span>
            </div>
            <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3">
              {badge.knots.map((knot, n) => (
                <Segment key={n} knot={knot} name={course.knots[knot.knot] ?? knot.knot} />
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One requirement as a length of rope that fills as learners meet it. */
function Segment({ knot, name }: { knot: Course['badges'][number]['knots'][number]; name: string }) {
  const share = knot.needed === 0 ? 0 : knot.met / knot.needed;
  return (
    <li className="text-sm">
      <span className="block truncate font-semibold" title={name}>
        {name}
      </span>
      <span aria-hidden className="my-1 block h-3.5 overflow-hidden rounded-full border border-ink bg-card">
        <span
          className="block h-full border-r border-ink bg-hemp bg-[repeating-linear-gradient(115deg,transparent_0_6px,rgb(17_36_45/0.4)_6px_7.5px)]"
          style={{ width: `${share * 100}%` }}
        />
      </span>
      <span className="text-soft">
        {words.course.met({ met: knot.met, all: knot.needed })};{' '}
        {knot.choice ? words.course.choice({ of: knot.choice }) : firstIn(knot.meeting)}
      </span>
    </li>
  );
}

const firstIn = (n: number | null): string =>
  n === null ? words.course.firstIn.none : words.course.firstIn.meeting({ n });
