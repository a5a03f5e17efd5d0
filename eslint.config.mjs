import next from 'eslint-config-next';
import typescript from 'eslint-config-next/typescript';
import boundaries from 'eslint-plugin-boundaries';

/** Layers from the top down; each may import itself and those its `uses` names. */
const layers = {
  app: ['features', 'ui', 'core'],
  cli: ['demo', 'store', 'sheets', 'core'],
  bench: ['demo', 'store', 'sheets', 'core'],
  demo: ['store', 'sheets', 'core'],
  features: ['ui', 'store', 'instruments', 'workers', 'sheets', 'core'],
  workers: ['core'],
  instruments: ['core'],
  store: ['core'],
  sheets: ['core'],
  ui: ['core'],
  core: [],
};

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'data/**', '.tovrik/**', 'next-env.d.ts', 'test-results/**'] },
  ...next,
  ...typescript,
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { boundaries },
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    settings: {
      'boundaries/elements': Object.keys(layers).map((type) => ({ type, pattern: `src/${type}/**`, partialMatch: false })),
      'import/resolver': { typescript: { alwaysTryTypes: true } },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          message: '{{ from.element.type }} may not import {{ to.element.type }}: imports run downwards only',
          policies: Object.entries(layers).map(([from, uses]) => ({
            from: { element: { type: from } },
            allow: { to: { element: { type: [from, ...uses] } } },
          })),
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['react', 'react-dom', 'next', 'next/*', 'antd', 'knex', 'better-sqlite3', 'node:*', 'fs', 'path'],
              message: 'core has no interface, database or framework code.',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core is pure: take the time as an argument.' },
        { object: 'Math', property: 'random', message: 'core is pure: take the random source as an argument.' },
      ],
    },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
    },
  },
];

export default config;
