import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { tookPlan } from '../api/queries';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { words } from '../words';
import { Consequence } from './Consequence';

const IFS = { minutes: { minutes: 10 }, checkers: { checkers: 1 }, meetings: { meetings: 1 } } as const;

/** What more time, another helper or another meeting would come to. */
export function WhatIf({ course }: { course: Schemas['Course'] }) {
  const [which, setWhich] = useState<keyof typeof IFS | null>(null);
  const ask = useMutation({
    mutationFn: (one: keyof typeof IFS) => call('POST', '/api/course/what-if', { body: IFS[one] }),
  });
  return (
    <section aria-labelledby="what-if" className="print:hidden">
      <h2 id="what-if" className="text-xl">
        {words.course.whatIf}
      </h2>
      <p className="mb-3 text-sm text-soft">{words.course.ifAbout}</p>
      <div className="mb-3 flex flex-wrap gap-2">
        {(Object.keys(IFS) as (keyof typeof IFS)[]).map((one) => (
          <Button
            key={one}
            aria-pressed={which === one}
            onClick={() => {
              setWhich(one);
              ask.mutate(one);
            }}
          >
            {words.course.ifs[one]}
          </Button>
        ))}
      </div>
      <Faults error={ask.error} />
      {ask.data && <Consequence of={ask.data} course={course} />}
    </section>
  );
}

/** A plan laid out anew, where it is better than the one that stands. */
export function Proposal({
  of,
  course,
  meetings,
}: {
  of: Schemas['Consequence'];
  course: Pick<Schemas['Course'], 'knots'> & { badges?: Schemas['Course']['badges'] };
  meetings: Pick<Schemas['CourseMeeting'], 'id' | 'date'>[];
}) {
  const [left, setLeft] = useState(false);
  const take = useMutation({
    mutationFn: () => call('PUT', '/api/course/plan', { body: { anew: true } }),
    onSuccess: tookPlan,
  });
  if (left) return null;
  return (
    <section aria-labelledby="proposal" className="rounded-xl border-2 border-signal bg-card p-4 print:hidden">
      <h2 id="proposal" className="text-xl">
        {words.course.proposal}
      </h2>
      <p className="mb-3">{words.course.proposalAbout}</p>
      <Consequence of={of} course={{ ...course, meetings }} />
      <Faults error={take.error} />
      <div className="mt-3 flex flex-wrap gap-3">
        <Button look="signal" disabled={take.isPending} onClick={() => take.mutate()}>
          {words.course.accept}
        </Button>
        <Button onClick={() => setLeft(true)}>{words.course.keep}</Button>
      </div>
    </section>
  );
}
