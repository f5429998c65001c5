import boundaries from 'eslint-plugin-boundaries';
import tseslint from 'typescript-eslint';

// What the rooms share, the lowest first, and those each of them may use.
const shared = {
  api: [],
  words: [],
  ui: ['api', 'words'],
  drawing: ['api', 'words'],
  space: ['api', 'drawing', 'words'],
  outbox: ['api', 'ui', 'words'],
  device: ['api', 'outbox'],
};

// A room may use what is shared, and these rooms besides; the shell opens all of them.
const rooms = {
  account: [],
  along: [],
  awards: ['crew', 'handout'],
  bench: [],
  cards: [],
  check: [],
  course: [],
  crew: ['check'],
  demonstrate: [],
  handout: [],
  host: [],
  house: [],
  knots: [],
  pack: [],
  practice: ['demonstrate'],
  print: [],
  session: ['course'],
  setup: ['along', 'crew'],
  shell: [
    'account',
    'along',
    'awards',
    'bench',
    'cards',
    'check',
    'course',
    'crew',
    'demonstrate',
    'handout',
    'host',
    'house',
    'knots',
    'pack',
    'practice',
    'print',
    'session',
    'setup',
  ],
};

const allowed = { ...shared };
for (const [room, others] of Object.entries(rooms)) allowed[room] = [...Object.keys(shared), ...others];

export default tseslint.config({
  files: ['resources/js/**/*.{ts,tsx}'],
  ignores: [
    'resources/js/api/schema.d.ts',
    'resources/js/words/messages.d.ts',
    'resources/js/api/limits.ts',
    'resources/js/drawing/look.ts',
  ],
  languageOptions: { parser: tseslint.parser },
  // Comments that switch other rules off are no matter here.
  linterOptions: { reportUnusedDisableDirectives: 'off' },
  plugins: { boundaries },
  settings: {
    'boundaries/elements': Object.keys(allowed).map((type) => ({ type, pattern: `resources/js/${type}` })),
    'import/resolver': { node: { extensions: ['.ts', '.tsx'] } },
  },
  rules: {
    'boundaries/dependencies': [
      'error',
      {
        default: 'disallow',
        policies: [
          ...Object.keys(allowed).map((type) => ({
            from: { element: { type } },
            allow: { to: { element: { types: { anyOf: [type, ...allowed[type]] } } } },
          })),
          { allow: { to: { module: { origin: 'external' } } } },
        ],
      },
    ],
  },
});
