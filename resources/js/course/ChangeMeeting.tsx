import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem, call, type Schemas } from '../api/client';
import { queryClient } from '../api/queries';
import { beginEvening } from '../outbox/sync';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';
import { MeetingFields, meetingOf } from './MeetingFields';

const KINDS = ['post', 'pole', 'ring', 'peg', 'toggle'] as const;

/** Changes a meeting still to come, or calls it off. */
export function ChangeMeeting({
  meeting,
  onClose,
}: {
  meeting: Pick<
    Schemas['CourseMeeting'],
    'id' | 'date' | 'starts_at' | 'minutes' | 'checkers' | 'place' | 'objects' | 'bans'
  >;
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const [form, setForm] = useState({
    date: meeting.date,
    starts_at: meeting.starts_at,
    minutes: String(meeting.minutes),
    checkers: String(meeting.checkers),
    place: meeting.place ?? '',
  });
  const [objects, setObjects] = useState(meeting.objects);
  const [bans, setBans] = useState(meeting.bans);
  const save = useMutation({
    mutationFn: () =>
      call('PUT', '/api/meetings/{meeting}', {
        params: { path: { meeting: meeting.id } },
        body: { ...meetingOf(form), objects, bans },
      }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  const off = useMutation({
    mutationFn: () => call('DELETE', '/api/meetings/{meeting}', { params: { path: { meeting: meeting.id } } }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      void navigate('/course');
    },
  });
  const fault = (field: string): string | undefined =>
    save.error instanceof ApiProblem ? save.error.about(`/${field}`) : undefined;
  return (
    <Sheet open onClose={onClose} title={words.course.changeMeeting}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Faults error={save.error ?? off.error} />
        <MeetingFields form={form} onChange={setForm} fault={fault} />
        <fieldset>
          <legend className="mb-1 font-semibold">{words.course.thereIs}</legend>
          <label className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="size-6"
              checked={objects === null}
              onChange={(event) => setObjects(event.target.checked ? null : ['post'])}
            />{' '}
            {words.course.thereIsAll}
          </label>
          {objects !== null &&
            KINDS.map((kind) => (
              <label key={kind} className="mr-4 inline-flex min-h-12 items-center gap-3">
                <input
                  type="checkbox"
                  className="size-6"
                  checked={objects.includes(kind)}
                  onChange={(event) =>
                    setObjects(event.target.checked ? [...objects, kind] : objects.filter((one) => one !== kind))
                  }
                />{' '}
                {words.pack.kinds[kind]}
              </label>
            ))}
        </fieldset>
        <fieldset>
          <legend className="mb-1 font-semibold">{words.course.notHere}</legend>
          {Object.entries(words.course.families).map(([family, name]) => (
            <label key={family} className="mr-4 inline-flex min-h-12 items-center gap-3">
              <input
                type="checkbox"
                className="size-6"
                checked={bans.includes(family)}
                onChange={(event) =>
                  setBans(event.target.checked ? [...bans, family] : bans.filter((one) => one !== family))
                }
              />{' '}
              {name}
            </label>
          ))}
        </fieldset>
        <div className="flex flex-wrap gap-3">
          <Button look="signal" type="submit" disabled={save.isPending}>
            {words.save}
          </Button>
          <Button disabled={off.isPending} onClick={() => off.mutate()}>
            {words.course.callOff}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** An evening nobody planned, begun in a tap. */
export function StartTonight() {
  const navigate = useNavigate();
  const start = useMutation({
    mutationFn: () => beginEvening(),
    // Without a network it begins on this device.
    networkMode: 'always',
    onSuccess: (meeting) => {
      void queryClient.invalidateQueries();
      void navigate(`/meeting/${meeting}`);
    },
  });
  return (
    <>
      <Button disabled={start.isPending} onClick={() => start.mutate()}>
        {words.session.startTonight}
      </Button>
      <Faults error={start.error} />
    </>
  );
}
