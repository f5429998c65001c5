import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import { queryClient } from '../api/queries';
import { OutlineTree } from '../crew/OutlineTree';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { words } from '../words';
import { HandAt } from './HandAt';
import { type Awards, Station } from './Station';

type ReadyBadge = Awards['ready'][number];

/** Badges that are ready, each with what met it: one look, and a lead decides. */
export function Ready({ awards, names }: { awards: Awards; names: Record<string, string> }) {
  const me = useMe();
  const { ready, meetings } = awards;
  const [meeting, setMeeting] = useState(meetings[0]?.id ?? null);
  const decide = useMutation({
    mutationFn: (some: ReadyBadge[]) =>
      call('POST', '/api/awards', {
        body: {
          awards: some.map((one) => ({ learner: one.learner.id, badge: one.badge })),
          meeting,
        },
      }),
    onSettled: () => void queryClient.invalidateQueries(),
  });
  return (
    <Station title={words.awards.ready} count={ready.length}>
      {ready.length === 0 && <p className="text-soft">{words.awards.readyNone}</p>}
      {ready.length > 0 && me.may.award && meetings.length > 0 && (
        <div className="mb-4">
          <HandAt meetings={meetings} value={meeting} onChange={setMeeting} />
        </div>
      )}
      <Faults error={decide.error} />
      <ul className="flex flex-col gap-4">
        {ready.map((one) => (
          <li
            key={`${one.learner.id} ${one.badge}`}
            className="rounded-xl border-2 border-right bg-card p-4"
            data-testid="ready"
          >
            <p className="font-display text-lg leading-tight font-bold">{one.learner.name}</p>
            <p className="mb-2 text-soft">{one.name}</p>
            {one.proof && <OutlineTree outline={one.proof.outline} knots={names} learner={null} />}
            {me.may.award && (
              <Button
                look="signal"
                className="mt-3 w-full"
                disabled={decide.isPending}
                onClick={() => decide.mutate([one])}
                aria-label={words.awards.decide({
                  name: words.awards.nameFor({ badge: one.name, learner: one.learner.name }),
                })}
              >
                {words.awards.decideOne}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {ready.length > 1 && me.may.award && (
        <Button className="mt-4 w-full" disabled={decide.isPending} onClick={() => decide.mutate(ready)}>
          {words.awards.decideAll({ n: ready.length })}
        </Button>
      )}
      {ready.length > 0 && !me.may.award && <p className="mt-3 text-soft">{words.awards.leadOnly}</p>}
    </Station>
  );
}
