import { Rotate3d } from 'lucide-react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useMe } from '../device/me';
import { Part } from '../ui/Part';
import { length, listOf, number, span } from '../words/format';
import { words } from '../words';
import { figureText } from './figure';

type Worked = Schemas['RigWorked'];

/** What a rig comes to, as a card to build from. */
export function RigCard({
  rig: { rig },
  worked,
  onKnot,
}: {
  rig: Schemas['Rig'];
  worked: Worked;
  onKnot: (place: string, knot: string) => void;
}) {
  const { units } = useMe().group;
  return (
    <>
      <dl className="grid grid-cols-2 gap-x-6 gap-y-3 rail:grid-cols-3 print:grid-cols-5 print:gap-y-1">
        {worked.figures.map((one) => (
          <div key={one.id}>
            <dt className="text-sm text-soft print:text-[9px]">{one.name}</dt>
            <dd className="text-xl font-semibold tabular-nums print:text-sm">{figureText(one, units)}</dd>
          </div>
        ))}
      </dl>
      <div className="grid gap-6 print:gap-x-6 print:gap-y-1 xl:grid-cols-2 print:grid-cols-2">
        <Part title={words.bench.members}>
          {worked.members.map((member) => (
            <li key={member.id} className="flex items-baseline gap-3 py-2 print:py-0.5">
              <strong className="min-w-12 text-lg print:text-xs tabular-nums">{number(member.count)} ×</strong>
              <span>
                <strong className="text-lg print:text-xs">
                  {member.length_mm === null ? member.name : span(member.length_mm, units)}
                </strong>{' '}
                {member.length_mm !== null && member.name}
                {member.diameter_mm !== null && member.kind === 'pole' && `, ${length(member.diameter_mm, units)}`}
                {member.ours && (
                  <span className="block text-sm print:text-[9px]">
                    {words.poles.ours}{' '}
                    {listOf([
                      ...member.ours.taken.map((one) => words.poles.of({ n: one.count, name: one.name })),
                      ...(member.ours.missing > 0 ? [words.poles.missing({ n: member.ours.missing })] : []),
                    ])}
                  </span>
                )}
                {member.knots.length > 0 && (
                  <span className="block text-sm text-soft print:text-[9px]">
                    {listOf(member.knots.map((knot) => knot.name))}
                  </span>
                )}
              </span>
            </li>
          ))}
          <li className="py-2 text-sm text-soft print:py-0.5 print:text-[9px]">{worked.reason}</li>
        </Part>
        <Part title={words.bench.knots}>
          {worked.places.map((place, n) => (
            <li key={place.place} className="flex gap-3 py-2 print:py-0.5">
              <span className="mt-0.5 grid size-7 shrink-0 print:size-5 print:border place-items-center rounded-full border-2 border-ink text-sm font-semibold">
                {n + 1}
              </span>
              <span className="min-w-0">
                <span className="block text-sm text-soft print:text-[9px]">{place.where}</span>
                <Link
                  to={`/show/${place.knot.id}${place.method === null ? '' : `?method=${place.method}`}`}
                  className="font-semibold underline decoration-hemp decoration-2 underline-offset-4"
                >
                  {place.knot.name}
                </Link>
                {place.wraps !== null && `, ${number(place.wraps)} ${place.counts}`}
                <Link
                  to={`/knot/${place.knot.id}`}
                  className="ms-3 inline-flex min-h-11 items-center gap-1 text-sm font-semibold underline decoration-hemp underline-offset-4 print:hidden"
                >
                  <Rotate3d aria-hidden className="size-4" /> {words.bench.turn}
                </Link>
                <span className="block text-sm print:hidden">{place.why}</span>
                {place.others.length > 0 && (
                  <span className="mt-1 flex flex-wrap items-center gap-x-3 text-sm print:hidden">
                    <span className="text-soft">{words.bench.others}</span>
                    {place.others.map((other) => (
                      <button
                        key={other.id}
                        type="button"
                        className="min-h-11 font-semibold underline decoration-hemp underline-offset-4"
                        onClick={() => onKnot(place.place, other.id)}
                      >
                        {other.name}
                      </button>
                    ))}
                  </span>
                )}
              </span>
            </li>
          ))}
        </Part>
      </div>
      <Part title={words.bench.cautions}>
        {worked.advice.map((line) => (
          <li key={line} className="py-2 print:py-0.5 font-semibold">
            {line}
          </li>
        ))}
      </Part>
      <div className="grid gap-6 print:gap-x-6 print:gap-y-1 rail:grid-cols-2 print:grid-cols-2">
        <Lines title={words.bench.steps} lines={rig.raise} numbered />
        <Lines title={words.bench.strike} lines={[...rig.strike, rig.leaves]} numbered />
      </div>
      <div className="grid gap-6 print:gap-x-6 print:gap-y-1 rail:grid-cols-3 print:grid-cols-3">
        <Lines title={`${words.bench.checks}: ${words.bench.before}`} lines={rig.checks.before} />
        <Lines title={words.bench.while} lines={rig.checks.while} />
        <Lines title={words.bench.after} lines={rig.checks.after} />
      </div>
      {rig.leaders.length > 0 && <Lines title={words.bench.leaders} lines={rig.leaders} />}
    </>
  );
}

function Lines({ title, lines, numbered = false }: { title: string; lines: string[]; numbered?: boolean }) {
  return (
    <Part title={title}>
      {lines.map((line, n) => (
        <li key={line} className="flex gap-2 py-2 print:py-0.5">
          {numbered ? <strong className="min-w-5 tabular-nums">{n + 1}</strong> : <span aria-hidden>☐</span>}
          <span>{line}</span>
        </li>
      ))}
    </Part>
  );
}
