import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// Numbers of the job live in the core's packs. Only drawing and printing may do sums with lengths.
const noDomainSums = {
  selector:
    'BinaryExpression[operator=/^[*/+-]$/] > MemberExpression[property.name=/(_mm|_mm2|minutes_factor|half_life)/]',
  message: 'Sums with lengths and rules of the job belong in core/.',
};

// What is said stands in words/, where it can be said in another language.
const plainWords = [
  'JSXText',
  'JSXAttribute[name.name=/^(aria-\\w*label|aria-description|title|about|label|placeholder|alt)$/] > Literal',
].map((where) => ({ selector: `${where}[value=/\\p{L}{2}/u]`, message: 'What is said stands in words/.' }));

export default tseslint.config(
  {
    ignores: [
      'resources/js/api/schema.d.ts',
      'resources/js/words/messages.d.ts',
      'resources/js/api/limits.ts',
      'resources/js/drawing/look.ts',
      'public',
      'vendor',
      'node_modules',
    ],
  },
  ...tseslint.configs.strictTypeChecked,
  {
    files: ['resources/js/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { 'react-hooks': hooks },
    rules: {
      ...hooks.configs.recommended.rules,
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': [
        'error',
        { ignoreArrowShorthand: true, ignoreVoidReturningFunctions: true },
      ],
      '@typescript-eslint/consistent-type-definitions': 'off',
    },
  },
  {
    files: ['resources/js/**/*.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', noDomainSums, ...plainWords] },
  },
  {
    files: ['resources/js/{drawing,print}/**/*.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...plainWords] },
  },
  { files: ['*.js', '*.ts'], ...tseslint.configs.disableTypeChecked },
);
