import { type KeyboardEvent, useState } from 'react';
import { Link } from 'react-router';
import { Pin, Wrench } from 'lucide-react';
import type { Schemas } from '../api/client';
import { dayShort, inSentence } from '../words/format';
import { words } from '../words';

type Meeting = Schemas['CourseMeeting'];

const BEAD = {
  past: 'size-7 border-[3px] border-ink bg-hemp',
  tonight: 'size-10 border-[3px] border-ink bg-signal ring-4 ring-signal/30',
  ahead: 'size-7 border-[3px] border-ink bg-paper',
};

const CORD =
  'bg-[repeating-linear-gradient(115deg,var(--rope-1)_0_7px,var(--rope-line)_7px_8.5px)] border-y-[1.5px] rail:border-y-[1.5px] border-ink';

/** The term as a rope with a bead a meeting: laid behind us, still bare ahead. Upright in the hand, lying at a desk. */
export function TermLine({
  meetings,
  knots,
  rigs,
  pinned,
  onMove,
}: {
  meetings: Meeting[];
  knots: Record<string, string>;
  rigs: Record<string, string>;
  pinned: string[];
  onMove?: ((knot: string, meeting: string) => void) | undefined;
}) {
  // In the hand the line begins with what is due; what lies behind is a tap away.
  const [behind, setBehind] = useState(false);
  const past = meetings.filter((one) => one.state === 'past').length;
  return (
    <section
      aria-label={words.course.line}
      className="-mx-4 overflow-x-auto px-4 rail:-mx-8 rail:px-8 print:m-0 print:overflow-visible print:p-0"
    >
      {past > 0 && past < meetings.length && (
        <button
          type="button"
          aria-expanded={behind}
          onClick={() => setBehind(!behind)}
          className="mb-2 min-h-12 font-semibold underline decoration-hemp decoration-2 underline-offset-4 rail:hidden print:hidden"
        >
          {behind ? words.course.hidePast : words.course.showPast({ n: past })}
        </button>
      )}
      <ol className="flex flex-col rail:grid rail:min-w-full rail:auto-cols-[minmax(6.5rem,1fr)] rail:grid-flow-col print:grid print:auto-cols-fr print:grid-flow-col">
        {meetings.map((meeting, n) => (
          <Bead
            key={meeting.id}
            meeting={meeting}
            hidden={meeting.state === 'past' && past < meetings.length && !behind}
            before={meetings[n - 1]}
            after={meetings[n + 1]}
            knots={knots}
            rigs={rigs}
            pinned={pinned}
            onMove={onMove}
          />
        ))}
      </ol>
    </section>
  );
}

type BeadProps = {
  meeting: Meeting;
  hidden: boolean;
  before: Meeting | undefined;
  after: Meeting | undefined;
  knots: Record<string, string>;
  rigs: Record<string, string>;
  pinned: string[];
  onMove: ((knot: string, meeting: string) => void) | undefined;
};

function Bead({ meeting, hidden, before, after, knots, rigs, pinned, onMove }: BeadProps) {
  const laid = meeting.state === 'ahead' ? 'border-y-[1.5px] border-dashed border-ink/60' : CORD;
  const takes = onMove !== undefined && meeting.state !== 'past';
  const byKey =
    (knot: string) =>
    (event: KeyboardEvent): void => {
      const to = { ArrowLeft: before, ArrowUp: before, ArrowRight: after, ArrowDown: after }[event.key];
      if (to && to.state !== 'past') {
        event.preventDefault();
        onMove?.(knot, to.id);
      }
    };
  return (
    <li
      className={`relative grid-cols-[3rem_1fr] rail:block print:block ${hidden ? 'hidden' : 'grid'}`}
      onDragOver={takes ? (event) => event.preventDefault() : undefined}
      onDrop={takes ? (event) => onMove(event.dataTransfer.getData('text/plain'), meeting.id) : undefined}
    >
      <div className="relative flex justify-center rail:h-14 rail:items-center">
        <span
          aria-hidden
          className={`absolute left-1/2 h-full w-2.5 -translate-x-1/2 rail:left-0 rail:h-2.5 rail:w-full rail:translate-x-0 ${laid}`}
        />
        <span aria-hidden className={`relative mt-3 shrink-0 rounded-full rail:mt-0 ${BEAD[meeting.state]}`} />
      </div>
      <div
        className={`my-1 rounded-xl px-3 py-2 rail:mx-0.5 rail:px-2 ${meeting.state === 'tonight' ? 'bg-card outline-2 outline-signal' : ''}`}
      >
        <Link
          to={`/meeting/${meeting.id}`}
          className="block text-sm font-semibold text-soft underline-offset-4 hover:underline"
        >
          {dayShort(meeting.date)}
          {meeting.state === 'tonight' && <span className="block text-signal">{words.course.tonight}</span>}
        </Link>
        {meeting.introduced.map((id) =>
          takes ? (
            <button
              key={id}
              type="button"
              draggable
              onDragStart={(event) => event.dataTransfer.setData('text/plain', id)}
              onKeyDown={byKey(id)}
              onClick={() => onMove(id, meeting.id)}
              title={words.course.moveHelp}
              className="-mx-1 my-0.5 flex min-h-10 w-[calc(100%+0.5rem)] cursor-grab items-center gap-1 rounded-md border border-dashed border-line px-1 text-left leading-tight font-bold hover:bg-wash rail:min-h-0 rail:py-1"
            >
              <span className="min-w-0 flex-1">{knots[id] ?? id}</span>
              {pinned.includes(id) && (
                <Pin aria-label={words.course.pinned} className="size-3.5 shrink-0 text-signal" />
              )}
            </button>
          ) : (
            <span key={id} className="block leading-snug font-bold">
              {knots[id] ?? id}
            </span>
          ),
        )}
        {meeting.revisited.length > 0 && (
          <span className="mt-1 block text-sm leading-snug text-soft">
            {words.course.again}: {againList(meeting.revisited.map((id) => inSentence(knots[id] ?? id)))}
          </span>
        )}
        {meeting.blocks
          .filter((block) => block.kind === 'raise' && block.rig !== null)
          .map((block) => (
            <Link
              key={block.rig}
              to={`/bench/${block.rig ?? ''}?meeting=${meeting.id}`}
              className="mt-1 flex min-h-10 items-center gap-1 text-sm leading-snug font-semibold underline decoration-hemp underline-offset-4 rail:min-h-0"
            >
              <Wrench aria-hidden className="size-3.5 shrink-0" /> {rigs[block.rig ?? ''] ?? block.rig}
            </Link>
          ))}
        {meeting.introduced.length + meeting.revisited.length === 0 && (
          <span className="block text-sm text-soft">{words.course.nothing}</span>
        )}
        {meeting.state === 'past' && (
          <span className="mt-1 block text-xs text-soft">
            {words.course.past({ here: meeting.present, results: meeting.results })}
          </span>
        )}
      </div>
    </li>
  );
}

/** Two by name, the rest counted. */
function againList(names: string[]): string {
  return names.length <= 3
    ? names.join(', ')
    : `${names.slice(0, 2).join(', ')}, ${words.course.more({ n: names.length - 2 })}`;
}
