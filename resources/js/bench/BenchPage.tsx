import { useQuery } from '@tanstack/react-query';
import { Gauge, HelpCircle, Ruler, ShieldCheck } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import type { Schemas } from '../api/client';
import { rigsQuery } from '../api/queries';
import { LINK } from '../ui/link';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';

type About = Schemas['RigAbout'];

const KINDS = Object.keys(words.bench.kinds) as About['kind'][];

/** Knots put to use: a rig is picked by what should stand at the end. */
export function BenchPage() {
  const rigs = useQuery(rigsQuery);
  if (rigs.isPending) return <Loading />;
  if (rigs.isError) return <Failure error={rigs.error} retry={() => void rigs.refetch()} />;
  return (
    <div className="flex max-w-6xl flex-col gap-7">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">{words.bench.title}</h1>
          <p className="text-soft">{words.bench.about}</p>
        </div>
        <p className="flex flex-wrap gap-x-5">
          <Link to="/bench/which" className={LINK}>
            <HelpCircle aria-hidden className="size-5" /> {words.bench.which}
          </Link>
          <Link to="/bench/instruments" className={LINK}>
            <Gauge aria-hidden className="size-5" /> {words.bench.instruments.title}
          </Link>
          <Link to="/bench/calibrate" className={LINK}>
            <Ruler aria-hidden className="size-5" /> {words.bench.calibrate.title}
          </Link>
        </p>
      </header>
      <div className="rail:columns-2 rail:gap-8">
        {KINDS.map((kind) => (
          <section key={kind} className="mb-7 break-inside-avoid">
            <h2 className="mb-2 text-xl">{words.bench.kinds[kind]}</h2>
            <ul className="divide-y divide-line rounded-xl border border-line bg-card">
              {rigs.data.rigs
                .filter((rig) => rig.kind === kind)
                .map((rig) => (
                  <Rig key={rig.id} rig={rig} />
                ))}
            </ul>
          </section>
        ))}
      </div>
    </div>
  );
}

function Rig({ rig }: { rig: About }) {
  // For a meeting that was asked for.
  const { search } = useLocation();
  return (
    <li>
      <Link to={`/bench/${rig.id}${search}`} className="block rounded-xl px-4 py-3 hover:bg-wash">
        <strong className="text-lg leading-tight">{rig.stands}</strong>
        <span className="block text-sm text-soft">
          {rig.name}, {rig.own && `${words.bench.own.mark}, `}
          {words.bench.minutes({ n: rig.minutes })}, {words.bench.from({ age: rig.ages.from })}
          {rig.gated && (
            <span className="ml-2 inline-flex items-center gap-1 font-semibold text-notyet">
              <ShieldCheck aria-hidden className="size-4" /> {words.bench.gated}
            </span>
          )}
        </span>
      </Link>
    </li>
  );
}
