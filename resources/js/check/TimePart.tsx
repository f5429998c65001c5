import { Timer } from 'lucide-react';
import { useEffect, useId, useState } from 'react';
import { Button } from '../ui/Button';
import { words } from '../words';

/** How long the tying took, where somebody wants to know: by the stopwatch, or typed in. In seconds. */
export function TimePart({ onTime }: { onTime: (seconds: number | null) => void }) {
  const id = useId();
  const [text, setText] = useState('');
  const [since, setSince] = useState<number | null>(null);
  useEffect(() => {
    if (since === null) return undefined;
    const tick = window.setInterval(() => setText(((performance.now() - since) / 1000).toFixed(1)), 100);
    return () => clearInterval(tick);
  }, [since]);
  const change = (next: string): void => {
    setText(next);
    const seconds = Number(next.replace(',', '.'));
    onTime(next.trim() === '' || !(seconds >= 0 && seconds <= 3600) ? null : Math.round(seconds * 10) / 10);
  };
  const press = (): void => {
    if (since === null) {
      setSince(performance.now());
      change('');
    } else {
      setSince(null);
      change(((performance.now() - since) / 1000).toFixed(1));
    }
  };
  return (
    <div className="flex gap-2">
      <Button onClick={press} className="min-w-32">
        <Timer aria-hidden className="size-5" /> {since === null ? words.check.timeStart : words.check.timeStop}
      </Button>
      <label htmlFor={id} className="sr-only">
        {words.check.time}
      </label>
      <span className="flex min-w-0 flex-1 items-center gap-2">
        <input
          id={id}
          inputMode="decimal"
          value={text}
          readOnly={since !== null}
          onChange={(event) => change(event.target.value)}
          className="min-h-12 w-full min-w-0 rounded-lg border border-soft bg-card px-3 tabular-nums"
        />
        <span aria-hidden className="text-soft">
          s
        </span>
      </span>
    </div>
  );
}
