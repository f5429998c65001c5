import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiProblem, call } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';
import { MeetingFields, meetingOf } from './MeetingFields';

export function AddMeeting({ open, onClose, today }: { open: boolean; onClose: () => void; today: string }) {
  const [form, setForm] = useState({ date: today, starts_at: '18:30', minutes: '75', checkers: '2', place: '' });
  const add = useMutation({
    mutationFn: () => call('POST', '/api/meetings', { body: meetingOf(form) }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  const fault = (field: string): string | undefined =>
    add.error instanceof ApiProblem ? add.error.about(`/${field}`) : undefined;
  return (
    <Sheet open={open} onClose={onClose} title={words.course.addMeeting}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate();
        }}
      >
        <Faults error={add.error} />
        <MeetingFields form={form} onChange={setForm} fault={fault} />
        <Button look="signal" type="submit" disabled={add.isPending}>
          {words.course.addMeeting}
        </Button>
      </form>
    </Sheet>
  );
}
