import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { knotQuery, knotsQuery } from '../api/queries';
import { KnotPicture } from '../drawing/KnotPicture';
import { Failure, Loading } from '../ui/states';
import { listOf } from '../words/format';
import { words } from '../words/en';

export function KnotsPage() {
  const knots = useQuery(knotsQuery);
  if (knots.isPending) return <Loading />;
  if (knots.isError) return <Failure error={knots.error} retry={() => void knots.refetch()} />;
  const names = new Map(knots.data.knots.map((knot) => [knot.id, knot.name.toLowerCase()]));
  return (
    <div>
      <h1 className="text-3xl">{words.show.title}</h1>
      <p className="mb-5 text-soft">{knots.data.knots.length === 0 ? words.show.empty : words.show.pick}</p>
      <ul className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {knots.data.knots.map((knot) => <Card key={knot.id} knot={knot} names={names} />)}
      </ul>
    </div>
  );
}

function Card({ knot, names }: { knot: Schemas['KnotAbout']; names: Map<string, string> }) {
  const drawing = useQuery(knotQuery(knot.id, 'learner'));
  return (
    <li className="flex flex-col rounded-2xl border border-line bg-card p-4 [--ground:var(--card)] focus-within:border-ink hover:border-ink">
      <Link to={`/show/${knot.id}`} className="flex flex-1 flex-col">
        <span className="grid h-52 place-items-center">{drawing.data && <KnotPicture drawing={drawing.data.loose} moment={null} text="" className="max-h-52 w-full" />}</span>
        <strong className="mt-3 font-display text-xl">{knot.name}</strong>
        <span className="text-soft">{knot.purpose}</span>
        <span className="mt-auto pt-2 text-sm text-soft">{words.show.minutes(knot.minutes)}{knot.prerequisites.length > 0 && `, ${words.show.after(listOf(knot.prerequisites.map((id) => names.get(id) ?? id)))}`}</span>
      </Link>
      <Link to={`/knot/${knot.id}`} className="inline-flex min-h-12 items-center self-start font-semibold underline decoration-hemp decoration-2 underline-offset-4" aria-label={words.knot.moreOf(knot.name)}>{words.knot.more}</Link>
    </li>
  );
}
