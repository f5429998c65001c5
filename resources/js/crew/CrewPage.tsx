import { useMutation, useQuery } from '@tanstack/react-query';
import { Award, ClipboardList, Printer, UserPlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { call, type Schemas } from '../api/client';
import { crewQuery, queryClient } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { SelectField } from '../ui/Field';
import { Toggle } from '../ui/Toggle';
import { LINK } from '../ui/link';
import { Failure, Loading } from '../ui/states';
import { markOf } from '../drawing/markWords';
import { words } from '../words';
import { AddLearners } from './AddLearners';
import { Board, type Zoom } from './Board';
import { HadBefore } from './HadBefore';
import { Legend } from './Legend';
import { patrolsOf, type Sieve, sieved } from './sieve';

type Crew = Schemas['Crew'];

/** So many knots fit beside each other at the usual size; more are shown from farther off. */
const USUALLY = 14;

export function CrewPage() {
  const me = useMe();
  const crew = useQuery(crewQuery);
  const [adding, setAdding] = useState(false);
  const [had, setHad] = useState(false);
  if (crew.isPending) return <Loading />;
  if (crew.isError) return <Failure error={crew.error} retry={() => void crew.refetch()} />;
  const { learners, ready } = crew.data;
  const tonight = changedTonight(crew.data);
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-3xl">{words.crew.title}</h1>
        <div className="flex flex-wrap gap-3 print:hidden">
          {learners.length > 0 && me.may.teach && (
            <Link to="/awards" className={LINK}>
              <Award aria-hidden className="size-5" /> {words.awards.title}
            </Link>
          )}
          {learners.length > 0 && (
            <Link to="/pocket" className={LINK}>
              <ClipboardList aria-hidden className="size-5" /> {words.pocket.title}
            </Link>
          )}
          {learners.length > 0 && (
            <button type="button" onClick={() => window.print()} className={LINK}>
              <Printer aria-hidden className="size-5" /> {words.crew.print}
            </button>
          )}
          {me.may.teach && learners.length > 0 && <Button onClick={() => setHad(true)}>{words.crew.had}</Button>}
          {me.may.people && (
            <Button onClick={() => setAdding(true)}>
              <UserPlus aria-hidden className="size-5" /> {words.crew.add}
            </Button>
          )}
        </div>
      </div>
      {ready.length > 0 && (
        <ul className="flex max-w-4xl flex-col gap-1 rounded-xl border-l-4 border-right bg-card px-4 py-3">
          {ready.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {tonight.length > 0 && (
        <details className="max-w-4xl rounded-xl border border-line bg-card px-4 print:hidden">
          <summary className="min-h-12 content-center font-semibold">
            {words.crew.tonight({ n: tonight.length })}
          </summary>
          <ul className="flex flex-col gap-1 pb-3">
            {tonight.map((one) => (
              <li key={one.name}>
                <strong>{one.name}</strong>: {one.changes.join(' ')}
              </li>
            ))}
          </ul>
        </details>
      )}
      {learners.length === 0 ? <p>{words.crew.empty}</p> : <Sifted crew={crew.data} />}
      <Legend />
      {me.may.people && <Archived />}
      {had && <HadBefore onClose={() => setHad(false)} />}
      <AddLearners open={adding} onClose={() => setAdding(false)} />
    </div>
  );
}

/** The board with what is shown of it, and from how far. */
function Sifted({ crew }: { crew: Crew }) {
  const [sieve, setSieve] = useState<Sieve>({ badge: '', needs: '', patrol: undefined, due: false });
  const { learners, knots } = sieved(crew, sieve);
  const [zoom, setZoom] = useState<Zoom | null>(null);
  const patrols = patrolsOf(crew);
  const needed = crew.knots.filter((knot) => crew.learners.some((learner) => learner.wanted[knot.id] !== undefined));
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 print:hidden">
        <SelectField
          label={words.crew.byBadge}
          value={sieve.badge}
          onChange={(event) => setSieve({ ...sieve, badge: event.target.value })}
          options={[['', words.crew.allBadges], ...crew.badges.map((badge) => [badge.id, badge.name] as const)]}
        />
        <SelectField
          label={words.crew.whoNeeds}
          value={sieve.needs}
          onChange={(event) => setSieve({ ...sieve, needs: event.target.value })}
          options={[['', words.crew.anyKnot], ...needed.map((knot) => [knot.id, knot.name] as const)]}
        />
        {patrols.length > 0 && (
          <SelectField
            label={words.crew.byPatrol}
            // A name stands with a sign before it: no patrol is called as what stands for all, or for none.
            value={sieve.patrol === undefined ? '' : sieve.patrol === null ? '-' : `=${sieve.patrol}`}
            onChange={({ target: { value } }) =>
              setSieve({ ...sieve, patrol: value === '' ? undefined : value === '-' ? null : value.slice(1) })
            }
            options={[
              ['', words.crew.allPatrols],
              ...patrols.map((name) => [`=${name}`, name] as const),
              ['-', words.crew.noPatrol],
            ]}
          />
        )}
        <Toggle on={sieve.due} onClick={() => setSieve({ ...sieve, due: !sieve.due })}>
          {words.crew.onlyDue}
        </Toggle>
        <span className="w-72">
          <Choice
            label={words.crew.zoom}
            value={zoom ?? (knots.length > USUALLY ? 'far' : 'usual')}
            onChange={setZoom}
            options={(['far', 'usual', 'near'] as const).map((one) => [one, words.crew.zooms[one]] as const)}
          />
        </span>
      </div>
      {sieve.needs !== '' && (
        <p>{words.crew.need({ n: learners.length, names: learners.map((one) => one.name).join(', ') })}</p>
      )}
      {learners.length === 0 || knots.length === 0 ? (
        <p>{words.crew.nobodySo}</p>
      ) : (
        <Board
          crew={crew}
          learners={learners}
          knots={knots}
          zoom={zoom ?? (knots.length > USUALLY ? 'far' : 'usual')}
        />
      )}
    </>
  );
}

/** Learners put away, and the way back. */
function Archived() {
  const archived = useQuery({
    queryKey: ['archived'],
    queryFn: () => call('GET', '/api/archived'),
  });
  const back = useMutation({
    mutationFn: (id: string) => call('PUT', '/api/archived/{archived}', { params: { path: { archived: id } } }),
    onSuccess: () => void queryClient.invalidateQueries(),
  });
  if (!archived.data || archived.data.learners.length === 0) return null;
  return (
    <details className="print:hidden">
      <summary className="inline-flex min-h-12 cursor-pointer items-center font-semibold">
        {words.crew.archived({ n: archived.data.learners.length })}
      </summary>
      <ul>
        {archived.data.learners.map((one) => (
          <li key={one.id} className="flex items-center gap-3">
            <Link to={`/crew/${one.id}`} className="underline">
              {one.name}
            </Link>{' '}
            <Button look="quiet" onClick={() => back.mutate(one.id)}>
              {words.crew.takeBack}
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Whom tonight changed something for, and what, knot by knot. */
function changedTonight({ knots, learners, today }: Crew): { name: string; changes: string[] }[] {
  const changed = learners.map(({ name, marks }) => ({
    name,
    changes: knots.flatMap((knot) => {
      const mark = marks[knot.id];
      return mark?.day === today ? [markOf(knot.name, mark)] : [];
    }),
  }));
  return changed.filter((one) => one.changes.length > 0);
}
