import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ApiProblem, call } from '../api/client';
import { queryClient, storeQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words/en';

/** A sheet by which one thing of the store is put in, changed or taken out. */
export function KeepSheet({
  at,
  id,
  title,
  removal,
  body,
  onClose,
  children,
}: {
  at: '/api/store' | '/api/poles';
  /** Nothing: it is put in. */
  id: string | undefined;
  title: string;
  removal: string;
  body: () => unknown;
  onClose: () => void;
  children: (fault: (field: string) => string | undefined) => ReactNode;
}) {
  const done = (): void => {
    void queryClient.invalidateQueries({ queryKey: storeQuery.queryKey });
    onClose();
  };
  const save = useMutation({
    mutationFn: () => (id === undefined ? call('POST', at, body()) : call('PUT', `${at}/${id}`, body())),
    onSuccess: done,
  });
  const remove = useMutation({ mutationFn: () => call('DELETE', `${at}/${id ?? ''}`), onSuccess: done });
  return (
    <Sheet open onClose={onClose} title={title}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Faults error={save.error ?? remove.error} />
        {children((field) => (save.error instanceof ApiProblem ? save.error.about(`/${field}`) : undefined))}
        <div className="flex flex-wrap gap-3">
          <Button look="signal" type="submit" disabled={save.isPending}>
            {words.save}
          </Button>
          {id !== undefined && (
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              {removal}
            </Button>
          )}
        </div>
      </form>
    </Sheet>
  );
}
