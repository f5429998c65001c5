import { useMutation, useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { makeCard } from '../api/cards';
import { call, type Schemas } from '../api/client';
import { cornerLink } from '../api/corner';
import { cardsQuery, crewQuery, queryClient } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { SelectField } from '../ui/Field';
import { LINK } from '../ui/link';
import { QrCode } from '../ui/QrCode';
import { Sheet } from '../ui/Sheet';
import { Failure, Faults, Loading } from '../ui/states';
import { dayLong } from '../words/format';
import { words } from '../words';
import { ForHome } from './ForHome';

type Card = Schemas['PracticeCard'];

const again = (): void => void queryClient.invalidateQueries({ queryKey: cardsQuery.queryKey });

/** The cards that let learners into the practice corner, and what is set for home. */
export function PracticeCardsPage() {
  const me = useMe();
  const found = useQuery(cardsQuery);
  if (!me.may.teach) return <p className="text-soft">{words.cards.lead}</p>;
  if (found.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  const { cards, home, wrong } = found.data;
  return (
    <div className="flex max-w-5xl flex-col gap-8">
      <div>
        <h1 className="text-3xl">{words.cards.title}</h1>
        <p className="max-w-prose text-soft">{words.cards.lead}</p>
      </div>
      {cards
        .filter((card) => card.learner === null)
        .map((card) => (
          <GroupCard key={card.id} card={card} />
        ))}
      <Make hasGroups={cards.some((card) => card.learner === null)} cards={cards} />
      <OwnCards cards={cards.filter((card) => card.learner !== null)} />
      <ForHome home={home} wrong={wrong} />
    </div>
  );
}

/** Large, so that it can be held up to the room. */
function GroupCard({ card }: { card: Card }) {
  return (
    <section
      aria-label={words.cards.group}
      className="flex flex-wrap items-center gap-6 rounded-2xl border-2 border-line bg-card p-5"
      data-testid="group-card"
    >
      {card.code !== null && <QrCode link={cornerLink(card.code)} size={200} />}
      <div className="flex min-w-0 flex-1 basis-72 flex-col gap-2">
        <h2 className="text-xl">{words.cards.group}</h2>
        {card.code === null ? (
          <p className="font-semibold">{words.cards.locked}</p>
        ) : (
          <>
            <p className="text-soft">{words.cards.open({ address: `${window.location.host}/practice` })}</p>
            <strong
              className="font-display text-5xl tracking-[0.14em] tabular-nums sm:text-6xl"
              data-testid="card-code"
            >
              {card.code}
            </strong>
          </>
        )}
        <p className="text-soft">
          {words.cards.good({ day: dayLong(card.ends_on) })}
          {card.hand === 'left' && `, ${words.cards.hands.left}`}
        </p>
        <p>{words.cards.toHall}</p>
        <div className="flex flex-wrap gap-3">
          <PrintLink card={card} />
          <End card={card} />
        </div>
      </div>
    </section>
  );
}

function PrintLink({ card }: { card: Card }) {
  if (card.code === null) return null;
  return (
    <Link to={`/practice-card/${card.id}`} className={LINK}>
      <Printer aria-hidden className="size-5" /> {words.cards.print}
      {card.learner && <span className="sr-only">: {card.learner.name}</span>}
    </Link>
  );
}

function End({ card }: { card: Card }) {
  const [open, setOpen] = useState(false);
  const end = useMutation({
    mutationFn: () => call('DELETE', '/api/practice/cards/{card}', { params: { path: { card: card.id } } }),
    onSuccess: again,
  });
  return (
    <>
      <Button look="quiet" onClick={() => setOpen(true)}>
        {words.cards.end}
        {card.learner && <span className="sr-only">: {card.learner.name}</span>}
      </Button>
      <Sheet open={open} onClose={() => setOpen(false)} title={words.cards.endGo} about={words.cards.endAbout}>
        <div className="flex flex-col gap-3">
          <Faults error={end.error} />
          <Button className="text-notyet" disabled={end.isPending} onClick={() => end.mutate()}>
            {words.cards.endGo}
          </Button>
          <Button look="signal" onClick={() => setOpen(false)}>
            {words.cancel}
          </Button>
        </div>
      </Sheet>
    </>
  );
}

/** A card for the group, or for one learner whose hand it is made for. */
function Make({ hasGroups, cards }: { hasGroups: boolean; cards: Card[] }) {
  const crew = useQuery(crewQuery);
  const [learner, setLearner] = useState('');
  const make = useMutation(makeCard);
  const held = new Set(cards.map((card) => card.learner?.id));
  const without = (crew.data?.learners ?? []).filter((one) => !held.has(one.id));
  return (
    <section className="flex flex-col items-start gap-4">
      <Faults error={make.error} />
      {!hasGroups && (
        <Button look="signal" disabled={make.isPending} onClick={() => make.mutate(undefined)}>
          {words.cards.make}
        </Button>
      )}
      {without.length > 0 && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (learner !== '') make.mutate(learner, { onSuccess: () => setLearner('') });
          }}
        >
          <SelectField
            label={words.cards.makeOwn}
            value={learner}
            onChange={(event) => setLearner(event.target.value)}
            options={[['', words.cards.choose], ...without.map((one) => [one.id, one.name] as const)]}
          />
          <Button type="submit" disabled={make.isPending || learner === ''}>
            {words.cards.makeGo}
          </Button>
        </form>
      )}
    </section>
  );
}

function OwnCards({ cards }: { cards: Card[] }) {
  const me = useMe();
  const hint = useMutation({
    mutationFn: ({ id, hints }: { id: string; hints: boolean }) =>
      call('PUT', '/api/practice/cards/{card}', { params: { path: { card: id } }, body: { hints } }),
    onSettled: again,
  });
  if (cards.length === 0) return null;
  return (
    <section aria-labelledby="own-cards">
      <h2 id="own-cards" className="text-xl">
        {words.cards.own}
      </h2>
      <p className="mb-3 max-w-prose text-soft">{words.cards.hintsAbout}</p>
      <Faults error={hint.error} />
      <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
        {cards.map((card) => (
          <li key={card.id} className="flex flex-wrap items-center gap-x-5 gap-y-1 py-2" data-testid="own-card">
            <span className="min-w-40 flex-1">
              <strong className="block">{card.learner?.name}</strong>
              <span className="text-sm text-soft">
                {words.cards.good({ day: dayLong(card.ends_on) })}
                {card.hand === 'left' && `, ${words.cards.hands.left}`}
              </span>
            </span>
            {card.code === null ? (
              <span className="font-semibold">{words.cards.locked}</span>
            ) : (
              <code className="font-display text-2xl tracking-widest tabular-nums">{card.code}</code>
            )}
            {me.may.people && (
              <label className="flex min-h-12 items-center gap-3">
                <input
                  type="checkbox"
                  className="size-6 accent-signal"
                  checked={card.hints}
                  disabled={hint.isPending}
                  onChange={(event) => hint.mutate({ id: card.id, hints: event.target.checked })}
                />
                {words.cards.hints}
                <span className="sr-only">: {card.learner?.name}</span>
              </label>
            )}
            <PrintLink card={card} />
            <End card={card} />
          </li>
        ))}
      </ul>
    </section>
  );
}
