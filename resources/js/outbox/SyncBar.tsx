import { useState, useSyncExternalStore } from 'react';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { words } from '../words';
import { type Kept, store } from './store';
import { checksHere, onSync, sendOn, sync, syncState, unsentFile } from './sync';
import { listOf } from '../words/format';

export const useSync = () => useSyncExternalStore(onSync, syncState);

/** What waits: checks, notes of the evening, or both. */
export const kindOf = (checks: number, notes: number): 'checks' | 'notes' | 'both' =>
  checks === 0 ? 'notes' : notes === 0 ? 'checks' : 'both';

/** In words: what is not on the server yet, why, and what to do. Nothing where everything is sent and there is a network. */
export function SyncBar({ online, mayPlan }: { online: boolean; mayPlan: boolean }) {
  const { waiting, notes, refused, others, trouble } = useSync();
  const [fault, setFault] = useState<string | null>(null);
  const [open, setOpen] = useState<Kept[] | null>(null);
  // A note that is only on its way is not worth a line that comes and goes.
  if (waiting + refused + others.count + (trouble === 'none' ? 0 : notes) === 0 && online) return null;
  return (
    <div
      role="status"
      className="mb-3 flex flex-wrap items-center justify-between gap-x-4 gap-y-1 rounded-lg border-2 border-dashed border-soft px-3 py-1"
      data-testid="sync"
    >
      <p className="py-1">
        {waiting + notes > 0 && <strong>{words.sync.waiting[kindOf(waiting, notes)]({ n: waiting, notes })}</strong>}{' '}
        {waiting + notes > 0 && words.sync.trouble[trouble]} {waiting + notes === 0 && !online && words.offline}{' '}
        {others.count > 0 &&
          words.sync.others[mayPlan ? 'may' : 'wait']({ n: others.count, names: listOf(others.names) })}{' '}
        {refused > 0 && <strong className="text-notyet">{words.sync.refused({ n: refused })}</strong>}{' '}
        {fault !== null && <strong className="text-notyet">{fault}</strong>}
      </p>
      <span className="flex flex-wrap gap-1">
        {waiting + notes > 0 && online && (
          <Button look="quiet" onClick={() => void sync()}>
            {words.sync.now}
          </Button>
        )}
        {others.count > 0 && mayPlan && online && (
          <Button
            look="quiet"
            onClick={() =>
              void sendOn().then(
                () => setFault(null),
                (error: unknown) => setFault(error instanceof Error ? error.message : words.unknown),
              )
            }
          >
            {words.sync.sendOn}
          </Button>
        )}
        {waiting + refused + others.count > 0 && (
          <Button look="quiet" onClick={() => void checksHere().then(setOpen)}>
            {words.sync.look}
          </Button>
        )}
      </span>
      {open !== null && (
        <Sheet open onClose={() => setOpen(null)} title={words.sync.title} about={words.sync.about}>
          <ul className="mb-4 divide-y divide-line">
            {open.map((one) => (
              <li key={one.id} className="flex flex-wrap items-center justify-between gap-3 py-2">
                <span>
                  <strong>{one.who}</strong>: {one.verdict}
                  {one.of !== undefined && <span className="text-soft">, {words.sync.tappedBy({ name: one.of })}</span>}
                  {one.fault !== undefined && <span className="block text-sm text-notyet">{one.fault}</span>}
                </span>
                {one.state === 'refused' && (
                  <Button
                    look="quiet"
                    onClick={() =>
                      void store.events
                        .delete(one.id)
                        .then(() => sync())
                        .then(() => setOpen(open.filter((other) => other.id !== one.id)))
                    }
                  >
                    {words.sync.letGo}
                  </Button>
                )}
              </li>
            ))}
          </ul>
          <Button onClick={() => void saveFile()}>{words.sync.file}</Button>
        </Sheet>
      )}
    </div>
  );
}

export async function saveFile(): Promise<void> {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await unsentFile());
  link.download = `compadre-unsent-${new Date().toISOString().slice(0, 10)}.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}
