import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import { defineConfig, globalIgnores } from 'eslint/config';
import tseslint from 'typescript-eslint';

/** Names of what is shown: sentences are made last, and nothing is decided on them. */
const SHOWN =
  '/^(words|title|says|why|expect|reasons|remedy|caution[A-Z].*|thenCheck|doneLabel|wouldChange|hint|asks|described)$/';
const DECIDES =
  'decide on data, not on what is said of it: a reworded sentence must change nothing';

export default defineConfig(
  globalIgnores(['dist/', 'node_modules/', 'test-results/', '**/*.cjs']),
  js.configs.recommended,
  tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
  },
  {
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      // `onClick={() => void go()}` and `() => setOpen(true)` read better than a block each.
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      'max-params': ['error', { max: 5 }],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['core/**/*.ts', 'web/drawing/limb-curve.ts'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off', // indexed reads of arrays of known length
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'take a random source as an argument' },
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts', 'core/fixtures/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...['console', 'process', 'performance', 'Date', 'Intl', 'globalThis'].map((name) => ({
          name,
          message: 'core is pure: take what it gives as an argument',
        })),
        ...['setTimeout', 'setInterval', 'queueMicrotask', 'fetch', 'Buffer', 'crypto'].map(
          (name) => ({ name, message: 'core is pure: it neither waits nor reaches out' }),
        ),
      ],
    },
  },
  {
    files: ['{core,contract,server,web}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/fixtures/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: `BinaryExpression[operator=/^[!=]==?$/]:has(> MemberExpression[property.name=${SHOWN}]):has(> Literal[value=/.+/])`,
          message: DECIDES,
        },
        {
          selector: `SwitchStatement > MemberExpression.discriminant[property.name=${SHOWN}]`,
          message: DECIDES,
        },
        {
          selector: `CallExpression[callee.property.name=/^(includes|startsWith|endsWith|match|search|indexOf)$/][callee.object.property.name=${SHOWN}]`,
          message: DECIDES,
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts', 'bench/**/*.ts', '**/fixtures/**'],
    // A describe of a test file is a list of cases.
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    extends: [reactHooks.configs.flat.recommended],
    rules: { 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts', 'bench/**/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['**/*.{js,mjs}'],
    extends: [tseslint.configs.disableTypeChecked],
    languageOptions: {
      globals: {
        process: 'readonly',
        Buffer: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        performance: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
        document: 'readonly',
        requestAnimationFrame: 'readonly',
        MutationObserver: 'readonly',
        localStorage: 'readonly',
      },
    },
  },
);
