import { useMutation } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { Link } from 'react-router';
import { certificatesOf, handOver } from '../api/awards';
import { call } from '../api/client';
import { queryClient } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { dayLong } from '../words/format';
import { words } from '../words';
import { dayAt } from '../words/saying';
import { AwardRow } from './AwardRow';
import { HandAt } from './HandAt';
import { type Award, type Awards, Station } from './Station';

/** What was decided and waits for its evening, evening by evening; what has none comes last. */
export function ToHand({ awards, all, names }: { awards: Award[]; all: Awards; names: Record<string, string> }) {
  const me = useMe();
  const days = [...new Set(awards.map((award) => award.meeting?.date ?? ''))].sort((a, b) =>
    a === '' ? 1 : b === '' ? -1 : a.localeCompare(b),
  );
  const hand = useMutation(handOver);
  const move = useMutation({
    mutationFn: ({ award, meeting }: { award: string; meeting: string | null }) =>
      call('PUT', '/api/awards/{award}', { params: { path: { award } }, body: { meeting } }),
    onSettled: () => void queryClient.invalidateQueries(),
  });
  return (
    <Station title={words.awards.toHand} count={awards.length}>
      {awards.length === 0 && <p className="text-soft">{words.awards.toHandNone}</p>}
      <Faults error={hand.error ?? move.error} />
      {days.map((day) => {
        const these = awards.filter((award) => (award.meeting?.date ?? '') === day);
        const place = these[0]?.meeting?.place ?? null;
        return (
          <div key={day} className="mb-6">
            <div className="mb-2 flex flex-wrap items-center justify-between gap-x-3">
              <h3 className="text-base">{day === '' ? words.awards.noMeeting : dayAt(dayLong(day), place)}</h3>
              <Link to={certificatesOf(these)} className={LINK}>
                <Printer aria-hidden className="size-5" /> {words.awards.certificates}
              </Link>
            </div>
            <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
              {these.map((award) => (
                <AwardRow key={award.id} award={award} names={names}>
                  {me.may.award && (
                    <HandAt
                      meetings={all.meetings}
                      value={award.meeting?.id ?? null}
                      disabled={move.isPending}
                      onChange={(meeting) => move.mutate({ award: award.id, meeting })}
                    />
                  )}
                </AwardRow>
              ))}
            </ul>
            <Button
              look={day !== '' && day <= all.today ? 'signal' : 'plain'}
              className="mt-3 w-full"
              disabled={hand.isPending}
              onClick={() => hand.mutate(these.map((award) => award.id))}
            >
              {words.awards.hand}
            </Button>
          </div>
        );
      })}
    </Station>
  );
}
