import type { Fault } from '../api/client';
import { words } from '../words';

/** Why the picture beside it is the last that could be: answers that nothing can stand by, or no network. */
export function Stale({ refused, error }: { refused: Fault[]; error: Error | null }) {
  return (
    <>
      {refused.length > 0 && (
        <div role="alert" className="rounded-lg border-l-4 border-notyet bg-wash px-4 py-3">
          {refused.map((fault) => (
            <p key={fault.field} className="font-semibold">
              {fault.message}
            </p>
          ))}
          <p className="text-sm text-soft">{words.bench.stale}</p>
        </div>
      )}
      {error !== null && <p role="status">{words.bench.alone}</p>}
    </>
  );
}
