import type { Schemas } from '../api/client';
import * as limits from '../api/limits';
import { SelectField, TextField } from '../ui/Field';
import { listOf } from '../words/format';
import { words } from '../words';
import type { Step } from './steps';

type KnotName = { id: string; name: string; family: string };

export function BadgeStep({
  answers,
  set,
  badges,
  knots,
}: Step & { badges: Schemas['BadgeAbout'][]; knots: KnotName[] }) {
  const toggle = (id: string): void =>
    set({ badges: answers.badges.includes(id) ? answers.badges.filter((one) => one !== id) : [...answers.badges, id] });
  return (
    <>
      <h2 className="text-xl">{words.setup.badge}</h2>
      <ul className="flex flex-col gap-3">
        {badges.map((badge) => (
          <li key={badge.id}>
            <label
              className={`flex gap-3 rounded-xl border-2 bg-card p-4 ${answers.badges.includes(badge.id) ? 'border-signal' : 'border-line'}`}
            >
              <input
                type="checkbox"
                checked={answers.badges.includes(badge.id)}
                onChange={() => toggle(badge.id)}
                className="mt-1 size-6 accent-signal"
              />
              <span>
                <strong className="block text-lg">{badge.name}</strong>
                {badge.about} <span className="block text-sm text-soft">{listOf(badge.knots)}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <OwnBadge answers={answers} set={set} knots={knots} />
      <TextField
        label={words.setup.by}
        type="date"
        value={answers.due}
        onChange={(event) => set({ due: event.target.value })}
      />
    </>
  );
}

/** A badge that no pack has: its name, and the knots it asks for. */
function OwnBadge({ answers, set, knots }: Step & { knots: KnotName[] }) {
  const families = [...new Set(knots.map((knot) => knot.family))];
  const toggle = (id: string): void =>
    set({
      ownKnots: answers.ownKnots.includes(id)
        ? answers.ownKnots.filter((one) => one !== id)
        : [...answers.ownKnots, id],
    });
  return (
    <details
      open={answers.ownKnots.length > 0}
      className={`rounded-xl border-2 bg-card px-4 ${answers.ownKnots.length > 0 ? 'border-signal' : 'border-line'}`}
    >
      <summary className="min-h-14 content-center text-lg font-semibold">{words.setup.own}</summary>
      <div className="flex flex-col gap-4 pb-4">
        <p className="text-soft">{words.setup.ownAbout}</p>
        <TextField
          label={words.setup.ownName}
          {...limits.SetUp.own_badges.name}
          value={answers.ownName}
          onChange={(event) => set({ ownName: event.target.value })}
        />
        {families.map((family) => (
          <fieldset key={family}>
            <legend className="mb-1 font-semibold">
              {words.knot.families[family as keyof typeof words.knot.families]}
            </legend>
            <div className="flex flex-wrap gap-2">
              {knots
                .filter((knot) => knot.family === family)
                .map((knot) => (
                  <label
                    key={knot.id}
                    className={`flex min-h-12 items-center gap-2 rounded-full border-2 px-4 ${answers.ownKnots.includes(knot.id) ? 'border-ink bg-wash font-semibold' : 'border-line'}`}
                  >
                    <input
                      type="checkbox"
                      checked={answers.ownKnots.includes(knot.id)}
                      onChange={() => toggle(knot.id)}
                      className="size-5 accent-signal"
                    />
                    {knot.name}
                  </label>
                ))}
            </div>
          </fieldset>
        ))}
        <SelectField
          label={words.setup.ownAsks}
          value={answers.ownAny}
          onChange={(event) => set({ ownAny: event.target.value })}
          options={[
            ['', words.setup.ownAll],
            ...answers.ownKnots.slice(1).map((_, n) => [String(n + 1), words.setup.ownAny({ n: n + 1 })] as const),
          ]}
        />
      </div>
    </details>
  );
}
