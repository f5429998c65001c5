import { words } from '../words';
import { Button } from './Button';
import { LOOKS } from './looks';
import { problemLines, problemSentence } from './problem';

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
      <p className="mb-3">{problemSentence(error)}</p>
      {retry && <Button onClick={retry}>{words.retry}</Button>}
    </div>
  );
}

/** What the server refused, each fault in its own words. */
export function Faults({ error }: { error: unknown }) {
  if (!error) return null;
  return (
    <div role="alert" className={LOOKS.faults}>
      {problemLines(error).map((line) => (
        <p key={line}>{line}</p>
      ))}
    </div>
  );
}
