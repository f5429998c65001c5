import { useMutation, useQuery } from '@tanstack/react-query';
import { Backpack, Pencil, Play, Printer, UserMinus, Wrench } from 'lucide-react';
import { useState } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import { call, type Schemas } from '../api/client';
import { dayIn } from '../api/time';
import { courseQuery, meetingNowQuery, queryClient, runSheetQuery } from '../api/queries';
import { type Evening, store } from '../outbox/store';
import { useLive } from '../outbox/useLive';
import { useMe } from '../device/me';
import { useEvenings } from '../device/useEvenings';
import { ChangeMeeting } from '../course/ChangeMeeting';
import { whoIsThere } from '../course/people';
import { Proposal } from '../course/WhatIf';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Failure, Faults, Loading } from '../ui/states';
import { dayLong, timeAfter } from '../words/format';
import { words } from '../words';
import { BadgesTonight, HandOver } from './BadgesTonight';
import { withSteps } from './clock';
import { ClockList, Refused, useRun, useSteps } from './ClockList';
import { eveningQuery } from './evening';
import { withPlaces } from './places';
import { PracticeStation } from './PracticeStation';
import { RigPart } from './RigPart';
import { Roll } from './Roll';
import { Stations } from './Stations';

type RunSheet = Schemas['RunSheet'];

/** Each meeting has a page of its own: what is on the device is watched for the one it was opened for. */
export function SessionPage() {
  const { meeting = '' } = useParams();
  const evenings = useEvenings();
  if (evenings === null) return <Loading />;
  const begun = evenings.find((one) => one.id === meeting);
  // It was on already when the server heard of this one.
  if (begun?.became !== undefined && begun.became !== meeting)
    return <Navigate to={`/meeting/${begun.became}`} replace />;
  if (begun?.state === 'refused') return <p role="alert">{words.session.notBegun({ why: begun.fault ?? '' })}</p>;
  return <MeetingPage key={meeting} id={meeting} begun={begun?.state === 'waiting' ? begun : null} />;
}

function MeetingPage({ id, begun }: { id: string; begun: Evening | null }) {
  const me = useMe();
  const [changing, setChanging] = useState(false);
  const steps = useSteps(id);
  const places = useLive(() => store.places.where('meeting').equals(id).toArray(), [id], []);
  const asked = useQuery(begun ? eveningQuery(begun, me.group.time_zone) : runSheetQuery(id));
  useQuery({ ...meetingNowQuery(id), enabled: begun === null && asked.data !== undefined });
  if (asked.isPending) return <Loading />;
  if (asked.isError)
    return (
      <>
        <Refused steps={steps} places={places} />
        <Failure error={asked.error} retry={() => void asked.refetch()} />
      </>
    );
  const sheet = withPlaces(withSteps(asked.data, steps), places, me.user);
  const { meeting, clock } = sheet;
  // In the hand, the clock comes first once it runs, if there is anything on it.
  const runs = clock.started_at !== null && clock.blocks.length > 0;
  return (
    <div id="session" className="flex max-w-6xl flex-col gap-6 print:block">
      <div>
        <p className="text-soft">
          {words.course.meeting({ n: meeting.number })}
          {meeting.place && `, ${meeting.place}`}
        </p>
        <h1 className="text-2xl rail:text-3xl">{dayLong(meeting.date)}</h1>
        <p className="text-soft">
          {begun
            ? words.session.begunHere({ time: meeting.starts_at })
            : words.session.edge({ from: meeting.starts_at, to: timeAfter(meeting.starts_at, meeting.minutes) })}
        </p>
      </div>
      <p className={`-mt-4 flex flex-wrap gap-x-5 print:hidden ${runs ? 'order-last rail:order-none' : ''}`}>
        {meeting.blocks.some((block) => block.knot !== null) && meeting.state !== 'past' && (
          <Link to={`/pack/${meeting.id}`} className={LINK}>
            <Backpack aria-hidden className="size-5" /> {words.session.pack}
          </Link>
        )}
        {meeting.blocks.some((block) => block.knot !== null) && (
          <Link to={`/cards/${meeting.id}`} className={LINK}>
            <Printer aria-hidden className="size-5" /> {words.session.cards}
          </Link>
        )}
        {me.may.teach && meeting.state !== 'past' && begun === null && <PracticeStation />}
        {me.may.plan && meeting.state !== 'past' && clock.started_at === null && (
          <button type="button" onClick={() => setChanging(true)} className={LINK}>
            <Pencil aria-hidden className="size-5" /> {words.course.changeMeeting}
          </button>
        )}
        {begun === null && (
          <span className="hidden rail:inline">
            <button type="button" onClick={() => window.print()} className={LINK}>
              <Printer aria-hidden className="size-5" /> {words.session.sheet}
            </button>
          </span>
        )}
      </p>
      <style>{'@page { margin: 12mm } @media print { #session { zoom: 0.74 } }'}</style>
      <div className="grid gap-8 rail:grid-cols-[1fr_1fr] print:block">
        <div className={runs ? 'order-2 rail:order-1' : 'order-1'}>
          <div className="print:hidden">
            <Roll sheet={sheet} />
            {sheet.badges && <BadgesTonight badges={sheet.badges} meeting={meeting.id} />}
          </div>
        </div>
        <div className={runs ? 'order-1 rail:order-2' : 'order-2'}>
          <Refused steps={steps} places={places} />
          <Blocks sheet={sheet} />
        </div>
      </div>
      {changing && <ChangeMeeting meeting={meeting} onClose={() => setChanging(false)} />}
    </div>
  );
}

function Blocks({ sheet }: { sheet: RunSheet }) {
  const me = useMe();
  const run = useRun(sheet.meeting.id);
  const { meeting, clock } = sheet;
  if (clock.ended_at !== null) return <Summary sheet={sheet} />;
  if (clock.started_at !== null) return <ClockList sheet={sheet} />;
  if (meeting.state === 'past') return <p className="text-soft">{words.session.past}</p>;
  return (
    <section aria-labelledby="blocks">
      <h2 id="blocks" className="mb-3 text-xl">
        {words.session.blocks}
      </h2>
      {meeting.date === dayIn(me.group.time_zone) && me.may.teach && (
        <Button
          look="signal"
          className="mb-4 min-h-14 w-full text-lg print:hidden"
          disabled={run.isPending}
          onClick={() => run.mutate({ step: 'start', shown: meeting.blocks })}
        >
          <Play aria-hidden className="size-5" /> {words.session.start}
        </Button>
      )}
      {me.may.plan && <Checkers meeting={meeting} />}
      <Faults error={run.error} />
      {meeting.blocks.every((block) => block.knot === null) && <p className="mb-3 text-soft">{words.session.noPlan}</p>}
      <ol className="flex flex-col">
        {meeting.blocks.map((block, n) => (
          <li
            key={n}
            className="relative grid grid-cols-[3.6rem_minmax(0,1fr)] gap-3 border-l-4 border-hemp py-2 pl-3 print:break-inside-avoid print:py-1"
          >
            <time className="pt-1 text-sm text-soft tabular-nums">{timeAfter(meeting.starts_at, block.start)}</time>
            <div>
              <BlockAbout block={block} sheet={sheet} />
              <RigPart block={block} sheet={sheet} />
              {block.kind === 'award' && sheet.badges && <HandOver badges={sheet.badges} />}
              {block.kind === 'free' && (
                <Link to={`/bench?meeting=${meeting.id}`} className={`${LINK} print:hidden`}>
                  <Wrench aria-hidden className="size-5" /> {words.session.pickRig}
                </Link>
              )}
              <Stations of={block} sheet={sheet} />
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What a block is; of one with stations side by side each says for itself. */
function BlockAbout({ block, sheet }: { block: Schemas['Block']; sheet: RunSheet }) {
  const people = Object.fromEntries(sheet.roll.map((one) => [one.id, one.name]));
  const several = block.beside.length > 0;
  const name =
    block.knot && !several
      ? (sheet.knots[block.knot] ?? block.knot)
      : block.rig && (sheet.rigs[block.rig]?.name ?? block.rig);
  const isLesson = block.kind === 'new' || block.kind === 'again';
  return (
    <>
      <p className="leading-snug print:inline">
        <span className={name ? 'text-sm text-soft' : 'font-semibold'}>{words.session.kinds[block.kind]}</span>
        {name && <strong className="block text-lg leading-tight print:ms-2 print:inline">{name}</strong>}
      </p>
      <p className="text-sm text-soft print:ms-2 print:inline">
        {words.course.minutes({ n: Math.round(block.minutes) })}
        {!several && block.kind !== 'inspect' && block.kind !== 'strike' && `: ${block.why}`}
        {!several && block.parts.length > 0 && (
          <span className="block print:hidden">
            {block.parts.map((part) => words.session.part[part.part]({ minutes: part.minutes })).join(', ')}
          </span>
        )}
      </p>
      {isLesson && !several && <p className="text-sm">{whoIsThere(block.learners, people)}</p>}
    </>
  );
}

/** Somebody who was to check does not come: the plan with one less, at one tap. */
function Checkers({ meeting }: { meeting: RunSheet['meeting'] }) {
  const change = useMutation({
    mutationFn: (checkers: number) =>
      call('PUT', '/api/meetings/{meeting}', { params: { path: { meeting: meeting.id } }, body: { checkers } }),
    onSuccess: () => queryClient.invalidateQueries(),
  });
  return (
    <div className="mb-3 flex flex-wrap items-center justify-between gap-3 print:hidden">
      <span>{words.course.canCheck({ n: meeting.checkers })}</span>
      {meeting.checkers > 1 && (
        <Button disabled={change.isPending} onClick={() => change.mutate(meeting.checkers - 1)}>
          <UserMinus aria-hidden className="size-5" /> {words.course.oneLess}
        </Button>
      )}
      <Faults error={change.error} />
    </div>
  );
}

/** What the plan expected of the evening, beside what came of it. */
function Expected({ of, knots }: { of: NonNullable<RunSheet['expected']>; knots: Record<string, string> }) {
  return (
    <table className="w-full" aria-label={words.session.expected}>
      <thead>
        <tr className="border-b border-line text-left text-sm text-soft">
          <th className="py-1 font-semibold">{words.session.expectedHead.knot}</th>
          <th className="py-1 font-semibold">{words.session.expectedHead.expected}</th>
          <th className="py-1 font-semibold">{words.session.expectedHead.came}</th>
        </tr>
      </thead>
      <tbody>
        {of.map((one) => (
          <tr key={one.knot} className="border-b border-line">
            <td className="py-1 pe-2">{knots[one.knot] ?? one.knot}</td>
            <td className="py-1 pe-2">{words.session.expectedOf({ n: one.expected, all: one.learners })}</td>
            <td className={`py-1 ${one.tried > 0 && one.passed < one.expected ? 'font-semibold text-notyet' : ''}`}>
              {words.session.came({ passed: one.passed, tried: one.tried })}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What became of the evening, and whether the plan should change for it. */
function Summary({ sheet }: { sheet: RunSheet }) {
  const me = useMe();
  const course = useQuery({ ...courseQuery, enabled: sheet.proposal !== null });
  const count = (state: string): number => sheet.clock.blocks.filter((block) => block.state === state).length;
  return (
    <section aria-labelledby="summary" className="flex flex-col gap-4">
      <h2 id="summary" className="text-xl">
        {words.session.summary}
      </h2>
      <p>
        {words.session.summaryLine({ done: count('done'), skipped: count('skipped'), carried: count('carried') })}{' '}
        {words.session.checks({ n: sheet.meeting.results })}.
      </p>
      {sheet.expected && sheet.expected.length > 0 && <Expected of={sheet.expected} knots={sheet.knots} />}
      {me.may.plan && sheet.proposal && course.data && (
        <Proposal of={sheet.proposal} course={course.data} meetings={course.data.meetings} />
      )}
      <ClockList sheet={sheet} />
    </section>
  );
}
