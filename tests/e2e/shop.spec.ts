import { readFileSync } from 'node:fs';
import { type Page } from '@playwright/test';
import { entry, saved, takeIn } from './bench';
import { emptyDatabase, expect, startApp, test } from './app';

/** The sets on the queue and the causes in the notebook, as they stand on the page. */
async function screens(page: Page, address: string) {
  await page.goto(address);
  await expect(page.getByRole('heading', { name: /in the house/ })).toBeVisible();
  const queue = await page.locator('main li a b').allInnerTexts();
  await page.goto(`${address}/notebook`);
  const notes = await page.getByTestId('notes').locator('b').allInnerTexts();
  await page.goto(`${address}/shelf`);
  const shelf = await page.locator('main').innerText();
  return { queue, notes, shelf };
}

test('a shop goes out into a file and comes back in an empty one, screen for screen', async ({ page, demo }) => {
  const was = await screens(page, demo.address);
  await page.goto(`${demo.address}/settings`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Everything, as a file' }).click(),
  ]);
  const zip = await download.path();
  const other = await startApp(emptyDatabase());
  await page.goto(`${other.address}/settings`);
  const input = page.locator('input[type=file]');
  await input.setInputFiles({
    name: 'broken.zip',
    mimeType: 'application/zip',
    buffer: readFileSync(zip).subarray(0, 9000),
  });
  await expect(page.locator('p[role=alert]')).toHaveText(/not an archive that can be read/);
  await input.setInputFiles({ name: 'shop.zip', mimeType: 'application/zip', buffer: readFileSync(zip) });
  await expect(page.getByText(/shop.zip adds \d+ sets/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText(/^Taken in: \d+ sets/)).toBeVisible();
  expect(await screens(page, other.address)).toEqual(was);
  other.kill();
});

test('a copy is gone back to, and what was there is kept; the data are looked over', async ({ page }) => {
  const app = await startApp(emptyDatabase());
  await page.goto(`${app.address}/settings`);
  await page.getByLabel('Name, for reports and labels').fill('Winding house');
  await page.getByRole('button', { name: /^Keep/ }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByRole('button', { name: 'Copy now' }).click();
  await expect(page.getByText('Copied, and read from end to end.')).toBeVisible();
  await takeIn(page, app.address, 'Halvane HP-42', 'After the copy', ['Upper half dark']);
  await page.goto(`${app.address}/settings`);
  await page.getByRole('button', { name: 'Go back to it' }).click();
  await page.getByRole('button', { name: 'Yes, back to it' }).click();
  await expect(page.getByText(/what was there is kept as tovrik\.db\.before/)).toBeVisible();
  await expect(page.getByLabel('Name, for reports and labels')).toHaveValue('Winding house');
  await page.getByRole('button', { name: 'Look it over' }).click();
  await expect(page.getByText('every page can be read')).toBeVisible();
  await page.goto(app.address);
  await expect(page.getByText('No set is waiting')).toBeVisible();
  app.kill();
});

test('a set that comes back stands beside its former job', async ({ page, demo }) => {
  await page.goto(`${demo.address}/notebook?q=IC501%20short`);
  await page.getByTestId('notes').locator('a').first().click();
  const title = /^[^,·]+/.exec(await page.locator('main p.soft').first().innerText())![0].trim();
  await page.getByRole('link', { name: 'It came back', exact: true }).click();
  await expect(page.getByText(/It was here before, until/)).toBeVisible();
  await expect(page.getByLabel('Name of the set')).toHaveValue(title);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  const back = page.getByRole('link', { name: 'Back again' });
  await expect(back).toHaveAttribute('title', /Closed .*IC501/);
  await back.click();
  await expect(page.getByRole('link', { name: 'It came back: that job' })).toBeVisible();
  await page.getByRole('link', { name: 'Report and label' }).click();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('article', { name: 'Report' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
});

test('a note from paper comes in, and is found at the bench by its value and by a misspelt word', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/notebook/old`);
  await page.getByLabel('Day, month or year').fill('31.4.2009');
  await page.getByLabel('What it was').fill('C547 dried out, 100µF 35V read 9 Ω');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText(/"31.4.2009" is no day/)).toBeVisible();
  await page.getByLabel('Day, month or year').fill('2009-05');
  await page.getByLabel('Sheet', { exact: true }).selectOption({ label: 'Halvane HP-42' });
  await page.getByLabel('To remember').fill('the grey wire hides behind the heat sink');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('1 note is in the notebook, 1 counted for the next of the kind.')).toBeVisible();

  await takeIn(page, app.address, 'Halvane HP-42', 'Found by paper', ['Upper half dark']);
  await page.keyboard.press('Control+k');
  const finder = page.getByPlaceholder('A set, a symptom, a part, a command');
  await finder.fill('100uf');
  await expect(page.getByRole('option', { name: /C547 dried out/ })).toBeVisible();
  await finder.fill('heatsinc grey');
  await page.keyboard.press('Escape');
  await page.goto(`${app.address}/notebook?q=grey%20behnid`);
  await expect(page.getByRole('status')).toContainText('1 note for “grey behind”: nothing holds “grey behnid”');
});

test('a set is taken apart by the keyboard and put together from the last step to the first', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'In pieces', ['Upper half dark']);
  const job = /\/job\/[^/]+/.exec(page.url())![0];
  await page.goto(`${app.address}${job}/apart`);
  const line = page.getByLabel('What comes off');
  for (const typed of ['s 12 long black, round the back', 'g 6 frame screws with toothed washers', 'n mind the neck']) {
    await line.fill(typed);
    await line.press('Enter');
  }
  await line.press('Enter');
  const steps = page.getByTestId('steps').locator('li');
  await expect(steps).toHaveCount(4);
  await expect(steps.last()).toContainText('CN801');
  await line.fill('s');
  await line.press('Enter');
  await expect(page.locator('p[role=alert]')).toContainText('say what it is');
  await saved(page);

  await page.goto(`${app.address}${job}/power`);
  await expect(page.getByText(/Not back yet: cable: CN801.*6 grounds: frame screws/)).toBeVisible();
  await page.goto(`${app.address}${job}/apart`);
  await page.getByRole('button', { name: 'Put together · 4 left' }).click();
  const next = page.getByRole('region', { name: 'Put together' }).getByRole('status');
  await expect(next).toContainText('CN801');
  await page.keyboard.press('l');
  await expect(next).toContainText('mind the neck');
  for (const words of ['6 grounds: frame screws', '12 screws: long black', 'CN801']) {
    await page.keyboard.press('Space');
    await expect(next).toContainText(words);
  }
  await page.keyboard.press('Space');
  await expect(next).toContainText('All of it is back');
  await saved(page);
  await page.goto(`${app.address}${job}/close`);
  await expect(page.getByText('All 4 steps of taking it apart are back')).toBeVisible();
});

test('a soak is seen on every page of its job and on the queue, and dates to come are a calendar', async ({
  page,
  demo,
}) => {
  await takeIn(page, demo.address, 'Halvane HP-42', 'Comes and goes', ['Upper half dark']);
  const job = /\/job\/[^/]+/.exec(page.url())![0];
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await saved(page);
  await page.goto(`${demo.address}${job}/map`);
  const often = page.getByLabel('How often it failed before');
  await often.fill('3 in 10 h');
  await often.press('Enter');
  await expect(page.getByText(/^Soaking \d+:\d\d · cured with 80 % · believed in/)).toBeVisible();
  await saved(page);
  await page.goto(`${demo.address}${job}/survey`);
  await expect(page.getByText(/^Soaking \d+:\d\d · cured with/)).toBeVisible();
  await page.goto(demo.address);
  await expect(page.locator('main li', { hasText: 'Comes and goes' })).toContainText(/Soaking.*believed in/s);
  const calendar = await (await page.request.get(`${demo.address}/api/calendar`)).text();
  expect(calendar).toMatch(/BEGIN:VEVENT[\s\S]*22µF 250V/);
  expect(await entry(page).count()).toBe(0);
});

test('a set is put first by hand and back again, and what is due says so on the queue', async ({ page, demo }) => {
  await page.goto(demo.address);
  const rows = page.locator('main li').filter({ has: page.getByRole('link') });
  const titles = () => rows.locator('a b').first().innerText();
  await expect(rows.filter({ hasText: 'Pavilion arrivals board' })).toContainText(/due \d+ \w+/);
  const pin = page.getByRole('button', { name: 'Tea-room set: first by hand' });
  await expect(pin).toHaveAttribute('aria-pressed', 'false');
  const before = await titles();
  await pin.click();
  await expect(pin).toHaveAttribute('aria-pressed', 'true');
  await expect(rows.filter({ hasText: 'Tea-room set' })).toContainText('first by hand');
  await page.reload();
  const place = async (title: string) => (await rows.allInnerTexts()).findIndex((text) => text.includes(title));
  expect(await place('Tea-room set')).toBeLessThan(await place('Lecture-hall projector'));
  await pin.click();
  await expect(pin).toHaveAttribute('aria-pressed', 'false');
  await page.reload();
  expect(await titles()).toBe(before);
  expect(await place('Tea-room set')).toBeGreaterThan(await place('Lecture-hall projector'));
  await expect(rows.first()).toHaveAttribute('data-overdue', 'true');
  await expect(rows.filter({ hasText: 'Lower-station arrivals' })).toContainText(
    /Look at the soak\s*overdue by \d+ days/,
  );
});
