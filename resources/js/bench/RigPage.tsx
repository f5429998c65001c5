import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { type RigAsked, rigsQuery } from '../api/queries';
import { useMe } from '../device/me';
import { RigSketch } from '../drawing/RigSketch';
import { SelectField } from '../ui/Field';
import { LINK } from '../ui/link';
import { Failure, Loading } from '../ui/states';
import { dayLong, moment, span } from '../words/format';
import { words } from '../words';
import { CopyRig } from './CopyRig';
import { GateForm } from './GateForm';
import { Questions } from './Questions';
import { RigCard } from './RigCard';
import { Stale } from './Stale';
import { TakeRig } from './TakeRig';
import { useRig } from './useRig';

/** Printed, all of it goes on one page. */
const CARD =
  'print:gap-2 print:text-[10px] print:leading-snug print:[&_section>h2]:mb-0 print:[&_section>h2]:text-sm print:[&_section>ul]:rounded-none print:[&_section>ul]:border-0 print:[&_section>ul]:border-t print:[&_section>ul]:px-0';

/** One rig: what it asks on the one side, on the other what it comes to, to scale. */
export function RigPage() {
  const { rig: id = '' } = useParams();
  const me = useMe();
  const [search] = useSearchParams();
  const all = useQuery(rigsQuery);
  const meetings = all.data?.meetings ?? [];
  const [given, setGiven] = useState<Omit<RigAsked, 'rig'>>({ answers: {}, knots: {}, rope: null, meeting: null });
  const meeting = given.meeting ?? search.get('meeting') ?? me.tonight ?? meetings[0]?.id ?? null;
  const { rig, refused, error, again } = useRig({ rig: id, ...given, meeting });
  if (error && !rig) return <Failure error={error} retry={again} />;
  if (!rig) return <Loading />;
  const answers = { ...rig.answers, ...given.answers };
  const answer = (question: string, value: unknown): void =>
    setGiven((now) => ({ ...now, answers: { ...rig.answers, ...now.answers, [question]: value } }));
  return (
    <div className={`flex max-w-6xl flex-col gap-6 ${CARD}`}>
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl print:text-xl">{rig.rig.name}</h1>
          <p className="text-soft">{rig.rig.purpose}</p>
        </div>
        <p className="flex flex-wrap gap-x-5 print:hidden">
          {me.may.plan && <CopyRig rig={rig.rig} />}
          {rig.worked && (
            <button type="button" onClick={() => window.print()} className={LINK}>
              <Printer aria-hidden className="size-5" /> {words.bench.print}
            </button>
          )}
        </p>
      </header>
      <div className="grid gap-7 rail:grid-cols-[19rem_1fr] rail:grid-rows-[auto_1fr] print:block">
        <div className="flex min-w-0 flex-col gap-4 rail:col-start-2">
          <Stale refused={refused} error={error} />
          {rig.held ? (
            <GateForm rig={rig.rig} meeting={meeting} onOpen={again} />
          ) : (
            rig.worked && (
              <div className={refused.length > 0 ? 'opacity-50' : ''}>
                <Drawn rig={rig} worked={rig.worked} answers={answers} onAnswer={answer} />
              </div>
            )
          )}
        </div>
        <section className="flex flex-col gap-4 rail:col-start-1 rail:row-span-2 rail:row-start-1 print:hidden">
          <h2 className="text-xl">{words.bench.questions}</h2>
          <Questions questions={rig.questions} answers={answers} faults={refused} onAnswer={answer} />
          <SelectField
            label={words.bench.rope}
            value={given.rope ?? rig.rope.id}
            options={rig.ropes.map((one) => [one.id, one.name] as const)}
            onChange={(event) => setGiven({ ...given, rope: event.target.value })}
          />
          {meetings.length > 0 && (
            <SelectField
              label={words.bench.meeting}
              value={meeting ?? ''}
              options={meetings.map((one) => [one.id, dayLong(one.date)] as const)}
              onChange={(event) => setGiven({ ...given, meeting: event.target.value })}
            />
          )}
        </section>
        <div className="flex min-w-0 flex-col gap-5 rail:col-start-2 print:gap-2">
          {rig.gate && (
            <p className="text-sm text-soft">
              {words.bench.ticked({ adult: rig.gate.adult, by: rig.gate.by, at: moment(rig.gate.at) })}
            </p>
          )}
          {rig.worked && (
            <>
              {me.may.teach && meeting !== null && refused.length === 0 && (
                <TakeRig asked={{ rig: id, ...given, answers, meeting }} />
              )}
              <RigCard
                rig={rig}
                worked={rig.worked}
                onKnot={(place, knot) => setGiven({ ...given, knots: { ...given.knots, [place]: knot } })}
              />
            </>
          )}
          <p className="border-l-4 border-hemp pl-3 text-sm print:text-[9px]">{words.bench.local}</p>
        </div>
      </div>
    </div>
  );
}

function Drawn({
  rig,
  worked,
  answers,
  onAnswer,
}: {
  rig: Schemas['Rig'];
  worked: Schemas['RigWorked'];
  answers: Record<string, unknown>;
  onAnswer: (question: string, value: number) => void;
}) {
  const { units } = useMe().group;
  const asked = (id: string) => rig.questions.find((one) => one.id === id);
  const valueOf = (id: string): number => {
    const value = answers[id];
    if (typeof value === 'number') return value;
    const start = asked(id)?.start;
    return typeof start === 'number' ? start : 0;
  };
  return (
    <RigSketch
      sketch={worked.sketch}
      title={words.bench.sketch[worked.sketch.view]({ name: rig.rig.name })}
      measure={(mm) => span(mm, units)}
      number={(place) => worked.places.findIndex((one) => one.place === place) + 1}
      handleName={(id) => words.bench.handle({ ask: asked(id)?.ask ?? id })}
      valueOf={valueOf}
      onHandle={(handle, millimetres) => {
        const question = asked(handle.answer);
        if (!question) return;
        const next = valueOf(handle.answer) + millimetres * handle.by;
        onAnswer(handle.answer, Math.round(Math.min(question.to, Math.max(question.from, next))));
      }}
    />
  );
}
