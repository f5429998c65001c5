import { useMutation, useQuery } from '@tanstack/react-query';
import { QrCode as Sign } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { makeCard } from '../api/cards';
import { cornerLink } from '../api/corner';
import { cardsQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { QrCode } from '../ui/QrCode';
import { Sheet } from '../ui/Sheet';
import { Failure, Faults, Loading } from '../ui/states';
import { words } from '../words';

/** Whoever waits for a turn practises, at the room's own tablets: the code for them, to be held up. */
export function PracticeStation() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" onClick={() => setOpen(true)} className={LINK}>
        <Sign aria-hidden className="size-5" /> {words.session.practice}
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={words.session.station}
        about={words.session.stationAbout}
      >
        {open && <Code />}
        <Link to="/practice-cards" className={`${LINK} mt-4`}>
          {words.cards.title}
        </Link>
      </Sheet>
    </>
  );
}

function Code() {
  const found = useQuery(cardsQuery);
  const make = useMutation(makeCard);
  if (found.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  const card = found.data.cards.find((one) => one.learner === null);
  if (card === undefined) {
    return (
      <>
        <Faults error={make.error} />
        <Button look="signal" className="w-full" disabled={make.isPending} onClick={() => make.mutate(undefined)}>
          {words.cards.make}
        </Button>
      </>
    );
  }
  if (card.code === null) return <p className="font-semibold">{words.cards.locked}</p>;
  return (
    <div className="flex flex-col items-center gap-2 text-center">
      <QrCode link={cornerLink(card.code)} size={240} />
      <p className="text-soft">{words.cards.open({ address: `${window.location.host}/practice` })}</p>
      <strong className="font-display text-5xl tracking-[0.14em] tabular-nums" data-testid="station-code">
        {card.code}
      </strong>
    </div>
  );
}
