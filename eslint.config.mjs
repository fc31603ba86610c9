import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/*
 * Imports go one way, lowest layer first. A folder may import from its own row and from rows above it in this list
 * (that is: from lower layers), never from rows below. docs/architecture.md shows the same order as a picture.
 */
const coreLayers = [
  ['base'],
  ['time'],
  ['smf', 'instruments'],
  ['score', 'performance'],
  ['musicxml', 'casting'],
  ['to-score', 'to-sequencer'],
  ['proof'],
  ['job'],
];
const outerLayers = ['core', 'workers|storage', 'ui', 'app'];

const forbid = (names, message) => ({
  'no-restricted-imports': ['error', { patterns: [{ regex: `(^|/)(${names.join('|')})(/|$)`, message }] }],
});

const coreRules = coreLayers.map((folders, row) => ({
  files: folders.map((folder) => `src/core/${folder}/**/*.ts`),
  ignores: ['**/*.test.ts'],
  rules: forbid(
    [
      ...coreLayers
        .slice(row + 1)
        .flat()
        .map((name) => `\\.\\./${name}|core/${name}`),
      'workers',
      'storage',
      'ui',
      'app',
      'react',
      'next',
      'dexie',
      'antd',
    ],
    'Imports go one way (see eslint.config.mjs): this layer is higher than yours.',
  ),
}));

const outerRules = outerLayers
  .slice(0, -1)
  .map((folder, row) => ({
    files: folder
      .split('|')
      .filter((name) => name !== 'core')
      .map((name) => `src/${name}/**/*.{ts,tsx}`),
    rules: forbid(
      outerLayers
        .slice(row + 1)
        .flatMap((name) => name.split('|'))
        .map((name) => `@/${name}`),
      'Imports go one way: ui → workers and storage → core.',
    ),
  }))
  .filter(({ files }) => files.length > 0);

export default tseslint.config(
  { ignores: ['node_modules/', '.next/', 'public/', 'next-env.d.ts', 'test-results/', '.shots/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-undef': 'off',
    },
  },
  { files: ['src/**/*.{ts,tsx}'], plugins: { 'react-hooks': hooks }, rules: hooks.configs.recommended.rules },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'Date',
        'localStorage',
        'navigator',
        'indexedDB',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness comes from a seed.' },
      ],
    },
  },
  ...coreRules,
  ...outerRules,
);
