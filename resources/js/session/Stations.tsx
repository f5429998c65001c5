import { CheckCheck, Presentation } from 'lucide-react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { listOf } from '../words/format';
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

/** Lessons at the same time, each at a station of its own. */
export function Stations({ of, sheet }: { of: Schemas['Block'][]; sheet: Schemas['RunSheet'] }) {
  if (of.length === 0) return null;
  const names = new Map(sheet.roll.map((one) => [one.id, one.name]));
  return (
    <ul className="mt-2 flex flex-col gap-2 border-l-2 border-dashed border-hemp pl-3">
      {of.map((station, n) => (
        <li key={n}>
          <span className="text-sm text-soft">{words.session.beside}: </span>
          <strong>{sheet.knots[station.knot ?? ''] ?? station.knot}</strong>
          <span className="block text-sm text-soft">
            {listOf(station.learners.map((id) => names.get(id) ?? '').filter(Boolean))}.{' '}
            {station.teacher !== null &&
              names.has(station.teacher) &&
              words.session.teacher(names.get(station.teacher) ?? '')}
          </span>
          <BlockLinks knot={station.knot} meeting={sheet.meeting.id} />
        </li>
      ))}
    </ul>
  );
}
