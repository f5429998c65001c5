import type { TakenIn } from '../api/along';
import { words } from '../words';
import { counted } from './counted';

/** Rows that are named at most; more than anybody reads are counted. */
const NAMED = 60;

const TONE = { new: 'text-right', other: 'text-hemp-deep', gone: 'text-notyet' };

/** What taking a zip in would do: by table, and by name where somebody would look for it. */
export function WhatItDoes({ would }: { would: TakenIn }) {
  const { tables, rows, replaces } = would;
  const changes = tables.some((one) => one.new + one.other + one.gone > 0);
  return (
    <div className="flex flex-col gap-3" data-testid="would">
      <p role="status" className="text-lg font-semibold">
        {!replaces
          ? words.along.wouldBring({ name: would.group })
          : changes
            ? words.along.wouldReplace({ name: would.group })
            : words.along.alike}
      </p>
      {changes && (
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 rounded-xl border border-line bg-card px-4 py-3">
          {tables
            .filter((one) => one.new + one.other + one.gone > 0)
            .map((one) => (
              <div key={one.table} className="contents">
                <dt>{tableName(one.table)}</dt>
                <dd className="text-right text-soft tabular-nums">
                  {counted(['new', 'other', 'gone', 'same'], one, words.along.counts)}
                </dd>
              </div>
            ))}
        </dl>
      )}
      {replaces && rows.length > 0 && (
        <ul
          tabIndex={0}
          className="max-h-56 divide-y divide-line overflow-y-auto rounded-xl border border-line bg-card px-4"
        >
          {rows.slice(0, NAMED).map((row) => (
            <li key={`${row.table} ${row.name} ${row.what}`} className="flex justify-between gap-3 py-1.5">
              <span>
                {row.name} <span className="text-sm text-soft">{tableName(row.table)}</span>
              </span>
              <strong className={TONE[row.what]}>{words.along.what[row.what]}</strong>
            </li>
          ))}
          {rows.length > NAMED && <li className="py-1.5 text-soft">{words.along.more({ n: rows.length - NAMED })}</li>}
        </ul>
      )}
      <p className="text-sm text-soft">
        {would.has_keys ? words.along.hasKeys : words.along.noKeys} {words.along.stays}
      </p>
    </div>
  );
}

const NAMES: Partial<Record<string, string>> = words.along.tables;
const tableName = (table: string): string => NAMES[table] ?? table.replaceAll('_', ' ');
