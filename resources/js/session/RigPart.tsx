import { CheckCheck, ShieldCheck, Wrench } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useMe } from '../device/me';
import { words } from '../words';

type Part = keyof Schemas['RigOnSheet']['lists'];

const isPart = (kind: string): kind is Part => kind === 'raise' || kind === 'inspect' || kind === 'strike';

/** What has been seen to, line by line, for as long as this tab lives: a list for the hand, no record. */
function useTicked(key: string): readonly [string[], (line: string, on: boolean) => void] {
  const [ticked, setTicked] = useState<string[]>(() => JSON.parse(sessionStorage.getItem(key) ?? '[]') as string[]);
  return [
    ticked,
    (line, on) => {
      const now = on ? [...ticked, line] : ticked.filter((one) => one !== line);
      sessionStorage.setItem(key, JSON.stringify(now));
      setTicked(now);
    },
  ];
}

/** A rig's part of an evening: what is done to put it up, to look whether it stands, or to take it down, each line to tick. */
export function RigPart({
  block,
  sheet,
  open = false,
}: {
  block: { kind: string; rig: string | null };
  sheet: Schemas['RunSheet'];
  open?: boolean;
}) {
  const me = useMe();
  const rig = block.rig === null ? undefined : sheet.rigs[block.rig];
  const [ticked, tick] = useTicked(`compadre-rig ${sheet.meeting.id} ${block.rig ?? ''} ${block.kind}`);
  if (!rig || !isPart(block.kind)) return null;
  const look =
    'inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold hover:bg-wash';
  const lines = rig.lists[block.kind];
  return (
    <div className="mt-2 print:mt-0">
      {rig.held ? (
        <p className="flex items-center gap-2 font-semibold text-notyet">
          <ShieldCheck aria-hidden className="size-5 shrink-0" /> {words.session.rigHeld}
        </p>
      ) : (
        <details open={open} className="print:hidden">
          <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
            {words.session.rigList({ done: ticked.filter((line) => lines.includes(line)).length, all: lines.length })}
          </summary>
          <ol>
            {lines.map((line) => (
              <li key={line}>
                <label className="flex min-h-12 items-center gap-3">
                  <input
                    type="checkbox"
                    className="size-6 shrink-0 accent-signal"
                    checked={ticked.includes(line)}
                    onChange={(event) => tick(line, event.target.checked)}
                  />
                  {line}
                </label>
              </li>
            ))}
          </ol>
        </details>
      )}
      {/* On paper in a line, to fit the evening on one page. */}
      {!rig.held && (
        <p aria-hidden className="hidden text-xs leading-snug print:block">
          {lines.map((line) => `☐ ${line}`).join(' ')}
        </p>
      )}
      {block.kind === 'raise' && (
        <ul
          className="mt-1 border-l-4 border-notyet pl-3 text-sm print:mt-0 print:text-xs print:leading-snug [&>li]:print:me-2 [&>li]:print:inline"
          aria-label={words.bench.cautions}
        >
          {rig.cautions.map((line) => (
            <li key={line}>{line}</li>
          ))}
          <li>{words.session.rigRules}</li>
        </ul>
      )}
      <p className="mt-2 flex flex-wrap gap-2 print:hidden">
        {(block.kind === 'raise' || rig.held) && (
          <Link to={`/bench/${rig.id}?meeting=${sheet.meeting.id}`} className={look}>
            <Wrench aria-hidden className="size-5" /> {words.session.rigOpen}
          </Link>
        )}
        {block.kind === 'inspect' && me.may.check && (
          <Link to={`/used/${sheet.meeting.id}/${rig.id}`} className={look}>
            <CheckCheck aria-hidden className="size-5" /> {words.session.rigUsed}
          </Link>
        )}
      </p>
    </div>
  );
}
