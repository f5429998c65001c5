import { useMutation, useQuery } from '@tanstack/react-query';
import { alongQuery, stayHere } from '../api/along';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Failure, Faults, Loading } from '../ui/states';
import { words } from '../words';
import { BringBack } from './BringBack';
import { Lists } from './Lists';
import { WholeGroup } from './WholeGroup';

/** What a group takes along and brings in: lists, and all of it. */
export function AlongPage() {
  const me = useMe();
  const found = useQuery({ ...alongQuery, enabled: me.may.people });
  if (!me.may.people) return <p className="text-soft">{words.along.leadOnly}</p>;
  if (found.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  return (
    <div className="flex max-w-6xl flex-col gap-8">
      <div>
        <h1 className="text-3xl">{words.along.title}</h1>
        <p className="max-w-prose text-soft">{words.along.about}</p>
      </div>
      {found.data.left_at !== null && <Stay />}
      <Lists />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-10 rail:grid-cols-2">
        <WholeGroup board={found.data} />
        <BringBack />
      </div>
    </div>
  );
}

function Stay() {
  const stay = useMutation(stayHere);
  return (
    <div className="flex max-w-xl flex-col gap-2">
      <Faults error={stay.error} />
      <Button className="self-start" disabled={stay.isPending} onClick={() => stay.mutate()}>
        {words.along.stay}
      </Button>
      <p className="text-sm text-soft">{words.along.stayAbout}</p>
    </div>
  );
}
