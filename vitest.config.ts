import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const core = 'src/core/**/*.test.ts';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    environment: 'node',
    setupFiles: 'tests/fixtures/drawnInputs.ts',
    testTimeout: 120_000,
    // The default leaves one core idle, half of a small machine.
    maxWorkers: '100%',
    projects: [
      // Nothing in the core keeps a state of its own: its tests share the modules and what these have worked out.
      { extends: true, test: { name: 'core', include: [core], isolate: false } },
      {
        extends: true,
        test: {
          name: 'rest',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
          exclude: [core],
        },
      },
    ],
  },
});
