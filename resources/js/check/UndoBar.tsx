import { Undo2 } from 'lucide-react';
import { words } from '../words';
import type { Last } from './useChecks';

/** What was just recorded, what to do next, and the way back. */
export function UndoBar({ last, onUndo }: { last: Last | null; onUndo: () => void }) {
  return (
    <div role="status" className="sticky bottom-24 z-10 rail:bottom-4">
      {last && (
        <div className="flex items-center gap-3 rounded-xl bg-ink py-2 pr-2 pl-4 text-paper shadow-lg">
          <p className="min-w-0 flex-1 leading-snug">
            <strong>{last.text}</strong>
            {last.next && <span className="block text-sm">{last.next}</span>}
          </p>
          {last.undo && (
            <button
              type="button"
              onClick={onUndo}
              className="flex min-h-12 items-center gap-2 rounded-lg border border-paper/50 px-4 font-semibold hover:bg-paper/15"
            >
              <Undo2 aria-hidden className="size-5" /> {words.check.undo}
            </button>
          )}
        </div>
      )}
    </div>
  );
}
