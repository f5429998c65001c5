import { useMutation, useQuery } from '@tanstack/react-query';
import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { call, type Schemas } from '../api/client';
import { crewQuery, queryClient } from '../api/queries';
import { Mark } from '../drawing/Mark';
import { useMe } from '../shell/me';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { words } from '../words/en';
import { AddLearners } from './AddLearners';
import { HadBefore } from './HadBefore';
import { Legend } from './Legend';

type Crew = Schemas['Crew'];

export function CrewPage() {
  const me = useMe();
  const crew = useQuery(crewQuery);
  const [adding, setAdding] = useState(false);
  const [had, setHad] = useState(false);
  if (crew.isPending) return <Loading />;
  if (crew.isError) return <Failure error={crew.error} retry={() => void crew.refetch()} />;
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-3xl">{words.crew.title}</h1>
        <div className="flex flex-wrap gap-3">
        {me.may.teach && crew.data.learners.length > 0 && <Button onClick={() => setHad(true)}>{words.crew.had}</Button>}
        {me.may.people && <Button onClick={() => setAdding(true)}><UserPlus aria-hidden className="size-5" /> {words.crew.add}</Button>}
        </div>
      </div>
      {crew.data.ready.length > 0 && (
        <ul className="flex max-w-4xl flex-col gap-1 rounded-xl border-l-4 border-right bg-card px-4 py-3">{crew.data.ready.map((line) => <li key={line}>{line}</li>)}</ul>
      )}
      {crew.data.learners.length === 0 ? <p>{words.crew.empty}</p> : <Board crew={crew.data} />}
      <Legend />
      {me.may.people && <Archived />}
      {had && <HadBefore onClose={() => setHad(false)} />}
      <AddLearners open={adding} onClose={() => setAdding(false)} />
    </div>
  );
}

/** Learners put away, and the way back. */
function Archived() {
  const archived = useQuery({ queryKey: ['archived'], queryFn: () => call<{ learners: Schemas['Learner'][] }>('GET', '/api/archived') });
  const back = useMutation({ mutationFn: (id: string) => call('PUT', `/api/archived/${id}`), onSuccess: () => void queryClient.invalidateQueries() });
  if (!archived.data || archived.data.learners.length === 0) return null;
  return (
    <details>
      <summary className="inline-flex min-h-12 cursor-pointer items-center font-semibold">{words.crew.archived(archived.data.learners.length)}</summary>
      <ul>{archived.data.learners.map((one) => <li key={one.id} className="flex items-center gap-3">{one.name} <Button look="quiet" onClick={() => back.mutate(one.id)}>{words.crew.takeBack}</Button></li>)}</ul>
    </details>
  );
}

function Board({ crew }: { crew: Crew }) {
  return (
    <div tabIndex={0} role="region" aria-label={words.crew.title} className="-mx-4 overflow-x-auto px-4 rail:mx-0 rail:px-0">
      <table className="border-separate border-spacing-0" data-testid="board">
        <thead>
          <tr>
            <th scope="col" className="sticky left-0 z-10 bg-paper pr-3 pb-2 text-left align-bottom text-sm font-semibold text-soft">{words.crew.learner}</th>
            {crew.knots.map((knot) => <th key={knot.id} scope="col" className="w-20 min-w-20 px-1 pb-2 text-center align-bottom text-sm leading-tight font-semibold">{knot.name}</th>)}
            <th scope="col" className="pb-2 pl-5 text-left align-bottom text-sm font-semibold text-soft">{words.crew.badges}</th>
          </tr>
        </thead>
        <tbody>
          {crew.learners.map((learner) => (
            <tr key={learner.id} className="group">
              <th scope="row" className="sticky left-0 z-10 border-t border-line bg-paper pr-3 text-left font-semibold whitespace-nowrap group-hover:bg-wash">
                <Link to={`/crew/${learner.id}`} className="flex min-h-12 items-center underline decoration-hemp decoration-2 underline-offset-4">{learner.name}</Link>
              </th>
              {crew.knots.map((knot) => {
                const mark = learner.marks[knot.id] ?? null;
                return <td key={knot.id} className="border-t border-line text-center group-hover:bg-wash" title={mark?.words}><span className="inline-flex align-middle"><Mark mark={mark} label={`${knot.name}: ${mark?.words ?? words.crew.none}`} size={30} /></span></td>;
              })}
              <td className="border-t border-line pl-5 whitespace-nowrap group-hover:bg-wash">{learner.badges.map((badge) => <BadgeCount key={badge.badge} badge={badge} />)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A badge as beads on a string: one for each requirement. */
function BadgeCount({ badge }: { badge: Schemas['BadgeProgress'] }) {
  return (
    <span className="mr-4 inline-flex items-center gap-2 text-sm">
      <span aria-hidden className="inline-flex">
        {Array.from({ length: badge.needed }, (_, n) => <span key={n} className={`-mr-px size-3.5 rounded-full border-2 border-ink ${n < badge.met ? 'bg-hemp' : 'bg-paper'}`} />)}
      </span>
      <span>{badge.name} {badge.met}/{badge.needed}</span>
    </span>
  );
}
