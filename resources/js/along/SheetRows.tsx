import type { Sheet } from '../api/along';
import { words } from '../words';

/** Rows that are shown at most: those with a fault come first. */
const SHOWN = 200;

const TONE = { new: 'text-right', other: 'text-hemp-deep', same: 'text-soft', bad: '' };

/** What was read, row by row, with what is wrong or what it would do. */
export function SheetRows({ rows }: { rows: Sheet['rows'] }) {
  const order =
    rows.length > SHOWN ? [...rows].sort((a, b) => Number(b.state === 'bad') - Number(a.state === 'bad')) : rows;
  return (
    <ul tabIndex={0} className="max-h-72 divide-y divide-line overflow-y-auto rounded-xl border border-line bg-card">
      {order.slice(0, SHOWN).map((row) => (
        <li key={row.line} className={`px-3 py-2 ${row.state === 'bad' ? 'bg-wash' : ''}`}>
          <span className="flex justify-between gap-3">
            <span>
              <span className="text-sm text-soft">{words.along.line({ n: row.line })} </span>
              {row.says}
            </span>
            <strong className={`shrink-0 text-sm ${TONE[row.state]}`}>{words.along.states[row.state]}</strong>
          </span>
          {row.fault !== null && <span className="block font-semibold text-notyet">{row.fault}</span>}
        </li>
      ))}
      {rows.length > SHOWN && <li className="px-3 py-2 text-soft">{words.along.more({ n: rows.length - SHOWN })}</li>}
    </ul>
  );
}
