import { type Page } from '@playwright/test';
import { changeFor, operatingPoint, readNetlist, System } from '@/core/circuit';
import { shippedStages } from '@/sheets/stages';
import { expect, test } from './app';

const entry = (page: Page) => page.getByRole('textbox', { name: 'A node and its volts' });

async function measure(page: Page, node: string, volts: number): Promise<void> {
  await entry(page).fill(`${node} ${volts.toPrecision(4)}`);
  await entry(page).press('Enter');
  await expect(page.getByRole('list', { name: 'Readings' })).toContainText(node);
}

test('a drifted collector load of the three-channel driver is named from its nodes', async ({ page, app }) => {
  const system = new System(readNetlist(shippedStages().find(({ id }) => id === 'rgb-driver')!.text));
  const drifted = operatingPoint(system, { change: changeFor(system, { ref: 'R304', mode: 'value', factor: 2 }) });
  await page.goto(`${app.address}/stage`, { waitUntil: 'networkidle' });
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
  await page.goto(`${app.address}/stage`, { waitUntil: 'networkidle' });
  await page.keyboard.press('Alt+n');
  const text = page.getByLabel('Netlist');
  const own = '* Divider of ours\nV1 a 0 12\nR1 a mid 10k\nR2 mid 0 5k\n';
  await text.fill(own);
  await expect(page.getByRole('heading', { name: 'Divider of ours' })).toBeVisible();
  await expect(page.locator('[data-node="mid"]')).toContainText('mid 4');
  const trouble = page.getByRole('region', { name: 'The stage', exact: true }).getByRole('alert');
  for (const [line, message] of [
    ['C1 mid x 1u\nR3 x y 1k', 'line 5: node "x" floats'],
    ['D1 mid 0 DZ', 'line 5: d1 names model "dz", which is missing'],
    ['V2 a 0 5', 'line 5: v2 closes a loop without resistance'],
  ] as const) {
    await text.fill(own + line);
    await expect(trouble).toContainText(message);
    await expect(text).toHaveValue(own + line);
    await expect(page.locator('[data-node="mid"]')).toBeVisible();
  }
  await text.fill(own);
  await expect(trouble).toHaveCount(0);
  await entry(page).fill('nowhere 3');
  await entry(page).press('Enter');
  await expect(page.getByText('there is no node "nowhere"; there are a, mid')).toBeVisible();
});
