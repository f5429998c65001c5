import * as limits from '../api/limits';
import { TextField } from '../ui/Field';
import { words } from '../words';

/** What was typed as the most; nothing is no limit. */
export const mostOf = (typed: string): number | null => (typed.trim() === '' ? null : Number(typed));

/** How many learners and people a group may have. */
export function MostFields({
  learners,
  people,
  onLearners,
  onPeople,
}: {
  learners: string;
  people: string;
  onLearners: (text: string) => void;
  onPeople: (text: string) => void;
}) {
  return (
    <div>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label={words.host.learnersMost}
          type="number"
          {...limits.Most}
          value={learners}
          onChange={(event) => onLearners(event.target.value)}
        />
        <TextField
          label={words.host.peopleMost}
          type="number"
          {...limits.Most}
          value={people}
          onChange={(event) => onPeople(event.target.value)}
        />
      </div>
      <p className="mt-1 text-sm text-soft">{words.host.mostAbout}</p>
    </div>
  );
}
