import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, Users } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { runSheetQuery } from '../api/queries';
import { store } from '../outbox/store';
import { useLive } from '../outbox/useLive';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Failure, Faults, Loading } from '../ui/states';
import { words } from '../words';
import { record } from './events';

/** Whose knot it is, as one text. */
const keyOf = (learner: string, knot: string): string => `${learner} ${knot}`;

/** A rig that stood: who tied which knot of it, several learners at once. A tap ticks, another takes it back. */
export function UsedPage() {
  const { meeting = '', rig: id = '' } = useParams();
  // A rig chosen a moment ago is not in a sheet kept from before.
  const sheet = useQuery({ ...runSheetQuery(meeting), refetchOnMount: 'always' });
  const kept = useLive(() => store.events.where('state').equals('waiting').sortBy('seq'), [], []);
  const [tapped, setTapped] = useState<Record<string, string | null>>({});
  const [error, setError] = useState<unknown>(null);
  if (sheet.isPending) return <Loading />;
  if (sheet.isError) return <Failure error={sheet.error} retry={() => void sheet.refetch()} />;
  const rig = sheet.data.rigs[id];
  if (!rig && sheet.isFetching) return <Loading />;
  if (!rig) return <p className="p-6">{words.notFound}</p>;

  const ticked = new Map<string, string | null>();
  for (const one of sheet.data.used) if (one.rig === id) ticked.set(keyOf(one.learner, one.knot), one.id);
  for (const { event } of kept) {
    const key = keyOf(event.learner, event.knot);
    if (event.kind === 'used' && event.rig === id && event.meeting === meeting) ticked.set(key, event.id);
    if (event.kind === 'retract' && ticked.get(key) === event.target) ticked.set(key, null);
  }
  for (const [key, at] of Object.entries(tapped)) ticked.set(key, at);
  const idOf = (learner: string, knot: string): string | null => ticked.get(keyOf(learner, knot)) ?? null;

  const roll = sheet.data.roll.filter((one) => one.present !== false);
  const known = roll.filter((one) => one.present === true);
  const here = known.length > 0 ? known : roll;

  const set = async (learner: { id: string; name: string }, knot: string, on: boolean): Promise<void> => {
    const target = idOf(learner.id, knot);
    if ((target !== null) === on) return;
    const about = { learner: learner.id, knot, meeting };
    const draft =
      target === null ? { ...about, kind: 'used' as const, rig: id } : { ...about, kind: 'retract' as const, target };
    const answer = await record(draft, learner.name, { verdict: 'incomplete', next: '' }, 0);
    setTapped((now) => ({ ...now, [keyOf(learner.id, knot)]: on ? answer.id : null }));
  };
  const tick = async (learners: { id: string; name: string }[], knot: string, on: boolean): Promise<void> => {
    setError(null);
    try {
      for (const learner of learners) await set(learner, knot, on);
    } catch {
      // The device could not even keep it: storage is full or closed.
      setError(new Error(words.sync.full));
    }
  };

  return (
    <div className="flex max-w-4xl flex-col gap-4">
      <div>
        <Link to={`/meeting/${meeting}`} className={LINK}>
          <ChevronLeft aria-hidden className="size-5" /> {words.check.used.back}
        </Link>
        <h1 className="text-2xl rail:text-3xl">{words.check.used.title({ rig: rig.name })}</h1>
        <p className="text-soft">{words.check.used.about}</p>
      </div>
      <Faults error={error} />
      <section aria-labelledby="everyone">
        <h2 id="everyone" className="mb-2 flex items-center gap-2 text-xl">
          <Users aria-hidden className="size-5" /> {words.check.used.everyone({ n: here.length })}
        </h2>
        <div className="flex flex-wrap gap-2">
          {rig.knots.map((knot) => {
            const all = here.length > 0 && here.every((one) => idOf(one.id, knot.id) !== null);
            return (
              <Button
                key={knot.id}
                aria-pressed={all}
                className={all ? 'border-right bg-right text-on-right hover:bg-right' : ''}
                onClick={() => void tick(here, knot.id, !all)}
              >
                {knot.name}
              </Button>
            );
          })}
        </div>
      </section>
      <ul className="divide-y divide-line rounded-xl border border-line bg-card">
        {roll.map((learner) => (
          <li key={learner.id} className="flex flex-col gap-2 px-4 py-3 rail:flex-row rail:items-start">
            <strong className="text-lg leading-tight rail:w-44 rail:shrink-0 rail:pt-3">{learner.name}</strong>
            <span className="flex flex-wrap gap-2">
              {rig.knots.map((knot) => {
                const on = idOf(learner.id, knot.id) !== null;
                return (
                  <button
                    key={knot.id}
                    type="button"
                    aria-pressed={on}
                    aria-label={words.check.used.tied({ name: learner.name, knot: knot.name })}
                    onClick={() => void tick([learner], knot.id, !on)}
                    className={`min-h-12 rounded-lg border-2 px-3 font-semibold ${on ? 'border-right bg-right text-on-right' : 'border-line bg-card hover:bg-wash'}`}
                  >
                    {knot.name}
                  </button>
                );
              })}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
