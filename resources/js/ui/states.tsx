import { ApiProblem } from '../api/client';
import { words } from '../words/en';
import { Button } from './Button';

function sentence(error: unknown): string {
  return error instanceof Error ? error.message : words.unknown;
}

export function Loading() {
  return (
    <p role="status" className="p-6 text-soft">
      {words.loading}
    </p>
  );
}

export function Failure({ error, retry }: { error: unknown; retry?: () => void }) {
  return (
    <div role="alert" className="m-2 max-w-xl rounded-xl border-2 border-notyet bg-card p-5">
      <p className="mb-3">{sentence(error)}</p>
      {retry && <Button onClick={retry}>{words.retry}</Button>}
    </div>
  );
}

/** What the server refused, each fault in its own words. */
export function Faults({ error }: { error: unknown }) {
  if (!error) return null;
  const lines =
    error instanceof ApiProblem && error.faults.length > 0
      ? error.faults.map((fault) => fault.message)
      : [sentence(error)];
  return (
    <div role="alert" className="rounded-lg border-l-4 border-notyet bg-wash px-4 py-3">
      {lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </div>
  );
}
