import { useQuery } from '@tanstack/react-query';
import { TriangleAlert } from 'lucide-react';
import { type OfficeBoard, officeQuery } from '../api/office';
import { useMe } from '../device/me';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { OfficeLists } from './OfficeLists';
import { OfficeSetUp } from './OfficeSetUp';
import { OfficeState } from './OfficeState';

/** The register that awards are told to: what it has taken, what it has refused, and what it is still to be told. */
export function OfficePage() {
  const me = useMe();
  const found = useQuery({ ...officeQuery, enabled: me.may.award });
  if (!me.may.award) return <p className="text-soft">{words.office.leadOnly}</p>;
  if (found.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  const { office } = found.data;
  return (
    <div className="flex flex-col gap-6">
      <div>
        <h1 className="text-3xl">{words.office.title}</h1>
        <p className="max-w-prose text-soft">{words.office.about}</p>
      </div>
      <NotForgotten offices={found.data.not_forgotten} />
      {office === null ? (
        <OfficeSetUp />
      ) : (
        <>
          <OfficeState board={found.data} office={office} />
          <OfficeLists board={found.data} />
        </>
      )}
    </div>
  );
}

/** What somebody who was erased has left in a register. */
function NotForgotten({ offices }: { offices: OfficeBoard['not_forgotten'] }) {
  return offices.map((office) => (
    <p
      key={office.address}
      role="status"
      className="flex max-w-3xl items-start gap-3 rounded-xl border-2 border-notyet bg-card p-4"
    >
      <TriangleAlert aria-hidden className="mt-0.5 size-6 shrink-0 text-notyet" />
      <span>
        <strong>{words.office.notForgotten({ n: office.awards, address: office.address })}</strong>{' '}
        {office.left ? words.office.tellThem : words.office.toldSoon}
      </span>
    </p>
  ));
}
