import { useState } from 'react';
import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { Button } from '../ui/Button';
import { words } from '../words';

type Compared = Schemas['Compared'];
type Good = Compared['good'][number];

const CARD = 'flex min-h-12 items-center gap-3 rounded-lg border-2 px-3 py-2 text-start';

/**
 * What it probably is: pictures as this learner sees the knot, the likeliest for this group first, and its sign; the chosen one
 * says its fix. Forms that are as good pass. What looks like none of them is found by three questions at the most.
 */
export function MistakePicker({
  mistakes,
  forms,
  compared,
  value,
  onChange,
  onFound,
  onGood,
}: {
  mistakes: Schemas['KnotMistake'][];
  forms: Schemas['WrongForm'][];
  compared: Compared | undefined;
  value: string | null;
  onChange: (id: string | null) => void;
  onFound: (words: string) => void;
  onGood: (form: Good) => void;
}) {
  const [asking, setAsking] = useState(false);
  return (
    <fieldset className="[--ground:var(--card)]">
      <legend className="mb-1 font-display text-lg font-bold">{words.check.mistake}</legend>
      <div className="flex flex-col gap-2">
        {mistakes.map((mistake) => {
          const form = forms.find((one) => one.sign === mistake.sign);
          const chosen = value === mistake.id;
          return (
            <button
              key={mistake.id}
              type="button"
              aria-pressed={chosen}
              onClick={() => onChange(mistake.id)}
              className={`${CARD} ${chosen ? 'border-notyet bg-wash' : 'border-line bg-card'}`}
            >
              {form && (
                <KnotPicture
                  drawing={form.drawing}
                  moment={null}
                  text={form.name ?? words.show.fallsOut}
                  ringed={chosen ? form.ringed : []}
                  className="h-24 w-32 shrink-0"
                />
              )}
              <span className="min-w-0 flex-1">
                <span className="block font-semibold">{mistake.sign}</span>
                {form?.name && <span className="block text-sm text-soft">{form.name}</span>}
                {chosen && (
                  <span className="block text-sm">
                    {mistake.cause}. {mistake.fix}.
                  </span>
                )}
              </span>
            </button>
          );
        })}
        <button
          type="button"
          aria-pressed={asking}
          onClick={() => {
            onChange(null);
            setAsking(!asking);
          }}
          className={`${CARD} font-semibold ${asking ? 'border-notyet bg-wash' : 'border-line bg-card'}`}
        >
          {words.check.otherMistake}
        </button>
        {asking &&
          (compared?.narrow ? (
            <Questions
              key={compared.tidy.box.join(' ')}
              step={compared.narrow}
              right={compared.right}
              onFound={onFound}
            />
          ) : (
            <p className="text-sm text-soft">{words.check.noQuestions}</p>
          ))}
        {compared?.good.map((form) => (
          <button
            key={`${form.method} ${form.mirrored}`}
            type="button"
            onClick={() => onGood(form)}
            className={`${CARD} border-right bg-card`}
          >
            <KnotPicture drawing={form.drawing} moment={null} text={form.name} className="h-24 w-32 shrink-0" />
            <span className="min-w-0 flex-1">
              <span className="block font-semibold">{form.mirrored ? words.check.otherHand : form.name}</span>
              <span className="block text-sm text-(--right)">{words.check.asGood}</span>
            </span>
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** Is it as in the picture, at the ring? At most three times, then what is left. */
function Questions({
  step,
  right,
  onFound,
}: {
  step: Schemas['Narrowing'];
  right: Schemas['Drawing'];
  onFound: (words: string) => void;
}) {
  const [now, setNow] = useState(step);
  const [asked, setAsked] = useState(1);
  const answer = (next: Schemas['Narrowing'] | null): void => {
    if (!next) return;
    setNow(next);
    setAsked(asked + 1);
  };
  if (now.at === null) {
    return (
      <div role="group" aria-label={words.check.left} className="flex flex-col gap-2">
        <p className="font-semibold">{words.check.left}</p>
        {now.left.map((form) => (
          <button
            key={form.id}
            type="button"
            onClick={() => onFound(`${form.cause}. ${form.fix}.`)}
            className={`${CARD} border-line bg-card`}
          >
            <KnotPicture
              drawing={form.drawing}
              moment={null}
              text={form.name ?? form.sign}
              ringed={form.ringed}
              className="h-28 w-36 shrink-0"
            />
            <span className="min-w-0 flex-1 text-sm">
              <span className="block text-base font-semibold">{form.name ?? form.sign}</span>
              {form.cause}. {form.fix}.
            </span>
          </button>
        ))}
        <Button
          look="quiet"
          onClick={() => {
            setNow(step);
            setAsked(1);
          }}
        >
          {words.check.askAgain}
        </Button>
      </div>
    );
  }
  return (
    <div
      role="group"
      aria-label={words.check.question({ n: asked })}
      className="rounded-lg border-2 border-notyet bg-card p-3 [--ground:var(--card)]"
    >
      <p aria-live="polite" className="font-semibold">
        {words.check.question({ n: asked })}
      </p>
      <KnotPicture
        drawing={right}
        moment={null}
        text={words.check.question({ n: asked })}
        ringed={[now.at]}
        className="h-52 w-full"
      />
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => answer(now.as_drawn)}>{words.check.asDrawn}</Button>
        <Button onClick={() => answer(now.other)}>{words.check.otherWay}</Button>
      </div>
    </div>
  );
}
