import { useMutation } from '@tanstack/react-query';
import { Award, CheckCheck } from 'lucide-react';
import { Link } from 'react-router';
import { handOver } from '../api/awards';
import type { Schemas } from '../api/client';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { words } from '../words';
import { needs } from '../words/saying';
import { inSentence, listOf } from '../words/format';

type Badges = NonNullable<Schemas['RunSheet']['badges']>;

/** Whose badges are ready tonight, and who is one knot short: a check can be moved up for them. */
export function BadgesTonight({ badges, meeting }: { badges: Badges; meeting: string }) {
  const me = useMe();
  const { ready, nearly } = badges;
  if (ready.length === 0 && nearly.length === 0) return null;
  const byBadge = [...new Set(ready.map((one) => one.name))];
  return (
    <section aria-labelledby="badges-tonight" className="mt-8 print:hidden">
      <h2 id="badges-tonight" className="mb-2 text-xl">
        {words.awards.tonight}
      </h2>
      {byBadge.map((name) => (
        <p key={name} className="border-l-4 border-right pl-3">
          {words.awards.tonightReady({
            names: listOf(ready.filter((one) => one.name === name).map((one) => one.learner.name)),
            badge: name,
          })}
        </p>
      ))}
      {ready.length > 0 && me.may.award && (
        <Link to="/awards" className={LINK}>
          <Award aria-hidden className="size-5" /> {words.awards.tonightDecide}
        </Link>
      )}
      {nearly.length > 0 && (
        <>
          <h3 className="mt-3 text-base">{words.awards.nearly}</h3>
          <ul className="divide-y divide-line">
            {nearly.map((one) => (
              <li key={`${one.learner.id} ${one.badge}`} className="flex flex-wrap items-center gap-x-4 py-1">
                <span className="min-w-48 flex-1">
                  <strong>{one.learner.name}</strong> {words.awards.nearlyOf({ badge: one.name })}
                  <span className="block text-sm text-soft">{needs(one.acts)}</span>
                </span>
                {one.acts.slice(0, 1).map((act) =>
                  act.key === null && act.knot !== null ? (
                    <Link key="check" to={`/check/${act.knot}?meeting=${meeting}`} className={LINK}>
                      <CheckCheck aria-hidden className="size-5" /> {words.session.check}
                      <span className="sr-only">
                        : {words.awards.checkNow({ knot: inSentence(act.name ?? act.knot) })}
                      </span>
                    </Link>
                  ) : (
                    <Link key="page" to={`/crew/${one.learner.id}`} className={LINK}>
                      {words.awards.upLearner}
                    </Link>
                  ),
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** In the block where badges are handed over: to whom which, and that it was done. */
export function HandOver({ badges }: { badges: Badges }) {
  const me = useMe();
  const hand = useMutation(handOver);
  const waiting = badges.to_hand.filter((one) => one.handed_on === null);
  return (
    <div className="mt-1">
      <ul>
        {badges.to_hand.map((one) => (
          <li key={one.id}>
            <strong>{one.learner.name}</strong>: {one.name}
            {one.handed_on !== null && <span className="text-soft">, {inSentence(words.awards.kept)}</span>}
          </li>
        ))}
      </ul>
      <Faults error={hand.error} />
      {me.may.teach && waiting.length > 0 && (
        <Button
          className="mt-2 print:hidden"
          disabled={hand.isPending}
          onClick={() => hand.mutate(waiting.map((one) => one.id))}
        >
          <Award aria-hidden className="size-5" /> {words.awards.handAll}
        </Button>
      )}
    </div>
  );
}
