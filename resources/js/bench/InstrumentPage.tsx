import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { NavLink, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { instrumentQuery, instrumentsQuery, lastReadQuery } from '../api/queries';
import { useMe } from '../device/me';
import { RigSketch } from '../drawing/RigSketch';
import { SelectField } from '../ui/Field';
import { Failure, Loading } from '../ui/states';
import { number, span } from '../words/format';
import { words } from '../words';
import { figureText } from './figure';
import { Questions } from './Questions';
import { Stale } from './Stale';
import { useSettled } from './useSettled';

/** What is asked most first. */
const ORDER = Object.keys(words.bench.instruments.names);

/** The instruments: a picture with one handle each, and figures that follow it. */
export function InstrumentPage() {
  const all = useQuery(instrumentsQuery);
  const { instrument = ORDER[0] } = useParams();
  if (all.isPending) return <Loading />;
  if (all.isError) return <Failure error={all.error} retry={() => void all.refetch()} />;
  const shown = instrument ?? '';
  const place = (id: string): number => ORDER.indexOf(id);
  const sorted = all.data.instruments.toSorted((a, b) => place(a.id) - place(b.id));
  return (
    <div className="flex max-w-5xl flex-col gap-5">
      <header>
        <h1 className="text-3xl">{words.bench.instruments.title}</h1>
        <p className="text-soft">{words.bench.instruments.about}</p>
      </header>
      <nav aria-label={words.bench.instruments.title} className="flex flex-wrap gap-2">
        {sorted.map((one) => (
          <NavLink
            key={one.id}
            to={`/bench/instruments/${one.id}`}
            aria-current={one.id === shown ? 'page' : undefined}
            className={`inline-flex min-h-12 items-center rounded-lg px-4 font-semibold ${one.id === shown ? 'bg-ink text-card' : 'border border-line bg-card hover:bg-wash'}`}
          >
            {NAMES[one.id] ?? one.name}
          </NavLink>
        ))}
      </nav>
      <Instrument key={shown} id={shown} />
    </div>
  );
}

const NAMES: Partial<Record<string, string>> = words.bench.instruments.names;

function Instrument({ id }: { id: string }) {
  const [answers, setAnswers] = useState<Record<string, unknown>>({});
  const [rope, setRope] = useState<string | null>(null);
  const settled = useSettled(JSON.stringify(answers));
  const asked = useQuery({
    ...instrumentQuery(id, JSON.parse(settled) as Record<string, unknown>, rope),
    placeholderData: keepPreviousData,
  });
  const read = useQuery(lastReadQuery(id)).data ?? null;
  const refused = asked.data ?? [];
  if (asked.isError && !read) return <Failure error={asked.error} retry={() => void asked.refetch()} />;
  if (!read) return <Loading />;
  const given = { ...read.answers, ...answers };
  const answer = (question: string, value: unknown): void =>
    setAnswers((now) => ({ ...read.answers, ...now, [question]: value }));
  return (
    <article className="flex flex-col gap-5">
      <div>
        <h2 className="text-2xl">{read.instrument.name}</h2>
        <p className="text-soft">{read.instrument.about}</p>
      </div>
      <Stale refused={refused} error={asked.error} />
      <div className="grid gap-6 rail:grid-cols-[1fr_18rem]">
        <div className={`flex min-w-0 flex-col gap-4 ${refused.length > 0 ? 'opacity-50' : ''}`}>
          <Picture read={read} answers={given} onAnswer={answer} />
          <dl className="grid grid-cols-2 gap-x-6 gap-y-3 rail:grid-cols-3">
            {read.worked.figures.map((one) => (
              <Figure key={one.id} figure={one} />
            ))}
          </dl>
          {read.worked.places.map((place) => (
            <p key={place.place}>
              <strong>{place.knot.name}</strong>: {place.why}
            </p>
          ))}
          <ul className="flex flex-col gap-1" aria-live="polite">
            {read.worked.advice.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
        <div className="flex flex-col gap-4">
          <Questions questions={read.questions} answers={given} faults={refused} onAnswer={answer} />
          <SelectField
            label={words.bench.rope}
            value={rope ?? read.rope.id}
            options={read.ropes.map((one) => [one.id, one.name] as const)}
            onChange={(event) => setRope(event.target.value)}
          />
        </div>
      </div>
      <p className="border-l-4 border-hemp pl-3 text-sm">{words.bench.local}</p>
    </article>
  );
}

function Figure({ figure }: { figure: Schemas['RigFigure'] }) {
  const { units } = useMe().group;
  return (
    <div>
      <dt className="text-sm text-soft">{figure.name}</dt>
      <dd className="text-2xl font-semibold tabular-nums">{figureText(figure, units)}</dd>
    </div>
  );
}

function Picture({
  read,
  answers,
  onAnswer,
}: {
  read: Schemas['Instrument'];
  answers: Record<string, unknown>;
  onAnswer: (question: string, value: number) => void;
}) {
  const { units } = useMe().group;
  // Between whole steps, where the hand has got to.
  const hand = useRef<number | null>(null);
  const asked = (id: string) => read.questions.find((one) => one.id === id);
  const valueOf = (id: string): number => (typeof answers[id] === 'number' ? answers[id] : 0);
  return (
    <RigSketch
      sketch={read.worked.sketch}
      title={words.bench.sketch[read.worked.sketch.view]({ name: read.instrument.name })}
      measure={(mm) => span(mm, units)}
      number={(place) => read.worked.places.findIndex((one) => one.place === place) + 1}
      handleName={(id) => words.bench.handle({ ask: asked(id)?.ask ?? id })}
      valueOf={valueOf}
      say={(id) => (asked(id)?.unit === 'mm' ? span(valueOf(id), units) : number(valueOf(id)))}
      step={(id) => (asked(id)?.kind === 'count' ? 1 : Math.max(1, Math.round(valueOf(id) / 20)))}
      onHandle={(handle, millimetres) => {
        const question = asked(handle.answer);
        if (!question) return;
        const now = valueOf(handle.answer);
        const from = hand.current !== null && Math.abs(hand.current - now) <= 0.5 ? hand.current : now;
        hand.current = Math.min(question.to, Math.max(question.from, from + millimetres * handle.by));
        onAnswer(handle.answer, Math.round(hand.current));
      }}
    />
  );
}
