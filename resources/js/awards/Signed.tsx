import { useMutation } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { awardQuery, awardsQuery } from '../api/awards';
import { call } from '../api/client';
import { queryClient } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { dayOf } from '../words/format';
import { words } from '../words';
import type { Award } from './Station';

/** An award as a file that others can check, for the learner to take along. */
export function Signed({ award }: { award: Award }) {
  const me = useMe();
  const [named, setNamed] = useState(award.signed?.named ?? false);
  const sign = useMutation({
    mutationFn: () =>
      call('POST', '/api/awards/{award}/signed', { params: { path: { award: award.id } }, body: { named } }),
    onSuccess: (now) => {
      queryClient.setQueryData(awardQuery(award.id).queryKey, now);
      void queryClient.invalidateQueries({ queryKey: awardsQuery.queryKey });
    },
  });
  if (award.signed === null && !me.may.award) return null;
  return (
    <details className="rounded-lg border border-line px-3">
      <summary className="min-h-12 content-center font-semibold">{words.awards.signed}</summary>
      <div className="flex flex-col gap-3 pb-3">
        <p className="text-soft">{words.awards.signedAbout}</p>
        {award.signed !== null && (
          <>
            <p>
              {words.awards.signedOn[award.signed.named ? 'named' : 'nameless']({ day: dayOf(award.signed.on ?? '') })}
            </p>
            <div className="flex flex-wrap gap-x-5">
              {(
                [
                  ['svg', words.awards.asSvg],
                  ['png', words.awards.asPng],
                  ['txt', words.awards.asText],
                ] as const
              ).map(([as, name]) => (
                <a key={as} href={`/api/awards/${award.id}/signed.${as}`} download className={LINK}>
                  <Download aria-hidden className="size-5" /> {name}
                </a>
              ))}
            </div>
          </>
        )}
        {me.may.award && (
          <>
            <label className="flex min-h-12 items-start gap-3">
              <input
                type="checkbox"
                className="mt-1 size-6 shrink-0 accent-signal"
                checked={named}
                onChange={(event) => setNamed(event.target.checked)}
              />
              <span>
                {words.awards.named}
                <span className="block text-sm text-soft">{words.awards.namedAbout}</span>
              </span>
            </label>
            <Faults error={sign.error} />
            {award.signed?.named !== named && (
              <Button disabled={sign.isPending} onClick={() => sign.mutate()}>
                {award.signed === null ? words.awards.sign : words.awards.signAgain}
              </Button>
            )}
          </>
        )}
      </div>
    </details>
  );
}
