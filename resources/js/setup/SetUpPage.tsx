import { useMutation, useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { ApiProblem, call } from '../api/client';
import { badgesQuery, houseQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Failure, Faults, Loading } from '../ui/states';
import { words } from '../words';
import { type Answers, emptyAnswers, stepOf, toRequest } from './answers';
import { BadgeStep } from './BadgeStep';
import { MoveHere } from './MoveHere';
import { useComeIn } from './useComeIn';
import { GroupStep, LearnersStep, MeetingsStep, RopeStep, YouStep } from './steps';

/** What a question still wants that its fields cannot say themselves. */
function missingIn(at: number, answers: Answers): string | null {
  if (at === 4 && answers.badges.length === 0 && answers.ownKnots.length === 0) return words.setup.noBadge;
  if (at === 4 && answers.ownKnots.length > 0 && answers.ownName.trim() === '') return words.setup.ownNoName;
  return at === 5 && answers.dates.length === 0 ? words.setup.noDates : null;
}

/** The first visit of an empty house, or of a place in one of many groups: six short questions, then the same screens as everyone. */
export function SetUpPage({ isPlace }: { isPlace: boolean }) {
  const comeIn = useComeIn();
  const badges = useQuery(badgesQuery);
  const { today } = useQuery(houseQuery).data ?? { today: '' };
  const [at, setAt] = useState(0);
  const [moves, setMoves] = useState(false);
  const [missing, setMissing] = useState<string | null>(null);
  const [answers, setAnswers] = useState<Answers>(() => emptyAnswers(today));
  const finish = useMutation({
    mutationFn: () => call('POST', '/api/setup', { body: toRequest(answers) }),
    onSuccess: comeIn,
    onError: (error) => {
      if (error instanceof ApiProblem && error.faults[0]) setAt(stepOf(error.faults[0].field));
    },
  });
  if (badges.isPending) return <Loading />;
  if (badges.isError) return <Failure error={badges.error} retry={() => void badges.refetch()} />;
  const set = (part: Partial<Answers>): void => setAnswers((now) => ({ ...now, ...part }));
  if (moves) {
    return (
      <Walls title={words.along.moveHere} about={words.along.moveHereAbout}>
        <MoveHere isPlace={isPlace} code={answers.code} onIn={comeIn} onNew={() => setMoves(false)} />
      </Walls>
    );
  }
  const last = words.setup.steps.length - 1;
  const screens = [
    <GroupStep key="group" isPlace={isPlace} answers={answers} set={set} />,
    <YouStep key="you" isPlace={isPlace} answers={answers} set={set} />,
    <LearnersStep key="learners" answers={answers} set={set} />,
    <RopeStep key="rope" answers={answers} set={set} />,
    <BadgeStep key="badge" answers={answers} set={set} badges={badges.data.badges} knots={badges.data.knots} />,
    <MeetingsStep key="meetings" answers={answers} set={set} />,
  ];
  return (
    <Walls title={words.setup.title} about={isPlace ? words.host.begin : words.setup.lead}>
      {at === 0 && (
        <button type="button" className={`${LINK} -my-3 self-start`} onClick={() => setMoves(true)}>
          {words.along.moveHereLink}
        </button>
      )}
      <ol className="relative flex justify-between">
        <span aria-hidden className="absolute inset-x-5 top-4 h-1 rounded bg-hemp" />
        {words.setup.steps.map((name, n) => (
          <li
            key={name}
            aria-current={n === at ? 'step' : undefined}
            className="relative flex flex-col items-center gap-1 text-sm aria-[current=step]:font-bold"
          >
            <span
              className={`size-8 rounded-full border-[3px] border-ink ${n === at ? 'bg-signal' : n < at ? 'bg-hemp' : 'bg-paper'}`}
            />
            {name}
          </li>
        ))}
      </ol>
      <form
        className="flex flex-col gap-5"
        onSubmit={(event) => {
          event.preventDefault();
          setMissing(missingIn(at, answers));
          if (missingIn(at, answers) !== null) return;
          if (at < last) setAt(at + 1);
          else finish.mutate();
        }}
      >
        <Faults error={finish.error} />
        {missing !== null && (
          <p role="alert" className="font-semibold text-notyet">
            {missing}
          </p>
        )}
        {screens[at]}
        <div className="flex justify-between gap-3">
          <Button disabled={at === 0} onClick={() => setAt(at - 1)}>
            {words.back}
          </Button>
          <Button look="signal" type="submit" className="min-w-40" disabled={finish.isPending}>
            {at < last ? words.setup.next : words.setup.finish}
          </Button>
        </div>
      </form>
    </Walls>
  );
}

function Walls({ title, about, children }: { title: string; about: string; children: ReactNode }) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-2xl flex-col gap-6 px-5 py-8">
      <div>
        <p className="mb-2 font-display text-xl font-bold text-hemp-deep">{words.app}</p>
        <h1 className="text-4xl">{title}</h1>
        <p className="text-soft">{about}</p>
      </div>
      {children}
    </main>
  );
}
