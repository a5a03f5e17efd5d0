import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { type Page, test as base } from '@playwright/test';
import { demoTemplate } from './globalSetup';

/** A running application on its own database. */
export interface App {
  readonly address: string;
  readonly database: string;
  kill(): void;
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** Starts the built application; the port may be asked for, to come back where one was killed. */
export async function startApp(
  database: string,
  port?: number,
  simulatedMeter = true,
  /** As a server that other devices reach is told it. */
  door: { readonly TOVRIK_CODE?: string; readonly TOVRIK_HOSTS?: string } = {},
): Promise<App & { readonly port: number }> {
  const at = port ?? (await freePort());
  const child: ChildProcess = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(at)],
    {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        ...door,
        TOVRIK_DB: database,
        TOVRIK_SIMULATED_METER: simulatedMeter ? '1' : '',
        NODE_ENV: 'production',
      },
    },
  );
  const address = `http://127.0.0.1:${at}`;
  for (let tries = 0; tries < 200; tries += 1) {
    if (
      await fetch(`${address}/${door.TOVRIK_CODE === undefined ? 'notebook' : 'enter'}`).then(
        (response) => response.ok,
        () => false,
      )
    )
      return { address, database, port: at, kill: () => child.kill('SIGKILL') };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`the application did not answer at ${address}`);
}

export function emptyDatabase(): string {
  return path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-')), 'tovrik.db');
}

function demoDatabase(): string {
  const file = emptyDatabase();
  copyFileSync(demoTemplate, file);
  return file;
}

/** Has a page wait, whenever it is loaded, until what is pressed is heard; papers and files have nothing to press. */
export function awaited(page: Page): Page {
  const { goto, reload } = page;
  const awake = async <Answer>(answer: Answer) => {
    if ((await page.locator('script').count()) > 0)
      await page.waitForSelector('html[data-awake]', { state: 'attached' });
    return answer;
  };
  page.goto = async (...to) => awake(await goto.apply(page, to));
  page.reload = async (...how) => awake(await reload.apply(page, how));
  return page;
}

/** Tests with an application of their own per worker: on an empty database, or on the demo's. */
export const test = base.extend<object, { app: App; demo: App }>({
  page: ({ page }, give) => give(awaited(page)),
  app: [
    async ({}, use) => {
      const app = await startApp(emptyDatabase());
      await use(app);
      app.kill();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  demo: [
    async ({}, use) => {
      const app = await startApp(demoDatabase());
      await use(app);
      app.kill();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
});

export { expect } from '@playwright/test';
