import { useMutation, useQuery } from '@tanstack/react-query';
import { call, type Schemas } from '../api/client';
import { tookIn } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { number } from '../words/format';
import { words } from '../words';

/** How the group's learners forget: the usual figures beside its own, and which of them predicts better. */
export function Forgetting() {
  const me = useMe();
  const memory = useQuery({
    queryKey: ['memory'],
    queryFn: () => call('GET', '/api/group/memory'),
    enabled: me.may.teach,
  });
  const choose = useMutation({
    mutationFn: (use: 'usual' | 'own') => call('PUT', '/api/group/memory', { body: { use } }),
    onSuccess: (now) => tookIn(['memory'], now),
  });
  if (!memory.data) return null;
  const { results, needed, judged_on: judged, usual, own, better, in_use: inUse } = memory.data;
  const line = (figures: Schemas['Forgetting']): string =>
    words.house.forgets({
      start: number(figures.start, 1),
      clean: number(figures.clean, 1),
      prompts: number(figures.prompts, 2),
      again: number(figures.again, 2),
    });
  return (
    <section aria-labelledby="forgetting" className="grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-3 rail:grid-cols-2">
      <div className="flex flex-col gap-3">
        <h2 id="forgetting" className="text-xl">
          {words.house.forgetting}
        </h2>
        <p className="text-soft">{words.house.forgettingAbout}</p>
      </div>
      <div className="flex flex-col gap-3">
        <Faults error={choose.error} />
        <dl className="flex flex-col gap-3">
          <div>
            <dt className="font-semibold">
              {words.house.usualFigures}
              {inUse === null && ` (${words.house.inUse})`}
            </dt>
            <dd>
              {line(usual.figures)}
              {usual.score !== null && (
                <span className="block text-sm text-soft">{words.house.score({ brier: number(usual.score, 3) })}</span>
              )}
            </dd>
          </div>
          {own && (
            <div>
              <dt className="font-semibold">
                {words.house.ownFigures}
                {inUse !== null && ` (${words.house.inUse})`}
              </dt>
              <dd>
                {line(own.figures)}
                {own.score !== null && (
                  <span className="block text-sm text-soft">{words.house.score({ brier: number(own.score, 3) })}</span>
                )}
              </dd>
            </div>
          )}
        </dl>
        <p>
          {own === null
            ? words.house.tooFew({ results, needed })
            : words.house.judged[better ? 'better' : 'worse']({ days: judged })}
        </p>
        {me.may.plan && own !== null && (
          <div className="flex flex-wrap gap-3">
            {inUse === null ? (
              <Button disabled={choose.isPending} onClick={() => choose.mutate('own')}>
                {words.house.useOwn}
              </Button>
            ) : (
              <Button disabled={choose.isPending} onClick={() => choose.mutate('usual')}>
                {words.house.useUsual}
              </Button>
            )}
          </div>
        )}
      </div>
    </section>
  );
}
