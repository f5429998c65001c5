import { useQuery } from '@tanstack/react-query';
import { Map as MapIcon } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { crewQuery, knotsQuery, nextKnotsQuery } from '../api/queries';
import { warmKnots } from '../device/offline';
import { useShowSettings } from '../device/useShowSettings';
import { KnotPicture } from '../drawing/KnotPicture';
import { Failure, Loading } from '../ui/states';
import { inSentence, listOf } from '../words/format';
import { words } from '../words';
import { type Family, FAMILIES, matching } from './finding';
import { Toggle } from '../ui/Toggle';

type About = Schemas['KnotAbout'];

/** Every knot there is to show, found by what it is for or by any of its names. */
export function KnotsPage() {
  const knots = useQuery(knotsQuery);
  const [family, setFamily] = useState<Family | null>(null);
  const [text, setText] = useState('');
  const [badge, setBadge] = useState('');
  const [learner, setLearner] = useState('');
  const crew = useQuery(crewQuery);
  const next = useQuery({ ...nextKnotsQuery(learner), enabled: learner !== '' });
  const { view } = useShowSettings();
  // So that a knot opens the moment it is picked.
  useEffect(() => {
    const later = window.setTimeout(() => void warmKnots(view), 300);
    return () => clearTimeout(later);
  }, [view]);
  if (knots.isPending) return <Loading />;
  if (knots.isError) return <Failure error={knots.error} retry={() => void knots.refetch()} />;
  const all = knots.data.knots;
  const found = matching(all, family, text).filter(
    (knot) => (badge === '' || knot.badges.includes(badge)) && (learner === '' || next.data?.knots.includes(knot.id)),
  );
  const badges = [...new Set(all.flatMap((knot) => knot.badges))];
  const names = new Map(all.map((knot) => [knot.id, inSentence(knot.name)]));
  return (
    <div>
      <h1 className="text-3xl">{words.show.title}</h1>
      <p className="mb-4 text-soft">{all.length === 0 ? words.show.empty : words.show.pick}</p>
      <div className="mb-5 flex flex-col gap-3">
        <div className="flex flex-wrap items-center gap-2">
          <input
            type="search"
            aria-label={words.knot.search}
            placeholder={words.knot.search}
            value={text}
            onChange={(event) => setText(event.target.value)}
            className="min-h-12 rounded-full border border-soft bg-card px-5 placeholder:text-soft w-full rail:w-80"
          />
          <Pick
            label={words.knot.byBadge}
            value={badge}
            onChange={setBadge}
            options={[['', words.knot.anyBadge], ...badges.map((one) => [one, one] as const)]}
          />
          <Pick
            label={words.knot.byLearner}
            value={learner}
            onChange={setLearner}
            options={[
              ['', words.knot.anyLearner],
              ...(crew.data?.learners ?? []).map((one) => [one.id, one.name] as const),
            ]}
          />
          <Link
            to="/map"
            className="inline-flex min-h-12 items-center gap-2 rounded-full border-2 border-line bg-card px-4 font-semibold"
          >
            <MapIcon aria-hidden className="size-5" /> {words.knot.map}
          </Link>
        </div>
        <ul
          aria-label={words.knot.purposes}
          className="-mx-4 flex gap-2 overflow-x-auto px-4 pb-1 rail:mx-0 rail:flex-wrap rail:overflow-visible rail:px-0"
        >
          {FAMILIES.filter((one) => all.some((knot) => knot.family === one)).map((one) => (
            <li key={one}>
              <Toggle on={family === one} onClick={() => setFamily(family === one ? null : one)}>
                {words.knot.families[one]}
              </Toggle>
            </li>
          ))}
        </ul>
      </div>
      <p role="status" className={found.length === 0 ? 'text-lg' : 'sr-only'}>
        {found.length === 0 ? words.knot.noneFound : words.knot.foundCount({ n: found.length })}
      </p>
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-2 sm:gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {found.map((knot) => (
          <Card key={knot.id} knot={knot} names={names} />
        ))}
      </ul>
    </div>
  );
}

function Pick({
  label,
  value,
  onChange,
  options,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  options: (readonly [string, string])[];
}) {
  return (
    <label className="inline-flex min-h-12 min-w-0 items-center gap-2 rounded-full border border-soft bg-card pr-2 pl-4">
      <span className="text-sm whitespace-nowrap text-soft">{label}</span>
      <select
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="min-h-11 max-w-40 rounded-full bg-card font-semibold"
      >
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

function Card({ knot, names }: { knot: About; names: Map<string, string> }) {
  return (
    <li className="flex items-center gap-2 [contain-intrinsic-size:auto_5rem] [content-visibility:auto] rounded-2xl border border-line bg-card p-2 sm:flex-col sm:items-stretch sm:p-4 sm:[contain-intrinsic-size:auto_22rem] [--ground:var(--card)] focus-within:border-ink hover:border-ink">
      {/* A list to scan in the hand; cards at a desk. */}
      <Link
        to={`/show/${knot.id}`}
        className="grid min-w-0 flex-1 grid-cols-[5.5rem_minmax(0,1fr)] content-start items-center gap-x-3 sm:flex sm:flex-col sm:items-stretch"
      >
        <span className="row-span-2 grid h-16 place-items-center sm:h-52">
          <KnotPicture drawing={knot.loose} moment={null} text="" className="max-h-16 w-full sm:max-h-52" />
        </span>
        <strong className="self-end font-display text-lg leading-tight sm:mt-3 sm:self-auto sm:text-xl">
          {knot.name}
        </strong>
        <span className="line-clamp-1 self-start text-sm text-soft sm:line-clamp-none sm:self-auto sm:text-base">
          {knot.purpose}
        </span>
        <span className="mt-auto hidden pt-2 text-sm text-soft sm:block">
          {words.show.minutes({ n: knot.minutes })}
          {knot.prerequisites.length > 0 &&
            `, ${words.show.after({ knots: listOf(knot.prerequisites.map((id) => names.get(id) ?? id)) })}`}
        </span>
      </Link>
      <Link
        to={`/knot/${knot.id}`}
        className="inline-flex min-h-12 shrink-0 items-center px-1 text-sm font-semibold underline sm:self-start sm:px-0 sm:text-base decoration-hemp decoration-2 underline-offset-4"
        aria-label={words.knot.moreOf({ knot: knot.name })}
      >
        <span className="sm:hidden">{words.show.more}</span>
        <span className="hidden sm:inline">{words.knot.more}</span>
      </Link>
    </li>
  );
}
