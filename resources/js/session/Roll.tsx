import { useMutation } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { courseQuery, queryClient, runSheetQuery } from '../api/queries';
import { useMe } from '../device/me';
import { store } from '../outbox/store';
import { markHere } from '../outbox/sync';
import { useLive } from '../outbox/useLive';
import { Faults } from '../ui/states';
import { words } from '../words';

/** Who is here, a tap each, with a network or without. */
export function Roll({ sheet }: { sheet: Schemas['RunSheet'] }) {
  const me = useMe();
  const query = runSheetQuery(sheet.meeting.id);
  const mark = useMutation({
    mutationFn: ({ learner, present }: { learner: string; present: boolean }) =>
      markHere(sheet.meeting.id, learner, present),
    // Without a network too: it waits on this device.
    networkMode: 'always',
    onMutate: ({ learner, present }) => {
      // Shown at once; if the server refuses, the next answer puts it right.
      queryClient.setQueryData(query.queryKey, (now) =>
        now ? { ...now, roll: now.roll.map((one) => (one.id === learner ? { ...one, present } : one)) } : now,
      );
    },
    onSettled: () => {
      void queryClient.invalidateQueries({ queryKey: query.queryKey });
      void queryClient.invalidateQueries({ queryKey: ['check'] });
      void queryClient.invalidateQueries({ queryKey: courseQuery.queryKey });
    },
  });
  const kept = useLive(() => store.roll.where('meeting').equals(sheet.meeting.id).toArray(), [sheet.meeting.id], []);
  const roll = sheet.roll.map((one) => ({
    ...one,
    present: kept.find((mark) => mark.learner === one.id)?.present ?? one.present,
  }));
  const here = roll.filter((one) => one.present === true).length;
  return (
    <section aria-labelledby="roll">
      <div className="mb-2 flex items-baseline justify-between gap-3">
        <h2 id="roll" className="text-xl">
          {words.session.roll}
        </h2>
        <span className="text-soft" aria-live="polite">
          {words.session.count({ n: here, all: sheet.roll.length })}
        </span>
      </div>
      <p className="mb-3 text-sm text-soft">{me.may.teach ? words.session.markHelp : words.session.cannot}</p>
      <Faults error={mark.error} />
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {roll.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              disabled={!me.may.teach}
              aria-pressed={one.present === true}
              aria-label={`${words.session.mark({ name: one.name })}${one.present === null ? '' : `: ${one.present ? words.session.here : words.session.away}`}`}
              onClick={() => mark.mutate({ learner: one.id, present: one.present !== true })}
              className={`flex min-h-14 w-full items-center justify-between gap-2 rounded-lg border-2 px-3 text-left font-semibold disabled:cursor-default ${one.present === true ? 'border-right bg-right text-on-right' : one.present === false ? 'border-dashed border-soft text-soft' : 'border-line bg-card'}`}
            >
              <span className="truncate">{one.name}</span>
              <span className="text-sm font-normal">
                {one.present === true ? words.session.here : one.present === false ? words.session.away : ''}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
