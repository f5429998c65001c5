import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import { queryClient } from '../api/queries';
import type { operations } from '../api/schema';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';
import type { Hosted } from './HostPage';
import { MostFields, mostOf } from './MostFields';

type Change = operations['changeHosted']['requestBody']['content']['application/json'];

/** How many a group may have; closing it, opening it again, and removing one that is closed. */
export function HostedGroup({ group, onClose }: { group: Hosted['groups'][number]; onClose: () => void }) {
  const [learners, setLearners] = useState(String(group.learners_most ?? ''));
  const [people, setPeople] = useState(String(group.people_most ?? ''));
  const [name, setName] = useState('');
  const again = async (): Promise<void> => {
    await queryClient.invalidateQueries({ queryKey: ['host'] });
    onClose();
  };
  const params = { path: { hosted: group.id } };
  const change = useMutation({
    mutationFn: (body: Change) => call('PUT', '/api/host/groups/{hosted}', { params, body }),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: () => call('DELETE', '/api/host/groups/{hosted}', { params, body: { name } }),
    onSuccess: again,
  });
  const isClosed = group.state === 'closed';
  return (
    <Sheet open onClose={onClose} title={group.name}>
      {group.state === 'removing' ? (
        <p>{words.host.removing}</p>
      ) : (
        <div className="flex flex-col gap-5">
          <Faults error={change.error ?? remove.error} />
          <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              change.mutate({ learners_most: mostOf(learners), people_most: mostOf(people) });
            }}
          >
            <h3 className="text-lg">{words.host.limits}</h3>
            <MostFields learners={learners} people={people} onLearners={setLearners} onPeople={setPeople} />
            <Button look="signal" type="submit" className="self-start" disabled={change.isPending}>
              {words.save}
            </Button>
          </form>
          <div className="flex flex-col gap-2 border-t border-line pt-4">
            {!isClosed && <p className="text-soft">{words.host.closeAbout}</p>}
            <Button
              className="self-start"
              disabled={change.isPending}
              onClick={() => change.mutate({ closed: !isClosed })}
            >
              {isClosed ? words.host.reopen : words.host.close}
            </Button>
          </div>
          {isClosed && (
            <form
              className="flex flex-col gap-2 border-t border-line pt-4"
              onSubmit={(event) => {
                event.preventDefault();
                remove.mutate();
              }}
            >
              <p className="text-soft">{words.host.removeAbout({ group: group.name })}</p>
              <TextField
                label={words.host.removeName}
                autoComplete="off"
                required
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
              <Button
                type="submit"
                className="self-start text-notyet"
                disabled={remove.isPending || name.trim() !== group.name}
              >
                {words.host.remove}
              </Button>
            </form>
          )}
        </div>
      )}
    </Sheet>
  );
}
