import { type Page } from '@playwright/test';
import { changeFor, operatingPoint, readNetlist, System } from '@/core/circuit';
import { shippedStages } from '@/sheets/stages';
import { expect, test } from './app';
import { takeIn, type } from './bench';
import { retype, source, textIn } from './source';

const entry = (page: Page) => page.getByRole('textbox', { name: 'A node and its volts' });

async function measure(page: Page, node: string, volts: number): Promise<void> {
  const list = page.getByRole('list', { name: 'Readings' }).getByRole('listitem');
  const before = await list.count();
  await entry(page).fill(`${node} ${volts.toPrecision(4)}`);
  await entry(page).press('Enter');
  await expect(list).toHaveCount(before + 1);
}

test('a drifted collector load of the three-channel driver is named from its nodes', async ({ page, app }) => {
  const system = new System(readNetlist(shippedStages().find(({ id }) => id === 'rgb-driver')!.text));
  const drifted = operatingPoint(system, { change: changeFor(system, { ref: 'R304', mode: 'value', factor: 2 }) });
  await page.goto(`${app.address}/stage`);
  for (const node of ['kg', 'kr', 'eg', 'cg']) await measure(page, node, drifted[system.indexOf(node)!]!);
  const first = page.getByTestId('stage-suspects').locator('li').first();
  await expect(first).toHaveAttribute('data-ref', 'R304');
  await expect(first).toContainText('R304 drifted high');
  await expect(page.locator('[data-node="kg"]')).toHaveAttribute('data-mark', 'low');
  await expect(page.locator('[data-part="R304"]')).toHaveAttribute('data-suspect', 'true');
  await page.keyboard.press('Alt+z');
  await expect(page.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(3);
});

test('a netlist of one’s own stands as a ladder at once; each mistake is one message, and the text stays', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/stage`);
  await page.keyboard.press('Alt+n');
  const text = source(page, 'Netlist');
  const own = '* Divider of ours\nV1 a 0 12\nR1 a mid 10k\nR2 mid 0 5k\n';
  await retype(text, own);
  await expect(page.getByRole('heading', { name: 'Divider of ours' })).toBeVisible();
  await expect(page.locator('[data-node="mid"]')).toContainText('mid 4');
  const trouble = page.getByRole('region', { name: 'The stage', exact: true }).getByRole('alert');
  for (const [line, message] of [
    ['C1 mid x 1u\nR3 x y 1k', 'line 5: node "x" floats'],
    ['D1 mid 0 DZ', 'line 5: d1 names model "dz", which is missing'],
    ['V2 a 0 5', 'line 5: v2 closes a loop without resistance'],
  ] as const) {
    await retype(text, own + line);
    await expect(trouble).toContainText(message);
    expect(await textIn(text)).toBe(own + line);
    await expect(page.locator('[data-node="mid"]')).toBeVisible();
  }
  await retype(text, own);
  await expect(trouble).toHaveCount(0);
  await entry(page).fill('nowhere 3');
  await entry(page).press('Enter');
  await expect(page.getByText('there is no node "nowhere"; there are a, mid')).toBeVisible();
});

test('a part whose value is turned moves the ladder, and the stage so turned can be written as a netlist', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/stage`);
  await page.locator('[data-part="R304"]').click();
  const slider = page.getByRole('slider', { name: 'R304, times' });
  await slider.focus();
  for (let press = 0; press < 30; press += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'What if' })).toContainText('23.9 kΩ');
  await expect(page.locator('[data-foreseen="kg"]')).toHaveAttribute('data-volts', /^8\d\.\d/);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByText('Write to a file').click()]);
  const written = (await (await file.createReadStream()).toArray()).join('');
  expect(readNetlist(written).elements.find(({ label }) => label === 'R304')).toMatchObject({ kind: 'r' });
  expect(written).toMatch(/^R304 vhi kg 2394\d/m);
  await page.getByRole('button', { name: 'As drawn' }).click();
  await expect(page.locator('[data-foreseen]')).toHaveCount(0);
});

test('a capacitor that has dried out is named by the ripple, and shown through time beside the good one', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/stage?stage=standby-supply`);
  await expect(page.getByRole('heading', { name: /Standby supply/ })).toBeVisible();
  await measure(page, 'v5', 5);
  await entry(page).fill('k ripple 0.15');
  await entry(page).press('Enter');
  const first = page.getByTestId('stage-suspects').locator('li').first();
  await expect(first).toContainText('C901 dried out', { timeout: 20_000 });
  await page.keyboard.press('Alt+t');
  await page.keyboard.press('Alt+1');
  const chart = page.getByTestId('over-time');
  await expect(chart).toHaveAttribute('data-runs', '2', { timeout: 20_000 });
  await expect(chart.getByText('k, C901 dried out')).toBeVisible();
});

test('from the bench one key leads inside the block, with its readings, and back', async ({ page, app }) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Boat-house set', ['Flooded green']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await type(page, 'cg 61');
  await type(page, 'eg 2.0');
  const inside = page.getByRole('region', { name: 'Inside: Green driver' });
  await expect(inside.getByRole('listitem').first()).toContainText('R201, Green collector load: drifted high');
  await page.keyboard.press('Alt+d');
  await expect(page.getByRole('heading', { name: /^Green driver/ })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(2);
  await expect(page.getByTestId('stage-suspects').locator('li').first()).toContainText('R201, Green collector load');
  await expect(page.getByRole('region', { name: 'Measure next' })).toBeVisible();
  // What is read here is recorded on the job, under its own names or the netlist's.
  await measure(page, 'vg', 2.65);
  await measure(page, 'b', 2.6);
  await page.reload();
  await expect(page.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(4);
  await page.keyboard.press('Alt+z');
  await expect(page.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Alt+p');
  await entry(page).fill('b 2.6');
  await entry(page).press('Enter');
  await expect(page.getByText('By its record the set is unplugged')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await expect(page.getByTestId('readings')).toHaveAttribute('data-count', '3');
});
