import { useQuery } from '@tanstack/react-query';
import { Download, House, Presentation, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { drawingFile, knotQuery, knotsQuery, type View } from '../api/queries';
import { VIEWS } from '../device/useShowSettings';
import { KnotPicture } from '../drawing/KnotPicture';
import { WrongPair } from '../drawing/WrongPair';
import { SpacePanel } from '../space/SpacePanel';
import { Choice } from '../ui/Choice';
import { Failure, Loading } from '../ui/states';
import { useMe } from '../device/me';
import { length, listOf, number } from '../words/format';
import { words } from '../words';

type Knot = Schemas['Knot'];

/** All there is to know of one knot. */
export function KnotPage() {
  const { knot: id = '' } = useParams();
  const [view, setView] = useState<View>('learner');
  const [method, setMethod] = useState<string | undefined>(undefined);
  const [look, setLook] = useState<keyof Knot['look'] | null>(null);
  const page = useQuery({
    ...knotQuery(id, view, method),
    placeholderData: (before) => (before?.id === id ? before : undefined),
  });
  if (page.isPending) return <Loading />;
  if (page.isError) return <Failure error={page.error} retry={() => void page.refetch()} />;
  const knot = page.data;
  return (
    <article className="flex max-w-6xl flex-col gap-8">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <Link to="/show" className="inline-flex min-h-12 items-center text-soft underline">
            {words.show.title}
          </Link>
          <h1 className="text-3xl">{knot.name}</h1>
          {knot.names.length > 1 && (
            <p className="text-soft">{words.knot.also({ names: knot.names.slice(1).join(', ') })}</p>
          )}
          <p className="mt-2 max-w-prose text-lg">{knot.purpose}</p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Link
            to={`/handout/${knot.id}`}
            className="inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold"
          >
            <Printer aria-hidden className="size-5" /> {words.show.handout}
          </Link>
          <Link
            to={`/home/${knot.id}`}
            className="inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold"
          >
            <House aria-hidden className="size-5" /> {words.cards.homeCard}
          </Link>
          <a
            href={drawingFile(knot, view, 'loose')}
            download
            className="inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold"
          >
            <Download aria-hidden className="size-5" /> {words.knot.svg}
          </a>
          <Link
            to={`/show/${knot.id}`}
            className="inline-flex min-h-12 items-center gap-2 rounded-lg bg-signal px-5 font-semibold text-on-signal"
          >
            <Presentation aria-hidden className="size-5" /> {words.knot.show}
          </Link>
        </div>
      </div>
      {knot.cautions.map((caution) => (
        <p key={caution} className="max-w-prose border-l-4 border-signal pl-3 font-semibold">
          {caution}
        </p>
      ))}
      <div className="grid gap-8 rail:grid-cols-[1.25fr_1fr]">
        <Pictures knot={knot} view={view} look={look} onView={setView} onMethod={setMethod} />
        <Facts knot={knot} look={look} onLook={setLook} />
      </div>
      {knot.hold && <Hold hold={knot.hold} />}
      {knot.wrong.length > 0 && (
        <section aria-labelledby="wrong">
          <h2 id="wrong" className="mb-3 text-xl">
            {words.show.wrong}
          </h2>
          <ul className="grid gap-5 lg:grid-cols-2">
            {knot.wrong.map((form) => (
              <li key={form.id} className="rounded-2xl border border-line bg-card p-4 [--ground:var(--card)]">
                <WrongPair knot={knot} form={form} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </article>
  );
}

function Pictures({
  knot,
  view,
  look,
  onView,
  onMethod,
}: {
  knot: Knot;
  view: View;
  look: keyof Knot['look'] | null;
  onView: (view: View) => void;
  onMethod: (method: string) => void;
}) {
  return (
    <section aria-label={words.knot.pictures} className="flex flex-col gap-3">
      {knot.in_space && <SpacePanel key={knot.method} knot={knot} />}
      <div className="grid gap-3 rounded-2xl border border-line bg-card p-4 [--ground:var(--card)] sm:grid-cols-[1.6fr_1fr] sm:items-center">
        <KnotPicture
          drawing={knot.loose}
          moment={null}
          text={knot.text}
          {...(look ? { lit: knot.look[look] } : {})}
          className="max-h-96 w-full"
        />
        {knot.tight && (
          <KnotPicture
            drawing={knot.tight}
            moment={null}
            text={words.knot.tight({ knot: knot.name })}
            className="max-h-56 w-full"
          />
        )}
      </div>
      {view === 'learner' && <Behind knot={knot} />}
      <Choice
        label={words.show.view}
        value={view}
        onChange={onView}
        options={VIEWS.map((one) => [one, words.show.views[one]] as const)}
      />
      {knot.methods.length > 1 && (
        <Choice
          label={words.knot.method}
          value={knot.method}
          onChange={onMethod}
          options={knot.methods.map((one) => [one.id, one.name] as const)}
        />
      )}
    </section>
  );
}

/** The back of the knot beside its front, loose and drawn up, so that both are seen at one glance. */
function Behind({ knot }: { knot: Knot }) {
  const back = useQuery(knotQuery(knot.id, 'behind', knot.method)).data;
  if (!back) return null;
  return (
    <figure className="rounded-2xl border border-line bg-card p-4 [--ground:var(--card)]">
      <figcaption className="mb-2 text-sm font-semibold text-soft">{words.show.views.behind}</figcaption>
      <div className="grid gap-3 sm:grid-cols-[1.6fr_1fr] sm:items-center">
        <KnotPicture
          drawing={back.loose}
          moment={null}
          text={words.knot.behind({ knot: knot.name })}
          className="max-h-64 w-full"
        />
        {back.tight && (
          <KnotPicture
            drawing={back.tight}
            moment={null}
            text={words.knot.behindTight({ knot: knot.name })}
            className="max-h-40 w-full"
          />
        )}
      </div>
    </figure>
  );
}

function Facts({
  knot,
  look,
  onLook,
}: {
  knot: Knot;
  look: keyof Knot['look'] | null;
  onLook: (look: keyof Knot['look'] | null) => void;
}) {
  const knots = useQuery(knotsQuery);
  const name = (id: string): string => knots.data?.knots.find((one) => one.id === id)?.name ?? id;
  const checks = (['tying', 'dressing', 'tail'] as const).filter((check) => knot.checks[check].length > 0);
  const facts = [
    [words.knot.notFor, knot.not_for],
    [words.knot.with, knot.tied_with],
    [words.knot.test, knot.test],
    [words.knot.undo, knot.undo],
    [words.knot.laid, knot.laid_rope],
  ] as const;
  return (
    <div className="flex flex-col gap-6">
      <section aria-labelledby="look">
        <h2 id="look" className="mb-2 text-xl">
          {words.knot.look}
        </h2>
        <dl className="flex flex-col gap-2">
          {checks.map((check) => (
            <div key={check}>
              <dt className="flex items-center justify-between gap-3 font-semibold">
                {words.check.parts[check]}
                {knot.look[check].length > 0 && (
                  <button
                    type="button"
                    aria-pressed={look === check}
                    onClick={() => onLook(look === check ? null : check)}
                    className="inline-flex min-h-12 items-center rounded-full border-2 border-line px-4 text-sm aria-pressed:border-signal aria-pressed:bg-signal aria-pressed:text-on-signal"
                  >
                    {words.knot.where}
                    <span className="sr-only">: {words.check.parts[check]}</span>
                  </button>
                )}
              </dt>
              {knot.checks[check].map((line) => (
                <dd key={line}>{line}</dd>
              ))}
            </div>
          ))}
        </dl>
      </section>
      <dl className="flex flex-col gap-2">
        {facts
          .filter(([, text]) => text !== '')
          .map(([label, text]) => (
            <div key={label}>
              <dt className="text-sm font-semibold text-soft">{label}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        {knot.prerequisites.length > 0 && (
          <div>
            <dt className="text-sm font-semibold text-soft">{words.knot.after}</dt>
            <dd>
              {knot.prerequisites.map((id) => (
                <Link key={id} to={`/knot/${id}`} className="mr-3 inline-flex min-h-12 items-center underline">
                  {name(id)}
                </Link>
              ))}
            </dd>
          </div>
        )}
      </dl>
      <Ropes knot={knot} />
    </div>
  );
}

/** What it takes of the group's own ropes, and which of its badges want it. */
function Ropes({ knot }: { knot: Knot }) {
  const me = useMe();
  const mm = (value: number): string => length(value, me.group.units);
  return (
    <dl className="flex flex-col gap-2">
      {knot.badges.length > 0 && (
        <div>
          <dt className="text-sm font-semibold text-soft">{words.knot.wantedBy}</dt>
          <dd>{listOf(knot.badges)}</dd>
        </div>
      )}
      {knot.ropes.map((rope) => (
        <div key={rope.name}>
          <dt className="text-sm font-semibold text-soft">
            {words.knot.ropeUsed}: {rope.name}
            {rope.object_mm !== null && `, ${words.knot.onStave({ d: mm(rope.object_mm) })}`}
          </dt>
          <dd>{words.knot.ropeLine({ used: mm(rope.used_mm), tail: mm(rope.tail_mm), total: mm(rope.total_mm) })}</dd>
          <dd>
            <details>
              <summary className="min-h-12 content-center text-soft underline">{words.check.why}</summary>
              {rope.reason} {rope.tail_reason}
            </details>
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Hold({ hold }: { hold: NonNullable<Knot['hold']> }) {
  return (
    <section aria-labelledby="hold" className="max-w-prose">
      <h2 id="hold" className="mb-2 text-xl">
        {words.knot.hold}
      </h2>
      <ul className="list-disc pl-5">
        {hold.sentences.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <details>
        <summary className="min-h-12 content-center text-soft underline">{words.knot.figures}</summary>
        <p>
          {words.knot.counted({
            crossings: number(hold.crossings),
            tau: number(hold.tau, 2),
            gamma: number(hold.gamma, 2),
          })}
        </p>
      </details>
    </section>
  );
}
