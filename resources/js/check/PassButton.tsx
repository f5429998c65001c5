import { Check } from 'lucide-react';
import { words } from '../words';

/** The green target at the end of a row: a clean pass of what the row is about. */
export function PassButton({ of, busy, onPass }: { of: string; busy: boolean; onPass: () => void }) {
  return (
    <button
      type="button"
      onClick={onPass}
      disabled={busy}
      aria-label={words.check.pass({ name: of })}
      className="grid min-h-16 w-20 shrink-0 place-items-center rounded-xl bg-right font-semibold text-on-right hover:brightness-110 disabled:opacity-60"
    >
      <span className="flex flex-col items-center">
        <Check aria-hidden className="size-6" strokeWidth={3} />
        <span className="text-sm">{words.check.passShort}</span>
      </span>
    </button>
  );
}
