import { CheckCheck, Presentation } from 'lucide-react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { type Station, StationCard } from '../course/StationCard';
import { words } from '../words/en';

/** Straight to showing and checking a block's knot. */
export function BlockLinks({ knot, meeting }: { knot: string | null; meeting: string }) {
  if (knot === null) return null;
  const look =
    'inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold hover:bg-wash';
  return (
    <p className="mt-2 flex gap-2 print:hidden">
      <Link to={`/show/${knot}`} className={look}>
        <Presentation aria-hidden className="size-5" /> {words.session.show}
      </Link>
      <Link to={`/check/${knot}?meeting=${meeting}`} className={look}>
        <CheckCheck aria-hidden className="size-5" /> {words.session.check}
      </Link>
    </p>
  );
}

/** A block's stations side by side, each with who is at it; a block with one has its links alone. */
export function Stations({ of, sheet }: { of: Station & { beside: Schemas['Block'][] }; sheet: Schemas['RunSheet'] }) {
  if (of.beside.length === 0) return <BlockLinks knot={of.knot} meeting={sheet.meeting.id} />;
  const people = Object.fromEntries(sheet.roll.map((one) => [one.id, one.name]));
  return (
    <div className="mt-2 flex flex-wrap gap-2">
      {[of, ...of.beside].map((station, n) => (
        <StationCard key={n} station={station} number={n + 1} knots={sheet.knots} people={people}>
          <BlockLinks knot={station.knot} meeting={sheet.meeting.id} />
        </StationCard>
      ))}
    </div>
  );
}
