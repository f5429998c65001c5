import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { certificatesQuery } from '../api/awards';
import { ToPrint } from '../handout/ToPrint';
import { Choice } from '../ui/Choice';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { Certificate } from './Certificate';
import { BadgeSheet } from './BadgeSheet';
import { type Ink, pagesOf } from './print';

/** Certificates or small badges of some awards, as they come out of the printer. */
export function CertificatesPage() {
  const [asked] = useSearchParams();
  const ids = (asked.get('awards') ?? '').split(',').filter((id) => id !== '');
  const [kind, setKind] = useState<'sheets' | 'small'>('sheets');
  const [ink, setInk] = useState<Ink>('colour');
  const found = useQuery(certificatesQuery(ids));
  if (found.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  const { certificates } = found.data;
  if (certificates.length === 0) return <p className="p-6">{words.notFound}</p>;
  return (
    <ToPrint
      back="/awards"
      across={kind === 'sheets'}
      more={
        <>
          <div className="w-72">
            <Choice
              label={words.awards.printAs}
              value={kind}
              onChange={setKind}
              options={(['sheets', 'small'] as const).map((one) => [one, words.awards.kinds[one]] as const)}
            />
          </div>
          <div className="w-72">
            <Choice
              label={words.awards.ink}
              value={ink}
              onChange={setInk}
              options={(['colour', 'grey'] as const).map((one) => [one, words.awards.inks[one]] as const)}
            />
          </div>
        </>
      }
    >
      {(paper) =>
        kind === 'sheets'
          ? certificates.map((one) => <Certificate key={one.id} of={one} look={found.data} ink={ink} />)
          : pagesOf(certificates, paper).map((some, n) => <BadgeSheet key={n} of={some} look={found.data} ink={ink} />)
      }
    </ToPrint>
  );
}
