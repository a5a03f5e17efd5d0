import AxeBuilder from '@axe-core/playwright';
import { type ConsoleMessage, type Page } from '@playwright/test';
import { expect, test as base } from './app';

/** Tests whose pages are looked at one after the other in one tab, which loads the application once. */
const test = base.extend<object, { shared: Page }>({
  shared: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' },
  ],
});

// Each worker has a shop of its own, so that both may look at once.
test.describe.configure({ mode: 'parallel' });

const job = '00000000-0000-4000-8000-000000002';
const views = [
  ['queue', '/'],
  ['take in', '/take-in'],
  ['bench', `/job/${job}002/bench`],
  ['power', `/job/${job}001/power`],
  ['survey', `/job/${job}001/survey`],
  ['map', `/job/${job}001/map`],
  ['inside a block', `/stage?job=${job}001&block=green`],
  ['what it is', `/job/${job}000/set`],
  ['repair', `/job/${job}004/repair`],
  ['close', `/job/${job}009/close`],
  ['notebook', '/notebook'],
  ['parts', '/parts'],
  ['shelf', '/shelf?q=680u'],
  ['what would do', '/shelf?q=for%20C%20680u%2050V%2012.5x25%2F5'],
  ['labels', '/shelf/labels'],
  ['settings', '/settings'],
  ['old notes', '/notebook/old'],
  ['report', '/notebook/00000000-0000-4000-8000-000000001000/report'],
  ['apart', `/job/${job}002/apart`],
  ['overhaul', `/job/${job}001/overhaul`],
  ['condition', `/job/${job}001/condition`],
  ['trace', `/job/${job}000/trace`],
  ['donors', '/donors'],
  ['kit', `/job/${job}000/kit`],
  ['set-up', `/job/${job}000/setup`],
  ['shape', `/job/${job}003/shape`],
  ['grey', `/job/${job}003/grey`],
  ['patterns', '/patterns'],
  ['stage', '/stage'],
  ['drills', '/practice'],
  ['hunt', '/practice/hunt'],
  ['week', '/week?of=2026-11-09'],
  ['compare', '/compare'],
  ['sheets', '/sheets'],
  ['sheet editor', '/sheets/generic-plasma?adopt=1'],
  ['note', '/notebook/00000000-0000-4000-8000-000000001000'],
] as const;

/** What is seriously wrong for those who see, hear or point otherwise. */
async function faults(builder: AxeBuilder): Promise<string[]> {
  const { violations } = await builder.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map(({ target, failureSummary }) => `${target.join(' ')} ${failureSummary}`).join(' | ')}`,
    );
}

for (const [name, path] of views)
  test(`${name}: no serious accessibility fault in either theme, nothing scrolls sideways`, async ({
    shared: page,
    demo,
  }) => {
    const errors: string[] = [];
    const said = (message: ConsoleMessage) => void (message.type() === 'error' && errors.push(message.text()));
    const thrown = (error: Error) => void errors.push(error.message);
    page.on('console', said).on('pageerror', thrown);
    await page.goto(`${demo.address}${path}`, { waitUntil: 'networkidle' });
    expect(await faults(new AxeBuilder({ page }))).toEqual([]);
    for (const width of [820, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      ).toBeLessThanOrEqual(0);
    }
    // Themes differ in nothing but colour.
    await page.getByRole('button', { name: 'Dark room' }).click();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    expect(await faults(new AxeBuilder({ page }).withRules(['color-contrast']))).toEqual([]);
    await page.getByRole('button', { name: 'Bench lamp' }).click();
    expect(errors).toEqual([]);
    page.off('console', said).off('pageerror', thrown);
  });

test('the bench fits a screen of 1280 by 800 without scrolling', async ({ page, demo }) => {
  await page.goto(`${demo.address}/job/${job}000/bench`, { waitUntil: 'networkidle' });
  expect(
    await page.evaluate(() => document.documentElement.scrollHeight - document.documentElement.clientHeight),
  ).toBeLessThanOrEqual(0);
});

test('the finder opens by keyboard and goes to a set and to a note', async ({ page, demo }) => {
  await page.goto(demo.address, { waitUntil: 'networkidle' });
  await page.keyboard.press('Control+k');
  await page.keyboard.type('ballroom');
  await expect(page.getByRole('option', { name: /Ballroom plasma/ }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await page.waitForURL(/bench$/);
  // The pages of the open set are found as well.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('what it');
  await expect(page.locator('[cmdk-item][data-selected=true]')).toHaveText('What it is');
  await page.keyboard.press('Enter');
  await page.waitForURL(/set$/);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('posistor');
  await expect(page.getByRole('option', { name: /cracked/ })).toHaveCount(1);
});

test('what can be typed stands on one key, that of the page first, and gives the focus back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/job/${job}001/survey`, { waitUntil: 'networkidle' });
  const entry = page.getByRole('textbox', { name: 'Part and reading' });
  await entry.focus();
  await page.keyboard.press('F1');
  const help = page.getByRole('dialog', { name: 'What can be typed' });
  await expect(help.getByRole('heading', { level: 2 }).first()).toHaveText('On every page of a job');
  await expect(help.getByRole('heading', { level: 2 }).nth(1)).toHaveText('Lines of the survey');
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
  await expect(entry).toBeFocused();
  // The reckoner gives it back as well.
  await page.keyboard.press('=');
  await expect(page.getByRole('dialog', { name: 'Reckoner' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(entry).toBeFocused();
});

test('the theme is kept', async ({ page, demo }) => {
  await page.goto(demo.address, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Dark room' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('the server draws both themes, each in its own colours whichever was asked for before', async ({
  browser,
  demo,
}) => {
  const colours = [];
  for (const theme of ['light', 'dark', 'light', 'dark']) {
    const context = await browser.newContext({ javaScriptEnabled: false });
    await context.addCookies([{ name: 'tovrik-theme', value: theme, url: demo.address }]);
    const page = await context.newPage();
    await page.goto(`${demo.address}/settings`);
    const button = page.locator('.ant-btn-primary').first();
    colours.push(await button.evaluate((element) => getComputedStyle(element).backgroundColor));
    await context.close();
  }
  expect(colours.slice(2)).toEqual(colours.slice(0, 2));
  expect(colours[0]).not.toBe(colours[1]);
});

test('every page of the scenario’s sets opens, whatever step they are at', async ({ request, demo }) => {
  for (let index = 0; index < 12; index += 1) {
    for (const step of ['bench', 'set', 'repair', 'close']) {
      const response = await request.get(`${demo.address}/job/${job}${String(index).padStart(3, '0')}/${step}`);
      expect(response.status()).toBe(200);
    }
  }
  expect((await request.get(`${demo.address}/job/nobody/bench`)).status()).toBe(404);
});

test('long names neither burst their frame nor push the state band off', async ({ page, app }) => {
  const long = 'The second of the two arrivals boards over the upper platform, left of the clock';
  await page.goto(`${app.address}/take-in`);
  await page.getByLabel('Name of the set').fill(long);
  await page.getByLabel('Where it lives').fill('The covered way between the winding house and the upper station');
  await page.getByLabel('In the owner’s words').fill('It flickers when it rains. '.repeat(40));
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/bench$/);
  for (const path of [page.url(), app.address, page.url().replace('bench', 'repair')]) {
    await page.goto(path, { waitUntil: 'networkidle' });
    for (const width of [1280, 1024, 820]) {
      await page.setViewportSize({ width, height: 800 });
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      ).toBeLessThanOrEqual(0);
      await expect(page.getByText(long).first()).toBeVisible();
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByText('UNPLUGGED, NOT PROVEN')).toBeInViewport();
});

test('a set is put aside for a part and taken up again', async ({ page, demo }) => {
  await page.goto(`${demo.address}/job/${job}003/repair`, { waitUntil: 'networkidle' });
  await page.getByLabel('What it waits for').selectOption('Waits for a part');
  await page.getByLabel('What exactly').fill('100u 50V');
  await page.getByLabel('Until').fill('2026-12-24');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('It is put aside.')).toBeVisible();
  await page.goto(demo.address);
  await expect(page.getByRole('link', { name: /Penny-arcade cabinet 3/ })).toContainText(
    'Waits for a part100u 50V, until 2026-12-24',
  );
});
