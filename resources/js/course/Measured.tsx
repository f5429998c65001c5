import type { Schemas } from '../api/client';
import { number, percent } from '../words/format';
import { words } from '../words';

/** How this group's blocks ran against the minutes of the rule, and how its first tries come out: the plan goes by them. */
export function Measured({ course }: { course: Schemas['Course'] }) {
  const kinds = course.minutes.filter((one) => one.kind === 'new' || one.kind === 'again' || one.kind === 'old');
  if (kinds.length === 0 && course.passes.length === 0) return null;
  const knots = [...new Set([...course.passes, ...course.minutes_of].map((one) => one.knot))];
  return (
    <section aria-labelledby="measured" className="print:hidden">
      <h2 id="measured" className="mb-2 text-xl">
        {words.course.measured}
      </h2>
      <ul>
        {kinds.map((one) => (
          <li key={one.kind}>
            {words.course.paceLine({
              kind: words.session.kinds[one.kind as 'new'],
              times: `${percent(one.from)} – ${percent(one.to)}`,
              runs: one.runs,
            })}
          </li>
        ))}
      </ul>
      {knots.length > 0 && (
        <details>
          <summary className="flex min-h-12 cursor-pointer items-center font-semibold">{words.course.byKnot}</summary>
          <table className="w-full text-sm">
            <thead>
              <tr className="border-b border-line text-left">
                <th className="py-1 font-semibold">{words.course.knot}</th>
                <th className="py-1 font-semibold">{words.course.firstTries}</th>
                <th className="py-1 font-semibold">{words.course.ofPlanned}</th>
              </tr>
            </thead>
            <tbody>
              {knots.map((knot) => (
                <Row
                  key={knot}
                  name={course.knots[knot] ?? knot}
                  passes={course.passes.find((one) => one.knot === knot)}
                  minutes={course.minutes_of.find((one) => one.knot === knot)}
                />
              ))}
            </tbody>
          </table>
        </details>
      )}
    </section>
  );
}

function Row({
  name,
  passes,
  minutes,
}: {
  name: string;
  passes: Schemas['Course']['passes'][number] | undefined;
  minutes: Schemas['Course']['minutes_of'][number] | undefined;
}) {
  return (
    <tr className="border-b border-line align-top">
      <td className="py-1 pe-2">{name}</td>
      <td className="py-1 pe-2">
        {passes && words.course.sure({ from: percent(passes.from), to: percent(passes.to), n: number(passes.tries) })}
      </td>
      <td className="py-1">
        {minutes &&
          words.course.sure({ from: percent(minutes.from), to: percent(minutes.to), n: number(minutes.runs) })}
      </td>
    </tr>
  );
}
