import { words } from './index';
import { inSentence, listOf } from './format';

/** " by Maren", after what somebody did; nothing where nobody is named. */
export const by = (name: string | null): string => (name === null ? '' : ` ${words.awards.by({ name })}`);

/** A day, and the place where it was. */
export const dayAt = (day: string, place: string | null): string =>
  place === null ? day : words.awards.at({ day, place });

/** What would meet the one thing a badge still needs: this, that, or something else. */
export const needs = (acts: Act[]): string => words.awards.needs({ parts: listOf(acts.map(act), 'disjunction') });

type Act = { knot: string | null; name: string | null; key: string | null; words: string | null };

function act({ knot, name, key, words: text }: Act): string {
  const said = inSentence(name ?? '');
  if (key === null) return said;
  if (knot === null) return text ?? '';
  return text === null ? words.awards.act.used({ knot: said }) : words.awards.act.usedFor({ knot: said, words: text });
}
