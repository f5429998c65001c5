import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { cornerLink } from '../api/corner';
import { cardsQuery, knotQuery } from '../api/queries';
import { useMe } from '../device/me';
import { useShowSettings } from '../device/useShowSettings';
import { KnotPicture } from '../drawing/KnotPicture';
import { StepDrawing } from '../drawing/StepDrawing';
import { SpaceImage } from '../space/SpaceImage';
import { QrCode } from '../ui/QrCode';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { inSentence } from '../words/format';
import { ToPrint } from './ToPrint';

type Knot = Schemas['Knot'];

/** As many pictures as the page has room for. */
const PICTURES = 4;

const WRONG = 2;

/** One knot to take home: four pictures, what usually goes wrong, where to tie it, and a word for a parent. */
export function HomeSheetPage() {
  const { knot: id = '' } = useParams();
  const { view } = useShowSettings();
  const me = useMe();
  const knot = useQuery(knotQuery(id, view));
  const cards = useQuery({ ...cardsQuery, enabled: me.may.teach });
  if (knot.isPending || (me.may.teach && cards.isPending)) return <Loading />;
  if (knot.isError) return <Failure error={knot.error} retry={() => void knot.refetch()} />;
  const code = cards.data?.cards.find((card) => card.learner === null)?.code ?? null;
  return (
    <ToPrint back={me.may.teach ? '/practice-cards' : `/knot/${id}`}>
      {() => <HomeSheet knot={knot.data} code={code} />}
    </ToPrint>
  );
}

/** The last step of each picture: evenly over the tying, with the finished knot at the end. */
export function stopsOf(steps: number): number[] {
  const count = Math.min(PICTURES, steps);
  return Array.from({ length: count }, (_, n) => Math.round(((n + 1) * steps) / count) - 1);
}

function HomeSheet({ knot, code }: { knot: Knot; code: string | null }) {
  const stops = stopsOf(knot.steps.length);
  return (
    <>
      <header className="mb-[3mm] flex items-end justify-between gap-[4mm] border-b-2 border-black pb-[2mm]">
        <h1 className="text-[2.4em]">{knot.name}</h1>
        <p className="text-end">{knot.purpose}</p>
      </header>
      {[...(knot.with_adult ? [words.practice.withAdultAbout] : []), ...knot.cautions].map((caution) => (
        <p key={caution} className="mb-[2mm] border-l-4 border-black pl-[2mm] font-semibold">
          {caution}
        </p>
      ))}
      <ol className="grid min-h-0 flex-[3] grid-cols-2 grid-rows-2 gap-[3mm]">
        {stops.map((stop, n) => (
          <li key={stop} className="flex min-h-0 flex-col">
            <div className="relative min-h-0 flex-1">
              <Picture knot={knot} stop={stop} />
            </div>
            {knot.steps.slice((stops[n - 1] ?? -1) + 1, stop + 1).map((step, m) => (
              <p key={step.say}>
                <strong>{(stops[n - 1] ?? -1) + 2 + m}.</strong> {step.say}
              </p>
            ))}
          </li>
        ))}
      </ol>
      <div className="mt-[3mm] grid grid-cols-2 gap-[5mm] border-t-2 border-black pt-[2mm]">
        <section>
          <h2 className="text-[1.2em]">{words.show.wrong}</h2>
          <Wrong knot={knot} />
        </section>
        <section>
          <h2 className="text-[1.2em]">{words.cards.whereTo}</h2>
          <p>{words.practice.where}</p>
          <h2 className="mt-[2mm] text-[1.2em]">{words.cards.parents}</h2>
          <p>{words.cards.parentsAbout.ask({ knot: inSentence(knot.name) })}</p>
          <p>{words.cards.parentsAbout.adult}</p>
          {code !== null && (
            <div className="mt-[2mm] flex items-center gap-[3mm]">
              <QrCode link={cornerLink(code)} size={84} />
              <p>
                <strong>{words.practice.title}.</strong> {words.cards.toHall}{' '}
                <strong className="tracking-widest">{code}</strong>
              </p>
            </div>
          )}
        </section>
      </div>
    </>
  );
}

function Picture({ knot, stop }: { knot: Knot; stop: number }) {
  const step = knot.steps[stop];
  const text = words.show.step({ n: stop + 1, all: knot.steps.length });
  const isLast = stop === knot.steps.length - 1;
  return knot.in_space ? (
    <SpaceImage
      knot={knot}
      view={knot.view}
      shown={isLast || step?.tight ? { tightness: 1 } : { step: stop + 1 }}
      ink="grey"
      text={text}
      className="absolute inset-0 size-full"
    />
  ) : (
    <StepDrawing knot={knot} step={step} text={text} className="absolute inset-0 size-full" />
  );
}

/** Two that happen to many, drawn where they can be; else told. */
function Wrong({ knot }: { knot: Knot }) {
  const drawn = knot.wrong.slice(0, WRONG);
  if (drawn.length === 0) {
    return knot.mistakes.slice(0, WRONG).map((one) => (
      <p key={one.id} className="mb-[1mm]">
        {one.sign}. <strong>{words.show.fix}</strong> {one.fix}.
      </p>
    ));
  }
  return drawn.map((form) => (
    <div key={form.id} className="mb-[1mm] flex items-center gap-[3mm]">
      <KnotPicture
        drawing={form.drawing}
        moment={null}
        text={form.name ?? words.show.fallsOut}
        ringed={form.ringed}
        className="h-[26mm] w-[34mm] shrink-0"
      />
      <p>
        {form.sign}. <strong>{words.show.fix}</strong> {form.fix}.
      </p>
    </div>
  ));
}
