import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';

/** The demo's database as it is seeded, made once a run and copied by each worker that wants it. */
export const demoTemplate = path.resolve('.tovrik', 'e2e-demo.db');

export default function seedOnce(): void {
  mkdirSync(path.dirname(demoTemplate), { recursive: true });
  for (const suffix of ['', '-wal', '-shm']) rmSync(`${demoTemplate}${suffix}`, { force: true });
  const { status } = spawnSync(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', 'src/cli/seedDemo.ts', demoTemplate],
    {
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  if (status !== 0) throw new Error('seeding the demo failed');
}
