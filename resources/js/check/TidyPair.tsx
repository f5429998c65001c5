import { Box } from 'lucide-react';
import { useState } from 'react';
import type { Schemas, Untidiness } from '../api/client';
import { TidyBeside } from '../drawing/TidyBeside';
import { UntidyPair } from '../space/UntidyPair';
import { canDraw } from '../space/webgl';
import { Choice } from '../ui/Choice';
import { words } from '../words';

/** The knot dressed beside the same knot as a careless hand leaves it: drawn, or to be turned together. */
export function TidyPair({
  knot,
  view,
  compared,
}: {
  knot: { id: string; name: string };
  view: Schemas['Knot']['view'];
  compared: Schemas['Compared'];
}) {
  const { untidy_in_space: inSpace, untidy } = compared;
  const faults = inSpace?.faults ?? [];
  const [fault, setFault] = useState<Untidiness | null>(null);
  const [first] = faults;
  if (!untidy && !first) return null;
  return (
    <div className="mb-2 flex flex-col gap-2 rounded-xl border border-line bg-card p-2 text-sm [--ground:var(--card)]">
      {fault !== null && faults.length > 1 && (
        <Choice
          label={words.space.untidy}
          value={fault}
          onChange={setFault}
          options={faults.map((one) => [one, words.space.faults[one]] as const)}
        />
      )}
      {fault !== null && inSpace ? (
        <UntidyPair key={fault} knot={knot} method={inSpace.method} view={view} fault={fault} />
      ) : (
        <TidyBeside knot={knot} compared={compared} height="h-28" />
      )}
      {fault === null && first && canDraw() && (
        <button
          type="button"
          onClick={() => setFault(first)}
          className="inline-flex min-h-12 items-center gap-2 self-center rounded-full border-2 border-line px-4 font-semibold"
        >
          <Box aria-hidden className="size-5" /> {words.check.turnBoth}
        </button>
      )}
    </div>
  );
}
