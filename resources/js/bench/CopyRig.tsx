import { useMutation } from '@tanstack/react-query';
import { Copy, Pencil } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { call, type Schemas } from '../api/client';
import { queryClient, rigsQuery } from '../api/queries';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { words } from '../words';

/** To a copy of the group's own; one that is its own already is changed. */
export function CopyRig({ rig }: { rig: Schemas['RigAbout'] }) {
  const navigate = useNavigate();
  const copy = useMutation({
    mutationFn: () => call('POST', '/api/rigs/{rig}/copies', { params: { path: { rig: rig.id } } }),
    onSuccess: ({ id }) => {
      void queryClient.invalidateQueries({ queryKey: rigsQuery.queryKey });
      void navigate(`/bench/${id}/change`);
    },
  });
  if (rig.own)
    return (
      <Link to={`/bench/${rig.id}/change`} className={LINK}>
        <Pencil aria-hidden className="size-5" /> {words.bench.own.change}
      </Link>
    );
  return (
    <>
      <button type="button" disabled={copy.isPending} onClick={() => copy.mutate()} className={LINK}>
        <Copy aria-hidden className="size-5" /> {words.bench.own.copy}
      </button>
      <Faults error={copy.error} />
    </>
  );
}
