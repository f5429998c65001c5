import { useMutation } from '@tanstack/react-query';
import { zipOfGroup } from '../api/along';
import { call } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { words } from '../words';
import { useZip } from './useZip';
import { WhatItDoes } from './WhatItDoes';
import { ZipFields } from './ZipFields';

/** A zip of this group that comes back: seen first, then taken in. */
export function BringBack() {
  const zip = useZip(zipOfGroup);
  const take = useMutation({
    mutationFn: () =>
      call('POST', '/api/along/given/{given}/take', { params: { path: { given: zip.id } }, body: zip.opened }),
    onSuccess: async () => {
      zip.choose(null);
      await queryClient.invalidateQueries();
    },
  });
  const would = zip.look.data;
  return (
    <section className="flex max-w-xl flex-col gap-3" aria-labelledby="back">
      <h2 id="back" className="text-xl">
        {words.along.back}
      </h2>
      <p className="text-soft">{words.along.backAbout}</p>
      <Faults error={zip.look.error ?? take.error} />
      <ZipFields zip={zip} />
      {would === undefined ? (
        <Button
          className="self-start"
          disabled={zip.file === null || zip.look.isPending}
          onClick={() => {
            take.reset();
            zip.look.mutate({});
          }}
        >
          {words.along.look}
        </Button>
      ) : (
        <>
          <WhatItDoes would={would} />
          <div className="flex flex-wrap gap-3">
            <Button look="signal" disabled={take.isPending} onClick={() => take.mutate()}>
              {words.along.takeBack}
            </Button>
            <Button disabled={take.isPending} onClick={() => zip.choose(null)}>
              {words.cancel}
            </Button>
          </div>
        </>
      )}
      {take.data && (
        <p role="status" className="font-semibold text-right">
          {words.along.taken({ name: take.data.group })}
        </p>
      )}
    </section>
  );
}
