import { useMutation } from '@tanstack/react-query';
import { Check, Circle } from 'lucide-react';
import { call, type Schemas } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { dayShort } from '../words/format';
import { words } from '../words';

/** What a badge asks for, with what met it; what is no check is ticked off here, where a learner is given. */
export function OutlineTree({
  outline,
  knots,
  learner,
}: {
  outline: Schemas['Outline'];
  knots: Record<string, string>;
  learner: string | null;
}) {
  const tick = useMutation({
    mutationFn: (met: boolean) =>
      call('PUT', '/api/learners/{learner}/ticks/{note}', {
        params: { path: { learner: learner ?? '', note: outline.key ?? '' } },
        body: { met },
      }),
    onSuccess: () => void queryClient.invalidateQueries(),
  });
  const Icon = outline.met ? Check : Circle;
  const icon = (
    <Icon
      aria-label={outline.met ? words.crew.met : words.crew.open}
      className={`mt-1 size-4 shrink-0 ${outline.met ? 'text-right' : 'text-soft'}`}
      strokeWidth={outline.met ? 3.5 : 2}
    />
  );
  if (outline.note)
    return (
      <p className="flex items-center gap-2">
        {icon}
        <span className="flex-1">
          <span className="text-soft">{words.badges.kinds[outline.note]}: </span>
          {outline.words}
          <Since of={outline.since} />
        </span>
        {learner !== null && (
          <Button look="quiet" onClick={() => tick.mutate(!outline.met)}>
            {outline.met ? words.crew.untick : words.crew.tick}
          </Button>
        )}
      </p>
    );
  if (outline.knot)
    return (
      <p className="flex gap-2">
        {icon}
        <span className="flex-1">
          {knots[outline.knot] ?? outline.knot}
          <span className="text-soft">
            : {outline.level && words.levels[outline.level]}
            {outline.words && `, ${outline.words}`}
            <Since of={outline.since} />
          </span>
        </span>
        {outline.key && learner !== null && (
          <Button look="quiet" onClick={() => tick.mutate(!outline.met)}>
            {outline.met ? words.crew.untick : words.crew.tick}
          </Button>
        )}
      </p>
    );
  const all = outline.choose === outline.among;
  return (
    <div>
      <p className="flex gap-2 font-semibold">
        {icon}
        {all ? words.crew.outline.all : words.crew.outline.of({ n: outline.choose ?? 0, all: outline.among ?? 0 })}
      </p>
      <ul className="ml-2 border-l-2 border-hemp pl-4">
        {outline.parts?.map((part, n) => (
          <li key={n}>
            <OutlineTree outline={part} knots={knots} learner={learner} />
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The check or the tick that met it: when, where and by whom. */
function Since({ of }: { of: Schemas['Outline']['since'] }) {
  if (!of) return null;
  return (
    <span className="block text-sm text-soft">
      {of.prior
        ? words.crew.prior
        : [
            of.by === null ? dayShort(of.day) : words.crew.since({ day: dayShort(of.day), by: of.by }),
            of.place,
            of.rig === null ? null : words.crew.used({ rig: of.rig }),
          ]
            .filter((part) => part !== null)
            .join(', ')}
    </span>
  );
}
