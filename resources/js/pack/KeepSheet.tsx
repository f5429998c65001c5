import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ApiProblem } from '../api/client';
import { queryClient, storeQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';

/** A sheet by which one thing of the store is put in, changed or taken out. */
export function KeepSheet({
  isNew,
  title,
  removal,
  keep,
  drop,
  onClose,
  children,
}: {
  /** It is put in. */
  isNew: boolean;
  title: string;
  removal: string;
  keep: () => Promise<unknown>;
  drop: () => Promise<unknown>;
  onClose: () => void;
  children: (fault: (field: string) => string | undefined) => ReactNode;
}) {
  const done = (): void => {
    void queryClient.invalidateQueries({ queryKey: storeQuery.queryKey });
    onClose();
  };
  const save = useMutation({ mutationFn: keep, onSuccess: done });
  const remove = useMutation({ mutationFn: drop, onSuccess: done });
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
          {!isNew && (
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              {removal}
            </Button>
          )}
        </div>
      </form>
    </Sheet>
  );
}
