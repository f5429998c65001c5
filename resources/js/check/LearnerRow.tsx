import { ChevronRight } from 'lucide-react';
import type { Schemas } from '../api/client';
import { Mark } from '../drawing/Mark';
import { dayShort, inSentence } from '../words/format';
import { words } from '../words';
import { markWords } from '../drawing/markWords';
import { PassButton } from './PassButton';

type Row = Schemas['CheckSheet']['rows'][number];

/** Two targets apart: the wide one looks closer, the green one is a clean pass. */
export function LearnerRow({
  row,
  busy,
  onPass,
  onOpen,
}: {
  row: Row;
  busy: boolean;
  onPass: () => void;
  onOpen: () => void;
}) {
  const wants = row.wanted ? words.check.wants({ level: words.levels[row.wanted] }) : words.check.done;
  return (
    <li className={`flex items-stretch gap-3 ${row.present === false ? 'opacity-75' : ''}`} data-learner={row.name}>
      <button
        type="button"
        onClick={onOpen}
        className="flex min-h-16 min-w-0 flex-1 items-center gap-3 rounded-xl border border-line bg-card px-3 text-left hover:bg-wash"
      >
        <Mark mark={row.mark} label={markWords(row.mark)} size={34} />
        <span className="min-w-0 flex-1">
          <span className="flex items-baseline gap-2">
            <strong className="truncate text-lg">
              {row.name}
              <span className="sr-only">: {words.check.closer}</span>
            </strong>
            {row.present === false && <span className="text-sm text-soft">{words.check.away}</span>}
          </span>
          <span className="line-clamp-2 block text-sm leading-snug text-soft">
            {wants}
            {row.mark && `; ${inSentence(words.verdicts[row.mark.verdict])}, ${dayShort(row.mark.day)}`}
            {row.mark?.two_leaders && `; ${words.check.two}`}
          </span>
        </span>
        <ChevronRight aria-hidden className="size-5 shrink-0 text-soft" />
      </button>
      <PassButton of={row.name} busy={busy} onPass={onPass} />
    </li>
  );
}
