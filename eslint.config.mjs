import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

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
  {
    // With types: what only the compiler knows. Places from before a rule stand in eslint-suppressions.json, by file.
    files: ['{src,bench,e2e,demo,fuzz}/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-unsafe-type-assertion': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      'no-nested-ternary': 'error',
      complexity: ['error', 20],
    },
  },
  {
    // Readings of what tests expect need no word of reason.
    files: ['**/*.test.{ts,tsx}', 'src/testing/**', 'e2e/**', 'bench/**', 'fuzz/**'],
    rules: { '@typescript-eslint/no-unsafe-type-assertion': 'off' },
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
);
