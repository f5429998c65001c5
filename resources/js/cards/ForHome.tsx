import { useMutation, useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { setHome } from '../api/home';
import { knotsQuery } from '../api/queries';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { Toggle } from '../ui/Toggle';
import { WithAdult } from '../ui/WithAdult';
import { words } from '../words';

/** What the group is to practise at home, and a page to take there. */
export function ForHome({ home, wrong }: { home: string[]; wrong: Schemas['OftenWrong'][] }) {
  const knots = useQuery(knotsQuery);
  const set = useMutation(setHome);
  const wanted = (knots.data?.knots ?? []).filter((knot) => knot.badges.length > 0 || home.includes(knot.id));
  return (
    <section aria-labelledby="for-home">
      <h2 id="for-home" className="text-xl">
        {words.cards.home}
      </h2>
      <p className="mb-3 max-w-prose text-soft">{words.cards.homeAbout}</p>
      <Faults error={set.error} />
      {wrong.length > 0 && (
        <div className="mb-4 rounded-xl border border-line bg-card px-4 py-3" data-testid="often-wrong">
          <h3 className="text-lg">{words.cards.wrong}</h3>
          <p className="text-soft">{words.cards.wrongAbout}</p>
          <ul className="mt-2 divide-y divide-line">
            {wrong.map((one) => (
              <li key={`${one.knot} ${one.sign}`} className="py-2">
                <strong>{one.name}</strong>: {one.sign}.{' '}
                <span className="text-soft">{words.cards.times({ n: one.times })}.</span>{' '}
                <span className="font-semibold text-signal">{words.show.fix}</span> {one.fix}.{' '}
                {one.with_adult && <WithAdult className="inline-flex align-middle text-soft" />}
              </li>
            ))}
          </ul>
        </div>
      )}
      <ul className="grid gap-x-8 sm:grid-cols-2">
        {wanted.map((knot) => (
          <li key={knot.id} className="flex items-center gap-3 border-b border-line py-2">
            <strong className="flex-1 leading-tight">{knot.name}</strong>
            {knot.with_adult ? (
              <WithAdult className="flex text-soft" />
            ) : (
              <Toggle
                on={home.includes(knot.id)}
                onClick={() => set.mutate({ knot: knot.id, home: !home.includes(knot.id) })}
              >
                {words.cards.atHome}
                <span className="sr-only">: {knot.name}</span>
              </Toggle>
            )}
            <Link to={`/home/${knot.id}`} className={LINK}>
              <Printer aria-hidden className="size-5" />
              <span className="sr-only">
                {words.cards.homeCard}: {knot.name}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
