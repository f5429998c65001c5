import type { Schemas } from '../api/client';
import { inSentence, sentence } from '../words/format';
import { words } from '../words';

type Mark = Schemas['Mark'];
type Seen = Pick<Mark, 'tying' | 'dressing' | 'tail' | 'prompts'>;

const PARTS = ['tying', 'dressing', 'tail'] as const;

/** One result's strands, those that there are. */
function partsOf(mark: Seen): string {
  const said = PARTS.map((part) => {
    const seen = mark[part];
    if (seen === 'not_applicable') return null;
    return words.mark.parts[part][seen === 'yes' && mark.prompts > 0 ? 'with_help' : seen];
  });
  return said.filter((one) => one !== null).join(', ');
}

/** What was seen in one check. */
export const seenWords = (check: Seen): string => words.mark.seen({ parts: sentence(partsOf(check)) });

/**
 * A mark in words, for those who do not see it. Once a level is reached it stays, so a later stumble is said as such; of
 * a knot that was never met there is no mark.
 */
export function markWords(mark: Mark | null): string {
  if (mark === null) return words.crew.none;
  const { levels } = words.mark;
  const reached = mark.level !== null && mark.level !== 'seen' && mark.level !== 'with_help';
  const level = reached
    ? levels[mark.level === 'kept' ? 'kept' : 'has_it']
    : levels[mark.level === 'with_help' ? 'with_help' : mark.verdict === 'incomplete' ? 'begun' : 'not_yet'];
  const said = { level, parts: partsOf(mark) };
  if (reached && mark.verdict !== 'has_it') return mark.due ? words.mark.stumbledDue(said) : words.mark.stumbled(said);
  return mark.due ? words.mark.nowDue(said) : words.mark.now(said);
}

/** The same, with the knot it is of. */
export const markOf = (knot: string, mark: Mark | null): string =>
  words.mark.of({ knot, mark: inSentence(markWords(mark)) });
