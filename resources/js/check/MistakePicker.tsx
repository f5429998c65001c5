import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { words } from '../words/en';

/** What it probably is: pictures as this learner sees the knot, and its sign; the chosen one says its fix. */
export function MistakePicker({ mistakes, forms, value, onChange }: { mistakes: Schemas['KnotMistake'][]; forms: Schemas['WrongForm'][]; value: string | null; onChange: (id: string | null) => void }) {
  return (
    <fieldset>
      <legend className="mb-1 font-display text-lg font-bold">{words.check.mistake}</legend>
      <div className="flex flex-col gap-2">
        {[...mistakes, null].map((mistake) => {
          const id = mistake?.id ?? null;
          const form = forms.find((one) => mistake !== null && one.sign === mistake.sign);
          return (
            <button key={id ?? '-'} type="button" aria-pressed={value === id} onClick={() => onChange(id)} className={`flex min-h-12 items-center gap-3 rounded-lg border-2 px-3 py-2 text-start ${value === id ? 'border-notyet bg-wash' : 'border-line bg-card'}`}>
              {form && <KnotPicture drawing={form.drawing} moment={null} text={form.name ?? words.show.fallsOut} ringed={value === id ? form.ringed : []} className="h-24 w-32 shrink-0" />}
              <span className="min-w-0 flex-1">
                <span className="block font-semibold">{mistake?.sign ?? words.check.otherMistake}</span>
                {form?.name && <span className="block text-sm text-soft">{form.name}</span>}
                {mistake && value === id && <span className="block text-sm">{mistake.cause}. {mistake.fix}.</span>}
              </span>
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
