import { useQuery } from '@tanstack/react-query';
import { CalendarPlus, Printer } from 'lucide-react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { courseQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { dayLong, dayShort, listOf, number, percent } from '../words/format';
import { words } from '../words/en';
import { AddMeeting } from './AddMeeting';
import { StartTonight } from './ChangeMeeting';
import { type Move, MoveSheet } from './MoveSheet';
import { TermLine } from './TermLine';
import { Proposal, WhatIf } from './WhatIf';

type Course = Schemas['Course'];

export function CoursePage() {
  const me = useMe();
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
          {me.may.teach && me.tonight === null && <StartTonight />}
          {me.may.plan && (
            <Button onClick={() => setAdding(true)}>
              <CalendarPlus aria-hidden className="size-5" /> {words.course.addMeeting}
            </Button>
          )}
        </div>
      </div>
      <style>{'@page { size: A4 landscape; margin: 10mm } @media print { #course { zoom: 0.62 } }'}</style>
      <p aria-live="polite" className="sr-only">
        {said}
      </p>
      {me.may.plan && course.data.proposal && (
        <Proposal of={course.data.proposal} course={course.data} meetings={course.data.meetings} />
      )}
      <div>
        <TermLine
          meetings={course.data.meetings}
          knots={course.data.knots}
          rigs={course.data.rigs}
          pinned={course.data.pinned}
          onMove={me.may.plan ? (knot, meeting) => setMove({ knot, meeting }) : undefined}
        />
        {me.may.plan && <p className="mt-2 text-sm text-soft print:hidden">{words.course.moveHelp}</p>}
      </div>
      <div className="grid gap-8 rail:grid-cols-[1.6fr_1fr] print:grid-cols-[2fr_1fr]">
        <Badges course={course.data} />
        <div className="flex flex-col gap-8">
          <Unmet course={course.data} />
          {me.may.plan && <WhatIf course={course.data} />}
          <Pace course={course.data} />
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

function Badges({ course }: { course: Course }) {
  return (
    <section aria-labelledby="badges">
      <h2 id="badges" className="mb-3 text-xl">
        {words.course.badges}
      </h2>
      <ul className="flex flex-col gap-5 print:grid print:grid-cols-2 print:gap-3">
        {course.badges.map((badge) => (
          <li key={badge.id} className="rounded-xl border border-line bg-card p-4">
            <div className="mb-3 flex flex-wrap items-baseline justify-between gap-x-4">
              <h3 className="text-lg">{badge.name}</h3>
              <span className="text-sm text-soft">
                {words.course.complete(badge.complete, badge.learners)}
                {badge.due_on && `, ${words.course.due(dayShort(badge.due_on))}`}
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
        {words.course.met(knot.met, knot.needed)};{' '}
        {knot.choice ? words.course.choice(knot.choice) : words.course.firstIn(knot.meeting)}
      </span>
    </li>
  );
}

function Unmet({ course }: { course: Course }) {
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
            {course.proven ? words.course.proven : words.course.bounded(course.bound)}
          </p>
          <ul className="flex flex-col gap-3">
            {course.unmet.map((need, n) => (
              <li key={n} className="rounded-xl border border-line bg-card p-4">
                <h3 className="text-base">
                  {course.knots[need.knot] ?? need.knot}{' '}
                  <span className="font-sans text-sm font-normal text-soft">
                    ({words.levels[need.level]}, {words.course.forWhom(need.learners.length)})
                  </span>
                </h3>
                <p>
                  {need.reason} <strong>{need.remedy}</strong>
                </p>
                <p className="text-sm text-soft">
                  {listOf(need.learners.slice(0, 6))}
                  {need.learners.length > 6 && ` +${number(need.learners.length - 6)}`}
                </p>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** How this group's blocks run against the minutes of the rule. */
function Pace({ course }: { course: Course }) {
  const known = course.pace.filter((one) => one.kind === 'new' || one.kind === 'again' || one.kind === 'old');
  if (known.length === 0) return null;
  return (
    <section aria-labelledby="pace" className="print:hidden">
      <h2 id="pace" className="mb-2 text-xl">
        {words.course.pace}
      </h2>
      <ul>
        {known.map((one) => (
          <li key={one.kind}>
            {words.course.paceLine(
              words.session.kinds[one.kind as 'new'],
              `${percent(one.from)} – ${percent(one.to)}`,
              one.runs,
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
