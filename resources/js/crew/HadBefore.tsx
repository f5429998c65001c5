import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import { crewQuery, knotsQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Chips } from '../ui/Chips';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';

/** What learners could tie before the group began with the app, for many at once. */
export function HadBefore({ onClose }: { onClose: () => void }) {
  const crew = useQuery(crewQuery);
  const knots = useQuery(knotsQuery);
  const [learners, setLearners] = useState(new Set<string>());
  const [had, setHad] = useState(new Set<string>());
  const write = useMutation({
    mutationFn: () => call('POST', '/api/had', { body: { learners: [...learners], knots: [...had] } }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
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
        <Chips of={crew.data?.learners ?? []} chosen={learners} onChange={setLearners} />
        <h3 className="text-lg">{words.crew.which}</h3>
        <Chips of={knots.data?.knots ?? []} chosen={had} onChange={setHad} />
        <Button
          look="signal"
          disabled={learners.size === 0 || had.size === 0 || write.isPending}
          onClick={() => write.mutate()}
        >
          {words.crew.hadGo({ learners: learners.size, knots: had.size })}
        </Button>
      </div>
    </Sheet>
  );
}
