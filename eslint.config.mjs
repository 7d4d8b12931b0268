import prettier from 'eslint-config-prettier';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { positional } from './scripts/lint/positional.mjs';

/** Engines differ in the last bits of these; core/math/trig.ts has our own. */
const UNSTEADY = [
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'exp',
  'log',
  'log2',
  'log10',
  'pow',
  'hypot',
  'cbrt',
  'random',
];

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/dist-types/**',
      '**/node_modules/**',
      'data/**',
      'e2e/results/**',
      'e2e/report/**',
      'bench/out/**',
      'packages/core/types/**',
      'packages/fonts/src/shipped.ts',
      '**/*.mjs',
      '**/*.js',
      '**/*.config.ts',
    ],
  },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    languageOptions: {
      parserOptions: {
        projectService: false,
        project: ['tsconfig.lint.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    plugins: { fictile: { rules: { positional } } },
    rules: {
      'fictile/positional': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      eqeqeq: 'error',
      'max-lines': ['error', { max: 450, skipBlankLines: true }],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'no-console': 'error',
    },
  },
  {
    files: ['packages/core/**', 'bench/**'],
    rules: { 'fictile/positional': ['error', { runs: true }] },
  },
  {
    files: ['packages/web/**/*.tsx', 'packages/web/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/testing/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...UNSTEADY.map((property) => ({
          object: 'Math',
          property,
          message: 'Engines differ here: use core/math, or a seeded random.',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "BinaryExpression[operator='**']:not([left.value=2])",
          message: 'Powers differ between engines: multiply.',
        },
      ],
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'self', 'fetch', 'performance', 'Date'],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '^node:', message: 'core runs in browsers, too.' },
            { regex: '^(three|react|express)', message: 'core knows no interface.' },
          ],
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', '**/testing/**', 'e2e/**', 'bench/**', 'scripts/**'],
    rules: { 'max-lines-per-function': 'off', 'no-console': 'off', '@typescript-eslint/no-floating-promises': 'off' },
  },
  prettier,
);
