import { TextField } from '../ui/Field';
import { words } from '../words';
import * as limits from '../api/limits';

export type MeetingForm = { date: string; starts_at: string; minutes: string; checkers: string; place: string };

/** When, how long, with how many, and where. */
export function MeetingFields({
  form,
  onChange,
  fault,
}: {
  form: MeetingForm;
  onChange: (now: MeetingForm) => void;
  fault: (field: string) => string | undefined;
}) {
  const set =
    (field: keyof MeetingForm) =>
    (event: { target: { value: string } }): void =>
      onChange({ ...form, [field]: event.target.value });
  return (
    <>
      <TextField
        label={words.course.date}
        type="date"
        required
        value={form.date}
        onChange={set('date')}
        fault={fault('date')}
      />
      <div className="grid grid-cols-3 gap-3">
        <TextField
          label={words.course.startsAt}
          type="time"
          required
          value={form.starts_at}
          onChange={set('starts_at')}
          fault={fault('starts_at')}
        />
        <TextField
          label={words.course.howLong}
          {...limits.NewMeeting.minutes}
          type="number"
          inputMode="numeric"
          required
          value={form.minutes}
          onChange={set('minutes')}
          fault={fault('minutes')}
        />
        <TextField
          label={words.course.checkers}
          {...limits.NewMeeting.checkers}
          type="number"
          inputMode="numeric"
          required
          value={form.checkers}
          onChange={set('checkers')}
          fault={fault('checkers')}
        />
      </div>
      <TextField label={words.course.place} {...limits.NewMeeting.place} value={form.place} onChange={set('place')} />
    </>
  );
}

/** As the server takes it. */
export const meetingOf = (form: MeetingForm) => ({
  ...form,
  minutes: Number(form.minutes),
  checkers: Number(form.checkers),
});
