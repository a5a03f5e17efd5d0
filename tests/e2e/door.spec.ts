import { request as httpRequest } from 'node:http';
import { type Page } from '@playwright/test';
import { awaited, emptyDatabase, expect, startApp, test } from './app';

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
  await first.getByLabel('Code').fill('87654321');
  await first.keyboard.press('Enter');
  await expect(first.getByRole('alert').filter({ hasText: 'not the code' })).toBeVisible();
  await first.getByLabel('Code').fill('12345678');
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
