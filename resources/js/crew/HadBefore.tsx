import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import { crewQuery, knotsQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words/en';

const toggled = (set: Set<string>, one: string): Set<string> => {
  const now = new Set(set);
  if (!now.delete(one)) now.add(one);
  return now;
};

/** What learners could tie before the group began with the app, for many at once. */
export function HadBefore({ onClose }: { onClose: () => void }) {
  const crew = useQuery(crewQuery);
  const knots = useQuery(knotsQuery);
  const [learners, setLearners] = useState(new Set<string>());
  const [had, setHad] = useState(new Set<string>());
  const write = useMutation({
    mutationFn: () => call('POST', '/api/had', { learners: [...learners], knots: [...had] }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  const chips = (all: { id: string; name: string }[], chosen: Set<string>, choose: (now: Set<string>) => void) => (
    <ul className="flex max-h-60 flex-wrap gap-2 overflow-y-auto">
      {all.map((one) => (
        <li key={one.id}>
          <button
            type="button"
            aria-pressed={chosen.has(one.id)}
            onClick={() => choose(toggled(chosen, one.id))}
            className={`min-h-12 rounded-lg border-2 px-3 font-semibold ${chosen.has(one.id) ? 'border-ink bg-ink text-card' : 'border-line bg-card'}`}
          >
            {one.name}
          </button>
        </li>
      ))}
    </ul>
  );
  return (
    <Sheet open onClose={onClose} title={words.crew.had} about={words.crew.hadAbout}>
      <div className="flex flex-col gap-4">
        <Faults error={write.error} />
        <div className="flex items-center justify-between gap-3">
          <h3 className="text-lg">{words.crew.who}</h3>
          <Button look="quiet" onClick={() => setLearners(new Set((crew.data?.learners ?? []).map((one) => one.id)))}>
            {words.crew.all}
          </Button>
        </div>
        {chips(crew.data?.learners ?? [], learners, setLearners)}
        <h3 className="text-lg">{words.crew.which}</h3>
        {chips(knots.data?.knots ?? [], had, setHad)}
        <Button
          look="signal"
          disabled={learners.size === 0 || had.size === 0 || write.isPending}
          onClick={() => write.mutate()}
        >
          {words.crew.hadGo(learners.size, had.size)}
        </Button>
      </div>
    </Sheet>
  );
}
