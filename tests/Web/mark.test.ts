import { expect, it } from 'vitest';
import type { Schemas } from '../../resources/js/api/client';
import { markOf, markWords, seenWords } from '../../resources/js/drawing/markWords';

const clean: Schemas['Mark'] = {
  level: 'has_it',
  verdict: 'has_it',
  tying: 'yes',
  dressing: 'yes',
  tail: 'yes',
  prompts: 0,
  day: '2026-11-24',
  due: false,
  chance: 1,
  two_leaders: false,
};
const notLooked = { dressing: 'not_looked', tail: 'not_looked' } as const;

it.each<[string, Partial<Schemas['Mark']>, string]>([
  ['clean', {}, 'Has it: tying right, dressing right, tail right.'],
  ['kept and fading', { level: 'kept', due: true }, 'Kept: tying right, dressing right, tail right; due again.'],
  [
    'a stumble after having it',
    { verdict: 'tidy_it', dressing: 'no', tail: 'not_looked' },
    'Has it; last time tying right, dressing not right yet, tail not looked at.',
  ],
  [
    'a stumble, and fading',
    { level: 'teaches_it', verdict: 'tie_again', tying: 'no', ...notLooked, due: true },
    'Has it; last time tying not right yet, dressing not looked at, tail not looked at; due again.',
  ],
  [
    'with help',
    { level: 'with_help', verdict: 'with_help', tail: 'not_applicable', prompts: 1 },
    'With help: tying right with help, dressing right with help.',
  ],
  [
    'not yet',
    { level: 'seen', verdict: 'tie_again', tying: 'no', ...notLooked },
    'Not yet: tying not right yet, dressing not looked at, tail not looked at.',
  ],
  [
    'begun',
    { level: null, verdict: 'incomplete', dressing: 'not_looked' },
    'Begun: tying right, dressing not looked at, tail right.',
  ],
])('says a mark as it is: %s', (_, other, words) => {
  expect(markWords({ ...clean, ...other })).toBe(words);
});

it('says what was seen in one check, and what a knot has that was never met', () => {
  expect(seenWords({ ...clean, tail: 'no' })).toBe('Tying right, dressing right, tail not right yet.');
  expect(markWords(null)).toBe('not met yet');
  expect(markOf('Bowline', clean)).toBe('Bowline: has it: tying right, dressing right, tail right.');
});
