import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiProblem, call } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words/en';

export function AddMeeting({ open, onClose, today }: { open: boolean; onClose: () => void; today: string }) {
  const [form, setForm] = useState({ date: today, starts_at: '18:30', minutes: '75', checkers: '2', place: '' });
  const add = useMutation({
    mutationFn: () => call('POST', '/api/meetings', { ...form, minutes: Number(form.minutes), checkers: Number(form.checkers) }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  const set = (field: keyof typeof form) => (event: { target: { value: string } }): void => setForm({ ...form, [field]: event.target.value });
  const fault = (field: string): string | undefined => (add.error instanceof ApiProblem ? add.error.about(`/${field}`) : undefined);
  return (
    <Sheet open={open} onClose={onClose} title={words.course.addMeeting}>
      <form className="flex flex-col gap-4" onSubmit={(event) => { event.preventDefault(); add.mutate(); }}>
        <Faults error={add.error} />
        <TextField label={words.course.date} type="date" required value={form.date} onChange={set('date')} fault={fault('date')} />
        <div className="grid grid-cols-3 gap-3">
          <TextField label={words.course.startsAt} type="time" required value={form.starts_at} onChange={set('starts_at')} fault={fault('starts_at')} />
          <TextField label={words.course.howLong} type="number" inputMode="numeric" required value={form.minutes} onChange={set('minutes')} fault={fault('minutes')} />
          <TextField label={words.course.checkers} type="number" inputMode="numeric" required value={form.checkers} onChange={set('checkers')} fault={fault('checkers')} />
        </div>
        <TextField label={words.course.place} maxLength={80} value={form.place} onChange={set('place')} />
        <Button look="signal" type="submit" disabled={add.isPending}>{words.course.addMeeting}</Button>
      </form>
    </Sheet>
  );
}
