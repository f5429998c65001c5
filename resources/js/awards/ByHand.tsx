import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import * as limits from '../api/limits';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Chips } from '../ui/Chips';
import { AreaField, SelectField, TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';
import type { Awards } from './Station';

/** A badge on a leader's word: for what was earned before, or elsewhere. */
export function ByHand({ awards, onClose }: { awards: Awards; onClose: () => void }) {
  const [badge, setBadge] = useState(awards.badges[0]?.id ?? '');
  const [who, setWho] = useState(new Set<string>());
  const [why, setWhy] = useState('');
  const [decided, setDecided] = useState(awards.today);
  const [handed, setHanded] = useState(awards.today);
  const holds = (learner: Awards['learners'][number]): boolean => learner.held.includes(badge);
  const learners = awards.learners.filter((one) => who.has(one.id) && !holds(one)).map((one) => one.id);
  const give = useMutation({
    mutationFn: () =>
      call('POST', '/api/awards/by-hand', {
        body: {
          learners,
          badge,
          why,
          decided_on: decided,
          handed_on: handed === '' ? null : handed,
        },
      }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  return (
    <Sheet open onClose={onClose} title={words.awards.handTitle} about={words.awards.handAbout}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          give.mutate();
        }}
      >
        <Faults error={give.error} />
        <SelectField
          label={words.awards.badge}
          value={badge}
          onChange={(event) => setBadge(event.target.value)}
          options={awards.badges.map((one) => [one.id, one.name] as const)}
        />
        <fieldset>
          <legend className="mb-1 font-semibold">{words.awards.who}</legend>
          <Chips
            of={awards.learners}
            chosen={who}
            onChange={setWho}
            why={(one) => (holds(one) ? words.awards.holds : null)}
          />
        </fieldset>
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField
            label={words.awards.decidedDay}
            type="date"
            required
            max={awards.today}
            value={decided}
            onChange={(event) => setDecided(event.target.value)}
          />
          <TextField
            label={words.awards.handedDay}
            type="date"
            max={awards.today}
            value={handed}
            onChange={(event) => setHanded(event.target.value)}
          />
        </div>
        <AreaField
          label={words.awards.why}
          rows={2}
          required
          {...limits.awardByHand.why}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button
          look="signal"
          type="submit"
          disabled={learners.length === 0 || why.trim() === '' || decided === '' || give.isPending}
        >
          {words.awards.handGo({ n: learners.length })}
        </Button>
      </form>
    </Sheet>
  );
}
