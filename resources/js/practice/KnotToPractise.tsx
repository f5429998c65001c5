import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, ChevronRight, UserRound } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { KnotPicture } from '../drawing/KnotPicture';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { type Kept, type Kit, kitQuery } from './kept';

const KINDS = ['over-under', 'spot', 'where', 'order', 'which'] as const;

/** One knot, and what can be done with it. */
export function KnotToPractise({ kept }: { kept: Kept }) {
  const { knot: id = '' } = useParams();
  const kit = useQuery(kitQuery(kept.corner, id));
  const about = kept.corner.knots.find((one) => one.id === id);
  if (kit.isPending) return <Loading />;
  if (kit.isError) return <Failure error={kit.error} retry={() => void kit.refetch()} />;
  const { knot } = kit.data;
  return (
    <main className="[--ground:var(--paper)] mx-auto flex min-h-dvh max-w-4xl flex-col gap-4 p-4 pb-[max(2rem,env(safe-area-inset-bottom))] sm:p-6">
      <Link to="/" className="inline-flex min-h-12 items-center gap-2 self-start font-semibold">
        <ArrowLeft aria-hidden className="size-5" /> {words.practice.all}
      </Link>
      <div className="grid gap-4 sm:grid-cols-2">
        <div className="rounded-2xl bg-card p-3 [--ground:var(--card)]">
          <KnotPicture
            drawing={knot.tight ?? knot.loose}
            moment={null}
            text={words.knot.tight({ knot: knot.name })}
            className="h-48 w-full sm:h-64"
          />
        </div>
        <div className="flex flex-col justify-center gap-3">
          <h1 className="text-4xl">{knot.name}</h1>
          <p className="text-lg">{knot.purpose}</p>
          {about?.with_adult && (
            <p className="flex gap-2 border-l-4 border-signal pl-3 font-semibold">
              <UserRound aria-hidden className="mt-0.5 size-5 shrink-0" /> {words.practice.withAdultAbout}
            </p>
          )}
          {knot.cautions.map((caution) => (
            <p key={caution} className="border-l-4 border-signal pl-3 font-semibold">
              {caution}
            </p>
          ))}
        </div>
      </div>
      <h2 className="sr-only">{words.practice.things}</h2>
      <ul className="grid gap-3 sm:grid-cols-2">
        <Thing to={`/${id}/tie`} name={words.practice.tie} about={words.practice.tieAbout} isFirst />
        {KINDS.filter((kind) => has(kit.data, kind)).map((kind) => (
          <Thing
            key={kind}
            to={`/${id}/${kind}`}
            name={words.practice.kinds[kind][0]}
            about={words.practice.kinds[kind][1]}
          />
        ))}
        {kit.data.table && (
          <Thing to={`/${id}/draw`} name={words.practice.kinds.draw[0]} about={words.practice.kinds.draw[1]} />
        )}
      </ul>
    </main>
  );
}

const has = (kit: Kit, kind: string): boolean => kit.tasks.some((task) => task.kind === kind);

function Thing({ to, name, about, isFirst = false }: { to: string; name: string; about: string; isFirst?: boolean }) {
  return (
    <li>
      <Link
        to={to}
        className={`flex min-h-18 items-center gap-3 rounded-2xl border-2 px-5 py-3 ${isFirst ? 'border-signal bg-signal text-on-signal' : 'border-line bg-card hover:border-ink'}`}
      >
        <span className="flex-1">
          <strong className="block text-xl leading-tight">{name}</strong>
          <span className={isFirst ? '' : 'text-soft'}>{about}</span>
        </span>
        <ChevronRight aria-hidden className="size-6 shrink-0" />
      </Link>
    </li>
  );
}
