import { useMutation, useQuery } from '@tanstack/react-query';
import { CheckCheck, Presentation, Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { call, type Schemas } from '../api/client';
import { courseQuery, queryClient, runSheetQuery } from '../api/queries';
import { useMe } from '../shell/me';
import { Failure, Faults, Loading } from '../ui/states';
import { dayLong, timeAfter } from '../words/format';
import { words } from '../words/en';

type RunSheet = Schemas['RunSheet'];

export function SessionPage() {
  const { meeting: id = '' } = useParams();
  const sheet = useQuery(runSheetQuery(id));
  if (sheet.isPending) return <Loading />;
  if (sheet.isError) return <Failure error={sheet.error} retry={() => void sheet.refetch()} />;
  const { meeting } = sheet.data;
  return (
    <div className="flex max-w-6xl flex-col gap-6">
      <div>
        <p className="text-soft">{words.course.meeting(meeting.number)}{meeting.place && `, ${meeting.place}`}</p>
        <h1 className="text-3xl">{dayLong(meeting.date)}</h1>
        <p className="text-soft">{words.session.edge(meeting.starts_at, timeAfter(meeting.starts_at, meeting.minutes))}</p>
        {meeting.blocks.some((block) => block.knot !== null) && <Link to={`/cards/${meeting.id}`} className="mt-2 inline-flex min-h-12 items-center gap-2 font-semibold underline decoration-hemp decoration-2 underline-offset-4"><Printer aria-hidden className="size-5" /> {words.session.cards}</Link>}
      </div>
      <div className="grid gap-8 rail:grid-cols-[1fr_1fr]">
        <Roll sheet={sheet.data} />
        <Blocks sheet={sheet.data} />
      </div>
    </div>
  );
}

function Roll({ sheet }: { sheet: RunSheet }) {
  const me = useMe();
  const query = runSheetQuery(sheet.meeting.id);
  const mark = useMutation({
    mutationFn: ({ learner, present }: { learner: string; present: boolean }) => call('PUT', `/api/meetings/${sheet.meeting.id}/attendance/${learner}`, { present }),
    onMutate: ({ learner, present }) => {
      // Shown at once; if the server refuses, the next answer puts it right.
      queryClient.setQueryData(query.queryKey, (now) => (now ? { ...now, roll: now.roll.map((one) => (one.id === learner ? { ...one, present } : one)) } : now));
    },
    onSettled: () => {
      void queryClient.invalidateQueries({ queryKey: query.queryKey });
      void queryClient.invalidateQueries({ queryKey: ['check'] });
      void queryClient.invalidateQueries({ queryKey: courseQuery.queryKey });
    },
  });
  const here = sheet.roll.filter((one) => one.present === true).length;
  return (
    <section aria-labelledby="roll">
      <div className="mb-2 flex items-baseline justify-between gap-3">
        <h2 id="roll" className="text-xl">{words.session.roll}</h2>
        <span className="text-soft" aria-live="polite">{words.session.count(here, sheet.roll.length)}</span>
      </div>
      <p className="mb-3 text-sm text-soft">{me.may.teach ? words.session.markHelp : words.session.cannot}</p>
      <Faults error={mark.error} />
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {sheet.roll.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              disabled={!me.may.teach}
              aria-pressed={one.present === true}
              aria-label={`${words.session.mark(one.name)}${one.present === null ? '' : `: ${one.present ? words.session.here : words.session.away}`}`}
              onClick={() => mark.mutate({ learner: one.id, present: one.present !== true })}
              className={`flex min-h-14 w-full items-center justify-between gap-2 rounded-lg border-2 px-3 text-left font-semibold disabled:cursor-default ${one.present === true ? 'border-right bg-right text-on-right' : one.present === false ? 'border-dashed border-soft text-soft' : 'border-line bg-card'}`}
            >
              <span className="truncate">{one.name}</span>
              <span className="text-sm font-normal">{one.present === true ? words.session.here : one.present === false ? words.session.away : ''}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Blocks({ sheet }: { sheet: RunSheet }) {
  const { meeting, knots, roll } = sheet;
  const names = new Map(roll.map((one) => [one.id, one.name]));
  if (meeting.state === 'past') return <p className="text-soft">{words.session.past}</p>;
  if (meeting.blocks.length === 0) return <p className="text-soft">{words.session.noPlan}</p>;
  const ends = meeting.blocks.map((_, n) => meeting.blocks.slice(0, n).reduce((sum, block) => sum + block.minutes, 0));
  return (
    <section aria-labelledby="blocks">
      <h2 id="blocks" className="mb-3 text-xl">{words.session.blocks}</h2>
      <ol className="flex flex-col">
        {meeting.blocks.map((block, n) => (
          <li key={n} className="relative grid grid-cols-[3.6rem_1fr] gap-3 border-l-4 border-hemp py-2 pl-3">
            <time className="pt-1 text-sm text-soft tabular-nums">{timeAfter(meeting.starts_at, ends[n] ?? 0)}</time>
            <div>
              <p className="leading-snug"><span className={block.knot ? 'text-sm text-soft' : 'font-semibold'}>{words.session.kinds[block.kind]}</span>{block.knot && <strong className="block text-lg leading-tight">{knots[block.knot] ?? block.knot}</strong>}</p>
              <p className="text-sm text-soft" title={block.learners.map((id) => names.get(id)).join(', ')}>{words.course.minutes(Math.round(block.minutes))}: {block.why}</p>
              {block.knot && (
                <p className="mt-2 flex gap-2">
                  <Link to={`/show/${block.knot}`} className="inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold hover:bg-wash"><Presentation aria-hidden className="size-5" /> {words.session.show}</Link>
                  <Link to={`/check/${block.knot}?meeting=${meeting.id}`} className="inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold hover:bg-wash"><CheckCheck aria-hidden className="size-5" /> {words.session.check}</Link>
                </p>
              )}
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}
