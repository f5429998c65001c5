import { useMutation } from '@tanstack/react-query';
import { Package } from 'lucide-react';
import { Link } from 'react-router';
import { call } from '../api/client';
import { packQuery, queryClient, type RigAsked } from '../api/queries';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { words } from '../words';

/** The rope of a rig goes on what a meeting packs, with one tap. */
export function TakeRig({ asked }: { asked: RigAsked & { meeting: string } }) {
  const take = useMutation({
    mutationFn: () =>
      call('POST', '/api/meetings/{meeting}/rigs', {
        params: { path: { meeting: asked.meeting } },
        body: {
          rig: asked.rig,
          answers: asked.answers,
          knots: asked.knots,
          ...(asked.rope === null ? {} : { rope: asked.rope }),
        },
      }),
    // It is in the plan from now on, and on the run sheet.
    onSuccess: () =>
      void Promise.all(
        [packQuery(asked.meeting).queryKey, ['course'], ['meeting']].map((queryKey) =>
          queryClient.invalidateQueries({ queryKey }),
        ),
      ),
  });
  return (
    <div className="print:hidden">
      <Faults error={take.error} />
      <div className="flex flex-wrap items-center gap-x-5">
        <Button look="signal" className="min-h-14" disabled={take.isPending} onClick={() => take.mutate()}>
          <Package aria-hidden className="size-5" /> {words.bench.take}
        </Button>
        {take.isSuccess && (
          <span role="status" className="flex items-center gap-2">
            {words.bench.taken}
            <Link to={`/pack/${asked.meeting}`} className={LINK}>
              {words.bench.packs}
            </Link>
          </span>
        )}
      </div>
    </div>
  );
}
