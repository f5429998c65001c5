import { useMutation, useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { signingQuery } from '../api/awards';
import { call, type Schemas } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { LINK } from '../ui/link';
import { Sheet } from '../ui/Sheet';
import { Failure, Faults, Loading } from '../ui/states';
import { dayOf } from '../words/format';
import { words } from '../words';

type Alg = Schemas['Signing']['keys'][number]['alg'];

/** Who the group is where its badges are shown: its card, its lists, its keys. */
export function Signing({ onClose }: { onClose: () => void }) {
  const found = useQuery(signingQuery);
  const [alg, setAlg] = useState<Alg>('RS256');
  const make = useMutation({
    mutationFn: () => call('POST', '/api/signing/keys', { body: { alg } }),
    onSuccess: (now) => queryClient.setQueryData(signingQuery.queryKey, now),
  });
  return (
    <Sheet open onClose={onClose} title={words.awards.signing} about={words.awards.signingAbout}>
      {found.isPending && <Loading />}
      {found.isError && <Failure error={found.error} retry={() => void found.refetch()} />}
      {found.data && (
        <div className="flex flex-col gap-4">
          <div className="flex flex-wrap gap-x-5">
            <a href="/api/signing/issuer.json" download className={LINK}>
              <Download aria-hidden className="size-5" /> {words.awards.card}
            </a>
            <a href="/api/signing/taken-back.txt" download className={LINK}>
              <Download aria-hidden className="size-5" /> {words.awards.takenBackFile}
            </a>
          </div>
          {found.data.keys.length === 0 && <p className="text-soft">{words.awards.keyNone}</p>}
          {found.data.keys.length > 0 && (
            <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
              {found.data.keys.map((key) => (
                <li key={key.kid} className="py-2" data-testid="key">
                  <strong>{key.retired_on === null ? words.awards.keyInUse : words.awards.algs[key.alg]}</strong>{' '}
                  <span className="text-soft">
                    {key.retired_on === null && `${words.awards.algs[key.alg]}, `}
                    {words.awards.keySince({ day: dayOf(key.made_on) })}
                    {key.retired_on !== null && `, ${words.awards.keyRetired({ day: dayOf(key.retired_on) })}`}
                  </span>
                  <code className="block truncate text-sm text-soft">{key.kid}</code>
                </li>
              ))}
            </ul>
          )}
          <p className="text-soft">{words.awards.keyNewAbout}</p>
          <Choice
            label={words.awards.keyNew}
            value={alg}
            onChange={setAlg}
            options={(['RS256', 'EdDSA'] as const).map((one) => [one, words.awards.algs[one]] as const)}
          />
          <Faults error={make.error} />
          <Button disabled={make.isPending} onClick={() => make.mutate()}>
            {words.awards.keyNew}
          </Button>
        </div>
      )}
    </Sheet>
  );
}
