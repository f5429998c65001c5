import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { AreaField, optionsOf, SelectField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';

export const BANDS = optionsOf(words.bands);

/** Names as typed or pasted, one a line. */
export function namesIn(text: string): string[] {
  return text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '');
}

export function AddLearners({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [text, setText] = useState('');
  const [band, setBand] = useState<Schemas['AgeBand']>('8-10');
  const [patrol, setPatrol] = useState('');
  const patrols =
    useQuery({ queryKey: ['patrols'], queryFn: () => call('GET', '/api/patrols'), enabled: open }).data?.patrols ?? [];
  const names = namesIn(text);
  const add = useMutation({
    mutationFn: () =>
      call('POST', '/api/learners', {
        body: { learners: names.map((name) => ({ name, age_band: band, ...(patrol !== '' && { patrol }) })) },
      }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      setText('');
      onClose();
    },
  });
  return (
    <Sheet open={open} onClose={onClose} title={words.crew.add} about={words.crew.addHelp}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate();
        }}
      >
        <Faults error={add.error} />
        <AreaField label={words.crew.names} rows={7} value={text} onChange={(event) => setText(event.target.value)} />
        <SelectField label={words.crew.band} options={BANDS} value={band} onPick={setBand} />
        {patrols.length > 0 && (
          <SelectField
            label={words.crew.patrolOfAll}
            options={[['', words.patrols.none], ...patrols.map((one) => [one.name, one.name] as const)]}
            value={patrol}
            onPick={setPatrol}
          />
        )}
        <Button look="signal" type="submit" disabled={names.length === 0 || add.isPending}>
          {words.crew.addGo({ n: names.length })}
        </Button>
      </form>
    </Sheet>
  );
}
