import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { cornerLink } from '../api/corner';
import { cardsQuery } from '../api/queries';
import { QrCode } from '../ui/QrCode';
import { Failure, Loading } from '../ui/states';
import { dayLong } from '../words/format';
import { words } from '../words';
import { ToPrint } from './ToPrint';

/** So many cut from one page: one for each hand that is stretched out. */
const ON_A_PAGE = 8;

/** A practice card, to print and cut out: the group's many times over, a learner's own once. */
export function PracticeCardPage() {
  const { card: id = '' } = useParams();
  const cards = useQuery(cardsQuery);
  if (cards.isPending) return <Loading />;
  if (cards.isError) return <Failure error={cards.error} retry={() => void cards.refetch()} />;
  const card = cards.data.cards.find((one) => one.id === id);
  if (!card?.code) return <p className="p-6">{words.notFound}</p>;
  return (
    <ToPrint back="/practice-cards">
      {() => (
        <>
          <p className="mb-[3mm]">{words.cards.cut}</p>
          <ul className="grid min-h-0 flex-1 grid-cols-2 grid-rows-4">
            {Array.from({ length: card.learner === null ? ON_A_PAGE : 1 }, (_, n) => (
              <Card key={n} code={card.code ?? ''} until={card.ends_on} />
            ))}
          </ul>
        </>
      )}
    </ToPrint>
  );
}

function Card({ code, until }: { code: string; until: string }) {
  return (
    <li
      className="flex min-h-0 items-center gap-[3mm] overflow-hidden border border-dashed border-black p-[3mm]"
      data-testid="card"
    >
      <QrCode link={cornerLink(code)} size={112} className="shrink-0" />
      <div className="min-w-0">
        <h2 className="text-[1.2em]">{words.practice.title}</h2>
        <p className="break-words">{words.cards.open({ address: `${window.location.host}/practice` })}</p>
        <p className="font-display text-[1.9em] font-bold tracking-[0.12em]">{code}</p>
        <p className="text-[0.9em]">{words.cards.good({ day: dayLong(until) })}</p>
      </div>
    </li>
  );
}
