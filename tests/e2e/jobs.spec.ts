import { entry, closeAndFind, followAdvice, leader, repairAndVerify, saved, takeIn, type } from './bench';
import { emptyDatabase, expect, startApp, test } from './app';
import { SimulatedSet } from './simulatedSet';

test('an empty shop: told what to do, takes in its first plasma and finds why its upper half is dark', async ({
  page,
}) => {
  const app = await startApp(emptyDatabase());
  await page.goto(app.address);
  await expect(page.getByText('No set is waiting')).toBeVisible();
  await page.goto(`${app.address}/notebook`);
  await expect(page.getByText('The notebook is empty')).toBeVisible();

  await page.goto(app.address);
  await page.getByRole('link', { name: 'First job, step by step' }).click();
  const guide = page.getByRole('complementary', { name: 'First job' });
  await expect(guide).toContainText('1 of 5');

  const set = new SimulatedSet('halvane-hp-42', 'C547.dry');
  await takeIn(page, app.address, 'Halvane HP-42', 'Arrivals board', ['Upper half dark']);
  await expect(page.getByRole('region', { name: /unplugged, not proven/ })).toBeVisible();
  await expect(guide).toContainText('2 of 5');
  expect(await followAdvice(page, set)).toBeLessThan(15);
  await expect(guide).toContainText('3 of 5');
  expect(await leader(page)).toBe('C547.dry');
  await expect(page.getByText('Act now', { exact: true })).toBeVisible();
  await entry(page).press('Enter');
  await repairAndVerify(page, set);
  await expect(guide).toContainText('5 of 5');
  await closeAndFind(page, app.address, 'C547', 'Upper floating capacitor C547 dried out');

  await page.goto(app.address);
  await expect(page.getByText('No set is waiting')).toBeVisible();
  await page.goto(`${app.address}/take-in`);
  await expect(guide).toHaveCount(0);
  app.kill();
});

test('a tube flooded by one colour is found by comparing its three channels', async ({ page, app }) => {
  const set = new SimulatedSet('pellisar-tc-14', 'R201.drifted');
  await takeIn(page, app.address, 'Pellisar TC-14', 'Tea-room set', ['Flooded green']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  for (const row of ['k', 'c', 'e', 'b'])
    for (const channel of ['r', 'g', 'b']) await type(page, `${row}${channel} ${set.typed(`${row}${channel}-dc`)}`);
  const table = page.getByRole('region', { name: 'Three colour channels' });
  await expect(table).toContainText('Green leaves the others; between stand R201, Q201');
  await expect(table.locator('td[data-odd]')).toHaveCount(2);
  await expect(page.locator('[data-net="kg"]')).toHaveAttribute('data-mark', 'low');

  await followAdvice(page, set);
  expect(await leader(page)).toBe('R201.drifted');
  await page.keyboard.press('Alt+r');
  await repairAndVerify(page, set);
  await expect(page.locator('tr[data-check="kg-dc"]')).toHaveAttribute('data-after', 'within');
  await closeAndFind(page, app.address, 'green flooded', 'Green collector load R201 drifted');
});

test('a rail held down comes back when its load is pulled', async ({ page, app }) => {
  const set = new SimulatedSet('halvane-hp-42', 'Q511.short');
  await takeIn(page, app.address, 'Halvane HP-42', 'Ballroom plasma', ['Starts, then off']);
  await entry(page).fill('vs-ohms 0.7');
  await entry(page).press('Enter');
  await expect(page.getByTestId('readings')).toContainText('shorted');
  await entry(page).fill('unplug CN802');
  await entry(page).press('Enter');
  await expect(page.getByRole('region', { name: /unplugged/ })).toContainText('CN802 pulled');
  set.pull('CN802', true);
  await type(page, `vs-ohms ${set.typed('vs-ohms')}`);
  expect(await leader(page)).toBe('Q511.short');
});

test('a label value that was mistaken is put right, and the verdict follows', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Arrivals board', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await type(page, 'vs 192');
  const row = page.getByTestId('readings').locator('li').first();
  await expect(row).toHaveAttribute('data-mark', 'high');
  await saved(page);
  await page.getByRole('link', { name: /Arrivals board/ }).click();
  await page.waitForURL(/\/set$/);
  await page.getByLabel('Name of the set').fill('');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'give the set a name' })).toBeVisible();
  await page.getByLabel('Name of the set').fill('Upper arrivals board');
  await page
    .getByLabel(/^Vs.* on the label$/)
    .first()
    .fill('192');
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/\/bench$/);
  await expect(page.getByRole('link', { name: /^Upper arrivals board/ })).toBeVisible();
  await expect(row).toHaveAttribute('data-mark', 'within');
  // The set-up stands there in order, with what each point reads; a step leads to its point.
  await page.getByRole('link', { name: /Upper arrivals board/ }).click();
  const setUp = page.getByRole('region', { name: 'Set-up' }).getByRole('listitem');
  await expect(setUp.first()).toContainText('192 V');
  await setUp.nth(1).getByRole('link', { name: 'Va' }).click();
  await expect(page.getByRole('region', { name: 'Probe next' })).toHaveAttribute('data-check', 'va-dc');
});

test('closed sets that showed and read the same are named at the bench, and only those', async ({ page, demo }) => {
  await page.goto(`${demo.address}/job/00000000-0000-4000-8000-000000002000/bench`);
  const before = page.getByRole('region', { name: 'Seen before' });
  await expect(before).toContainText('Upper floating capacitor C547 dried out, 3 times');
  await expect(before).toContainText('Upper driver chip IC701 leaky, once');
  await page.keyboard.press('Alt+p');
  // None of them read right there.
  await type(page, 'vfu 15');
  await expect(before).toHaveCount(0);
  await type(page, 'vfu 9.1');
  await expect(before).toContainText(/C547 dried out, 3 times with Floating 15 V upper off as here/);
  await before.getByRole('link').first().click();
  await page.waitForURL(/\/notebook\//);
  await expect(page.getByText('C547').first()).toBeVisible();
});

test('how it shows is told at take-in, and stands in the note', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Ferry-house set', ['Nothing at all', 'Comes and goes']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await type(page, 'picture dark');
  await saved(page);
  await page.goto(page.url().replace('/bench', '/close'));
  await expect(page.getByLabel('Symptom')).toHaveValue('Nothing at all; comes and goes');
});
