import type { Schemas } from '../api/client';
import { words } from '../words/en';

/** What it looks like, by its sign; the chosen one says its fix. */
export function MistakePicker({ mistakes, value, onChange }: { mistakes: Schemas['KnotMistake'][]; value: string | null; onChange: (id: string | null) => void }) {
  return (
    <fieldset>
      <legend className="mb-1 font-display text-lg font-bold">{words.check.mistake}</legend>
      <div className="flex flex-col gap-2">
        {[...mistakes, null].map((mistake) => {
          const id = mistake?.id ?? null;
          return (
            <button key={id ?? '-'} type="button" aria-pressed={value === id} onClick={() => onChange(id)} className={`min-h-12 rounded-lg border-2 px-3 py-2 text-left ${value === id ? 'border-notyet bg-wash' : 'border-line bg-card'}`}>
              <span className="block font-semibold">{mistake?.sign ?? words.check.otherMistake}</span>
              {mistake && value === id && <span className="block text-sm">{mistake.cause}. {mistake.fix}.</span>}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
