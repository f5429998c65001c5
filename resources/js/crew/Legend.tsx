import type { Schemas } from '../api/client';
import { Mark } from '../drawing/Mark';
import { words } from '../words';

const clean: Schemas['Mark'] = {
  level: 'has_it',
  verdict: 'has_it',
  tying: 'yes',
  dressing: 'yes',
  tail: 'yes',
  prompts: 0,
  day: '2000-01-01',
  due: false,
  chance: 1,
  two_leaders: false,
};

const SAMPLES: readonly (readonly [keyof typeof words.crew.legendItems, Schemas['Mark'] | null])[] = [
  ['rope', clean],
  ['kept', { ...clean, level: 'kept' }],
  ['due', { ...clean, due: true }],
  ['help', { ...clean, level: 'with_help', verdict: 'with_help', prompts: 1 }],
  ['broken', { ...clean, level: 'seen', verdict: 'tidy_it', dressing: 'no' }],
  ['dotted', { ...clean, level: 'seen', verdict: 'incomplete', tail: 'not_looked' }],
  ['none', null],
];

export function Legend() {
  return (
    <details className="max-w-4xl">
      <summary className="min-h-12 content-center font-semibold">{words.crew.legend}</summary>
      <ul className="grid gap-2 sm:grid-cols-2">
        {SAMPLES.map(([key, mark]) => (
          <li key={key} className="flex items-center gap-3">
            <Mark mark={mark} label="" size={32} />
            {words.crew.legendItems[key]}
          </li>
        ))}
      </ul>
    </details>
  );
}
