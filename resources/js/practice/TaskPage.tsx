import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { KnotPicture } from '../drawing/KnotPicture';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { Options } from './Options';
import { type Kept, type Kit, kitQuery, type Task } from './kept';

const SpacePair = lazy(async () => ({ default: (await import('../space/SpacePair')).SpacePair }));

/** One question after another about one knot, as long as one likes. Nothing is counted. */
export function TaskPage({ kept }: { kept: Kept }) {
  const { knot: id = '', kind = '' } = useParams();
  const kit = useQuery(kitQuery(kept.corner, id));
  const [turn, setTurn] = useState(0);
  if (kit.isPending) return <Loading />;
  if (kit.isError) return <Failure error={kit.error} retry={() => void kit.refetch()} />;
  const tasks = kit.data.tasks.filter((task) => task.kind === kind);
  const task = tasks[turn % Math.max(1, tasks.length)];
  return (
    <main
      data-kind={kind}
      className="[--ground:var(--paper)] mx-auto flex min-h-dvh max-w-4xl flex-col gap-4 p-4 pb-[max(2rem,env(safe-area-inset-bottom))] sm:p-6"
    >
      <header className="flex items-center gap-2">
        <Link to={`/${id}`} aria-label={words.practice.toKnot} className="grid size-12 shrink-0 place-items-center">
          <X aria-hidden />
        </Link>
        <p className="font-semibold text-soft">{kit.data.knot.name}</p>
      </header>
      {task ? (
        <Asked key={`${task.id} ${turn}`} kept={kept} kit={kit.data} task={task}>
          <Button look="signal" className="min-h-16 text-lg" onClick={() => setTurn((now) => now + 1)}>
            {words.practice.again}
          </Button>
          <Link
            to={`/${id}`}
            className="grid min-h-16 place-items-center rounded-lg border-2 border-line bg-card text-lg font-semibold"
          >
            {words.practice.toKnot}
          </Link>
        </Asked>
      ) : (
        <p>{words.practice.noTasks}</p>
      )}
    </main>
  );
}

function Asked({ kept, kit, task, children }: { kept: Kept; kit: Kit; task: Task; children: React.ReactNode }) {
  const [chosen, setChosen] = useState<number | number[] | null>(null);
  const isRight = chosen !== null && String(chosen) === String(task.answer);
  return (
    <>
      <h1 className="text-2xl text-balance sm:text-3xl">{task.question}</h1>
      <Options kept={kept} kit={kit} task={task} chosen={chosen} onChosen={setChosen} />
      <div aria-live="polite" data-testid="answer">
        {chosen !== null && (
          <div className={`rounded-2xl border-2 bg-card p-4 text-lg ${isRight ? 'border-right' : 'border-line'}`}>
            <p>
              <strong className={isRight ? 'text-(--right)' : ''}>
                {isRight ? words.practice.right : words.practice.notYet}
              </strong>{' '}
              {task.reason}
            </p>
            {task.kind === 'over-under' && <Became kit={kit} task={task} chosen={Number(chosen)} />}
          </div>
        )}
      </div>
      {chosen !== null && <div className="grid gap-3 sm:grid-cols-2">{children}</div>}
    </>
  );
}

/** The knot drawn anew with what was chosen, beside what it is to be; and where both are kept in space, pulled. */
function Became({ kit, task, chosen }: { kit: Kit; task: Task; chosen: number }) {
  const [pulls, setPulls] = useState(false);
  const answer = Number(task.answer);
  const other = task.options[1 - answer];
  const wrong = kit.knot.wrong.find((form) => form.in_space !== null && form.in_space === other?.becomes);
  const pictures = [
    ...(chosen === answer ? [] : [[other?.form ?? null, words.practice.yours, 'text-notyet'] as const]),
    ['right', words.practice.asItIs, 'text-(--right)'] as const,
  ];
  return (
    <>
      <div className="mt-3 grid gap-4 [--ground:var(--card)] sm:grid-cols-2">
        {pictures.map(([form, name, colour]) => {
          const drawing = form === null ? undefined : kit.forms[form];
          return (
            drawing && (
              <figure key={name}>
                <KnotPicture
                  drawing={drawing}
                  moment={null}
                  text={name}
                  {...(task.shows.at ? { ringed: [task.shows.at] } : {})}
                  className="h-44 w-full"
                />
                <figcaption className={`text-center font-semibold ${colour}`}>{name}</figcaption>
              </figure>
            )
          );
        })}
      </div>
      {wrong?.in_space && kit.knot.in_space && (
        <>
          <Button className="mt-3" onClick={() => setPulls(true)}>
            {words.practice.pulled}
          </Button>
          <Sheet open={pulls} onClose={() => setPulls(false)} title={wrong.name ?? words.show.fallsOut}>
            <div className="flex h-[70dvh] flex-col">
              <Suspense fallback={<Loading />}>
                <SpacePair
                  knot={kit.knot}
                  wrong={wrong.in_space}
                  name={wrong.name ?? words.show.fallsOut}
                  pulled={wrong.pulled}
                />
              </Suspense>
            </div>
          </Sheet>
        </>
      )}
    </>
  );
}
