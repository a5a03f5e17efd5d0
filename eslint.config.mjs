import next from 'eslint-config-next';
import typescript from 'eslint-config-next/typescript';

// Which room may know which is held by .dependency-cruiser.mjs.
const config = [
  { ignores: ['.next/**', 'node_modules/**', 'data/**', '.tovrik/**', 'next-env.d.ts', 'test-results/**'] },
  ...next,
  ...typescript,
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core is pure: take the time as an argument.' },
        { object: 'Math', property: 'random', message: 'core is pure: take the random source as an argument.' },
      ],
    },
  },
  {
    // A worker is a thin shell: what it works out is core's.
    files: ['src/workers/*.worker.ts'],
    rules: { 'max-lines': ['error', { max: 60, skipBlankLines: true, skipComments: true }] },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-duplicate-imports': 'error',
    },
  },
];

export default config;
