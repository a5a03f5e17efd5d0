import { readFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { type Page } from '@playwright/test';
import { saved, takeIn, type } from './bench';
import { awaited, emptyDatabase, expect, startApp, test } from './app';

/** What a page asks for when it does something of a name: its id in the build. */
function actionOf(name: string): string {
  const { node } = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as {
    node: Record<string, { exportedName: string }>;
  };
  return Object.keys(node).find((id) => node[id]!.exportedName === name)!;
}

/** The status of a request that carries a host of its own choice. */
const statusFor = (address: string, host: string, method = 'GET'): Promise<number> =>
  new Promise((resolve, reject) => {
    httpRequest(`${address}/notebook`, { method, headers: { host, origin: `http://${host}` } }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    })
      .on('error', reject)
      .end();
  });

test('a name that was made to lead here is refused, as are frames and scripts of others', async ({ page, app }) => {
  const { host } = new URL(app.address);
  expect(await statusFor(app.address, host)).toBe(200);
  expect(await statusFor(app.address, 'evil.example')).toBe(421);
  expect(await statusFor(app.address, `evil.example:${host.split(':')[1]}`, 'POST')).toBe(421);
  const problems: string[] = [];
  page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
  const answer = await page.goto(`${app.address}/take-in`);
  const headers = answer!.headers();
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['referrer-policy']).toBe('same-origin');
  expect(problems).toEqual([]);
});

test('a server that others reach lets a browser in by its code, and all out again', async ({ browser }) => {
  const app = await startApp(emptyDatabase(), undefined, false, { TOVRIK_CODE: '12345678' });
  const [one, other] = [await browser.newContext(), await browser.newContext()];
  const [first, second] = [await one.newPage(), await other.newPage()].map(awaited) as [Page, Page];
  expect((await fetch(`${app.address}/api/find?q=a`)).status).toBe(401);
  await first.goto(`${app.address}/take-in`);
  await expect(first).toHaveURL(/\/enter$/);
  await first.getByLabel('Code', { exact: true }).fill('87654321');
  await first.keyboard.press('Enter');
  await expect(first.getByRole('alert').filter({ hasText: 'not the code' })).toBeVisible();
  await first.getByLabel('Code', { exact: true }).fill('12345678');
  await first.keyboard.press('Enter');
  await expect(first).toHaveURL(`${app.address}/`);
  await second.goto(app.address);
  await expect(second).toHaveURL(/\/enter$/);
  await first.goto(`${app.address}/enter`);
  await expect(first.getByText('12345678')).toBeVisible();
  await first.getByRole('button', { name: 'Everybody out' }).click();
  await first.goto(`${app.address}/notebook`);
  await expect(first).toHaveURL(/\/enter$/);
  app.kill();
});

test('a second device joins a job by an invitation, and both show one log', async ({ browser }) => {
  const app = await startApp(emptyDatabase(), undefined, false, {
    TOVRIK_CODE: '12345678',
    TOVRIK_HOSTS: '192.168.7.20',
  });
  const [one, other] = [await browser.newContext(), await browser.newContext()];
  const [bench, tablet] = [await one.newPage(), await other.newPage()].map(awaited) as [Page, Page];
  await bench.goto(`${app.address}/enter`);
  await bench.getByLabel('Code', { exact: true }).fill('12345678');
  await bench.keyboard.press('Enter');
  await expect(bench).toHaveURL(`${app.address}/`);
  await takeIn(bench, app.address, 'Halvane HP-42', 'Two screens', ['Upper half dark']);
  await bench.keyboard.press('Alt+p');
  await saved(bench);
  const job = bench.url().replace(/\/bench.*/, '');
  await bench.goto(`${job}/second`);
  const invited = await bench.getByRole('link', { name: 'Large figures' }).getAttribute('href');
  // The address is that of the network; the test has the machine alone.
  const link = invited!.replace(/^http:\/\/192\.168\.7\.20:\d+/, app.address);
  await tablet.goto(link);
  await expect(tablet).toHaveURL(`${job}/bench?large`);
  const large = tablet.getByRole('dialog', { name: 'Large figures' });
  await expect(large).toContainText('LIVE');
  await bench.goto(`${job}/bench`);
  await type(bench, 'vs 187');
  await saved(bench);
  await expect(large).toContainText('187');
  // And the other way round: what is said on the tablet stands at the bench.
  await tablet.keyboard.press('Escape');
  await type(tablet, 'va 63');
  await expect(bench.getByTestId('readings')).toHaveAttribute('data-count', '2');
  // An invitation is spent by whom it let in.
  const third = awaited(await (await browser.newContext()).newPage());
  await third.goto(link);
  await expect(third.getByRole('alert').filter({ hasText: 'used or too old' })).toBeVisible();
  app.kill();
});

test('a pupil comes to the hunt of his class by its code, and to nothing else of the shop', async ({ browser }) => {
  const app = await startApp(emptyDatabase(), undefined, false, { TOVRIK_CODE: '12345678' });
  const [one, other] = [await browser.newContext(), await browser.newContext()];
  const [teacher, pupil] = [await one.newPage(), await other.newPage()].map(awaited) as [Page, Page];
  await teacher.goto(`${app.address}/enter`);
  await teacher.getByLabel('Code', { exact: true }).fill('12345678');
  await teacher.keyboard.press('Enter');
  await expect(teacher).toHaveURL(`${app.address}/`);
  await teacher.goto(`${app.address}/practice/room`);
  await teacher.getByRole('button', { name: 'Open a room' }).click();
  const code = await teacher.getByTestId('room-code').innerText();
  // The code of a room that is not open lets nobody in.
  await pupil.goto(`${app.address}/practice/hunt?room=AAAAA`);
  await expect(pupil.getByRole('alert').filter({ hasText: 'no class has that code' })).toBeVisible();
  await pupil.getByLabel('Code of the class').fill(code.toLowerCase());
  await pupil.keyboard.press('Enter');
  await expect(pupil).toHaveURL(`${app.address}/practice/hunt?room=${code}`);
  await expect(pupil.getByRole('navigation', { name: 'Places' })).toHaveCount(0);
  await pupil.getByLabel('Your name').fill('Ann');
  await pupil.getByRole('button', { name: 'Join' }).click();
  await expect(teacher.getByRole('rowheader', { name: 'Ann' })).toBeVisible();
  // Neither a page nor what another page could ask for is his, by whatever address he asks.
  const asksFor = (page: Page, path: string, action: string) =>
    page.evaluate(
      async ([to, id]) => {
        const answer = await fetch(to, { method: 'POST', body: '[false]', headers: { 'next-action': id } });
        return { status: answer.status, found: /"done":/.test(await answer.text()) };
      },
      [path, action] as const,
    );
  const look = actionOf('lookOver');
  expect(await asksFor(teacher, '/settings', look)).toEqual({ status: 200, found: true });
  expect(await asksFor(pupil, '/settings', look)).toEqual({ status: 401, found: false });
  expect(await asksFor(pupil, '/practice/hunt', look)).toMatchObject({ found: false });
  expect(await pupil.evaluate(() => fetch('/api/find?q=a').then(({ status }) => status))).toBe(401);
  await pupil.goto(`${app.address}/notebook`);
  await expect(pupil).toHaveURL(/\/enter$/);
  await expect(pupil.getByText('This browser is in a class')).toBeVisible();
  app.kill();
});

test('the theme is that of the system until one is chosen', async ({ browser, app }) => {
  const context = await browser.newContext({ colorScheme: 'dark' });
  const page = awaited(await context.newPage());
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
  await page.goto(`${app.address}/notebook`);
  await expect.poll(theme).toBe('dark');
  await page.emulateMedia({ colorScheme: 'light' });
  await expect.poll(theme).toBe('light');
  await page.getByRole('button', { name: 'Dark room' }).click();
  await page.emulateMedia({ colorScheme: 'light' });
  await page.reload();
  expect(await theme()).toBe('dark');
  await context.close();
});
