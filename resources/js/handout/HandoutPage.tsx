import { useQueries, useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import { useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { knotQuery, runSheetQuery } from '../api/queries';
import { useShowSettings } from '../device/useShowSettings';
import { KnotPicture } from '../drawing/KnotPicture';
import { useMe } from '../device/me';
import { SpaceImage } from '../space/SpaceImage';
import { Failure, Loading } from '../ui/states';
import { dayLong, length } from '../words/format';
import { words } from '../words';
import { StepPicture } from './StepPicture';
import { PAPERS, ToPrint } from './ToPrint';

type Knot = Schemas['Knot'];

/** One knot on one page, to print. */
export function HandoutPage() {
  const { knot: id = '' } = useParams();
  const { view } = useShowSettings();
  const knot = useQuery(knotQuery(id, view));
  if (knot.isPending) return <Loading />;
  if (knot.isError) return <Failure error={knot.error} retry={() => void knot.refetch()} />;
  return <ToPrint back={`/knot/${id}`}>{() => <OnePage knot={knot.data} />}</ToPrint>;
}

/** Small cards for the knots of a meeting, as many to a page as leave every picture room. */
export function CardsPage() {
  const { meeting = '' } = useParams();
  const { view } = useShowSettings();
  const sheet = useQuery(runSheetQuery(meeting));
  const ids = [
    ...new Set(
      (sheet.data?.meeting.blocks ?? [])
        .flatMap((block) => [block, ...block.beside])
        .map((block) => block.knot)
        .filter((knot) => knot !== null),
    ),
  ];
  const knots = useQueries({ queries: ids.map((id) => knotQuery(id, view)) });
  if (sheet.isPending || knots.some((knot) => knot.isPending)) return <Loading />;
  if (sheet.isError) return <Failure error={sheet.error} retry={() => void sheet.refetch()} />;
  const found = knots.map((knot) => knot.data).filter((knot) => knot !== undefined);
  return (
    <ToPrint back={`/meeting/${meeting}`}>
      {(paper) => {
        const { cards, columns } = PAPERS[paper];
        const pages = Array.from({ length: Math.max(1, Math.ceil(found.length / cards)) }, (_, page) =>
          found.slice(page * cards, (page + 1) * cards),
        );
        return pages.map((page, n) => (
          <Fragment key={n}>
            <header className="mb-[2mm] flex items-baseline justify-between gap-[4mm]">
              <h1 className="text-[1.5em]">{words.handout.cards({ n: sheet.data.meeting.number })}</h1>
              <p>
                {dayLong(sheet.data.meeting.date)}. {words.handout.cut}
                {pages.length > 1 && ` ${words.handout.page({ n: n + 1, all: pages.length })}`}
              </p>
            </header>
            {found.length === 0 && <p>{words.handout.none}</p>}
            <ul
              className="grid min-h-0 flex-1"
              style={{
                gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
                gridTemplateRows: `repeat(${cards / columns}, minmax(0, 1fr))`,
              }}
            >
              {page.map((knot) => (
                <Card key={knot.id} knot={knot} />
              ))}
            </ul>
          </Fragment>
        ));
      }}
    </ToPrint>
  );
}

function OnePage({ knot }: { knot: Knot }) {
  const form = knot.wrong[0];
  const said = knot.mistakes[0];
  return (
    <>
      <header className="mb-[3mm] flex items-start justify-between gap-[4mm] border-b-2 border-black pb-[2mm]">
        <div>
          <h1 className="text-[2.4em]">{knot.name}</h1>
          <p>{knot.purpose}</p>
        </div>
        {knot.in_space ? (
          <SpaceImage
            knot={knot}
            view={knot.view}
            shown={{ tightness: 1 }}
            ink="grey"
            text={words.knot.tight({ knot: knot.name })}
            className="h-[30mm] w-[48mm] shrink-0"
          />
        ) : (
          <KnotPicture
            drawing={knot.tight ?? knot.loose}
            moment={null}
            text={words.knot.tight({ knot: knot.name })}
            className="h-[24mm] w-[42mm] shrink-0"
          />
        )}
      </header>
      <Cautions knot={knot} />
      <ol
        className="grid min-h-0 flex-[3] auto-rows-[minmax(0,1fr)] gap-[2.5mm]"
        style={{ gridTemplateColumns: `repeat(${columnsFor(knot)}, minmax(0, 1fr))` }}
      >
        {knot.steps.map((step, n) => (
          <li key={n} className="flex min-h-0 flex-col">
            <div className="relative min-h-0 flex-1">
              <StepPicture knot={knot} number={n} />
            </div>
            <p>
              <strong>{n + 1}.</strong> {step.say}
            </p>
          </li>
        ))}
      </ol>
      <div className="mt-[3mm] grid grid-cols-2 gap-[5mm] border-t-2 border-black pt-[2mm]">
        <Checks knot={knot} />
        {form && (
          <section>
            <h2 className="text-[1.2em]">{words.handout.wrong}</h2>
            <div className="grid grid-cols-2 gap-[2mm]">
              {[
                { drawing: knot.loose, name: words.handout.right },
                { drawing: form.drawing, name: form.name ?? words.show.fallsOut },
              ].map(({ drawing, name }) => (
                <figure key={name}>
                  <KnotPicture
                    drawing={drawing}
                    moment={null}
                    text={name}
                    ringed={form.ringed}
                    className="h-[20mm] w-full"
                  />
                  <figcaption className="text-center font-semibold">{name}</figcaption>
                </figure>
              ))}
            </div>
            <p>
              {form.sign}. <strong>{words.show.fix}</strong> {form.fix}.
            </p>
          </section>
        )}
        {!form && said && (
          <section>
            <h2 className="text-[1.2em]">{words.handout.wrong}</h2>
            <p>
              {said.sign}. {said.cause}. <strong>{words.show.fix}</strong> {said.fix}.
            </p>
          </section>
        )}
      </div>
    </>
  );
}

/** As many columns as make the drawings largest, on a page about as high below its head as it is broad. */
function columnsFor(knot: Knot): number {
  const [, , wide = 1, high = 1] = knot.loose.box;
  const size = (columns: number): number =>
    Math.min(1 / columns / wide, (0.9 / Math.ceil(knot.steps.length / columns) - 0.06) / high);
  return [2, 3, 4].reduce((best, columns) => (size(columns) > size(best) ? columns : best));
}

function Cautions({ knot }: { knot: Knot }) {
  return knot.cautions.map((caution) => (
    <p key={caution} className="mb-[2mm] border-l-4 border-black pl-[2mm] font-semibold">
      {caution}
    </p>
  ));
}

function Checks({ knot }: { knot: Knot }) {
  const parts = (['tying', 'dressing', 'tail'] as const).filter((part) => knot.checks[part].length > 0);
  return (
    <section>
      <h2 className="text-[1.2em]">{words.handout.checks}</h2>
      <ul>
        {parts.map((part) => (
          <li key={part}>
            <strong>{words.check.parts[part]}:</strong> {knot.checks[part].join(' ')}
          </li>
        ))}
      </ul>
      <TailRule knot={knot} />
    </section>
  );
}

function TailRule({ knot }: { knot: Knot }) {
  const me = useMe();
  const rope = knot.ropes.find((one) => one.usual) ?? knot.ropes[0];
  return rope && knot.checks.tail.length > 0 ? (
    <p className="mt-[1mm] font-semibold">
      {words.handout.tailRule({ mm: length(rope.tail_mm, me.group.units), rope: rope.name })}
    </p>
  ) : null;
}

function Card({ knot }: { knot: Knot }) {
  return (
    <li className="flex min-h-0 flex-col overflow-hidden border border-dashed border-black p-[3mm]" data-testid="card">
      <h2 className="text-[1.4em]">{knot.name}</h2>
      <Cautions knot={knot} />
      <div className="relative min-h-[24mm] flex-1">
        <KnotPicture drawing={knot.loose} moment={null} text={knot.text} className="absolute inset-0 size-full" />
      </div>
      <ol className="mt-[1mm] list-decimal pl-[5mm] text-[0.82em]">
        {knot.steps.map((step, n) => (
          <li key={n}>{step.say}</li>
        ))}
      </ol>
      <p className="mt-[1mm] text-[0.82em]">
        <strong>{words.handout.checks}:</strong> {knot.checks.tying[0]}
      </p>
      {knot.wrong[0] && (
        <p className="text-[0.82em]">
          <strong>{words.handout.wrong}:</strong> {knot.wrong[0].sign}.
        </p>
      )}
      <TailRule knot={knot} />
    </li>
  );
}
