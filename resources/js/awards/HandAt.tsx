import { SelectField } from '../ui/Field';
import { dayLong } from '../words/format';
import { words } from '../words';
import { dayAt } from '../words/saying';
import type { Awards } from './Station';

/** At which meeting badges are handed over; null: on a later day. */
export function HandAt({
  meetings,
  value,
  disabled = false,
  onChange,
}: {
  meetings: Awards['meetings'];
  value: string | null;
  disabled?: boolean;
  onChange: (meeting: string | null) => void;
}) {
  return (
    <SelectField
      label={words.awards.handAt}
      value={value ?? ''}
      disabled={disabled}
      onChange={(event) => onChange(event.target.value === '' ? null : event.target.value)}
      options={[
        ...meetings.map((one) => [one.id, dayAt(dayLong(one.date), one.place)] as const),
        ['', words.awards.later],
      ]}
    />
  );
}
