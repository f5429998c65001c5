import learners from '../../../packs/words/learners.json';
import { sentence } from '../words/format';

// Longest first, so that a whole term goes before a part of it.
const TERMS = Object.entries(learners.terms).sort(([a], [b]) => b.length - a.length);
const FOUND = new RegExp(`\\b(${TERMS.map(([term]) => term).join('|')})\\b`, 'gi');
const SAID = new Map(TERMS);

/** A sentence in learners' words. */
export function forLearners(text: string): string {
  return text.replace(FOUND, (term) => {
    const said = SAID.get(term.toLowerCase()) ?? term;
    return term.startsWith(term.charAt(0).toUpperCase()) && term.charAt(0) !== term.charAt(0).toLowerCase()
      ? sentence(said)
      : said;
  });
}
