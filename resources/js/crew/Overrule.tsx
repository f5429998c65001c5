import { useState } from 'react';
import type { Schemas } from '../api/client';
import * as limits from '../api/limits';
import { record } from '../check/events';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { AreaField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { words } from '../words';

type Entry = Schemas['LearnerPage']['history'][number];

const ANSWERS = [
  ['yes', words.check.yes],
  ['no', words.check.no],
  ['not_looked', words.check.notLooked],
] as const;
const PARTS = ['tying', 'dressing', 'tail'] as const;

/** A leader decides otherwise about a check: what it was, and why. It stands in the check's place, on its day. */
export function Overrule({
  entry,
  learner,
  knot,
  onClose,
}: {
  entry: Entry;
  learner: Schemas['Learner'];
  knot: string;
  onClose: () => void;
}) {
  const [seen, setSeen] = useState({ tying: entry.tying, dressing: entry.dressing, tail: entry.tail });
  const [prompts, setPrompts] = useState<'0' | '1'>(entry.prompts > 0 ? '1' : '0');
  const [why, setWhy] = useState('');
  const decide = async (): Promise<void> => {
    await record(
      {
        kind: 'overrule',
        target: entry.id,
        learner: learner.id,
        knot: entry.knot,
        ...seen,
        how: 'attested',
        prompts: Number(prompts),
        note: why.trim(),
      },
      learner.name,
      { verdict: entry.verdict, next: '' },
    );
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={words.crew.otherwise} about={`${learner.name}, ${knot}`}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void decide();
        }}
      >
        {PARTS.map(
          (part) =>
            seen[part] !== 'not_applicable' && (
              <div key={part}>
                <h3 className="mb-1 text-lg">{words.check.parts[part]}</h3>
                <Choice
                  label={words.check.parts[part]}
                  value={seen[part]}
                  onChange={(now) => setSeen({ ...seen, [part]: now })}
                  options={ANSWERS}
                />
              </div>
            ),
        )}
        <div>
          <h3 className="mb-1 text-lg">{words.check.prompts}</h3>
          <Choice
            label={words.check.prompts}
            value={prompts}
            onChange={setPrompts}
            options={[
              ['0', words.check.promptWords[0]],
              ['1', words.check.promptWords[1]],
            ]}
          />
        </div>
        <AreaField
          label={words.crew.why}
          hint={words.crew.whyAbout}
          required
          rows={2}
          {...limits.NewCheckEvent.note}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button look="signal" type="submit" disabled={why.trim() === ''}>
          {words.crew.decide}
        </Button>
      </form>
    </Sheet>
  );
}
