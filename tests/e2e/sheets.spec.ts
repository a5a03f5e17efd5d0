import { entry, followAdvice, leader, repair, repairAndVerify, saved, takeIn, type } from './bench';
import { retype, source, textIn } from './source';
import { expect, test } from './app';
import { SimulatedSet } from './simulatedSet';

test('a plasma nobody has described: the rail held down is found by pulling its loads', async ({ page, app }) => {
  const set = new SimulatedSet('generic-plasma', 'X-FET.short');
  await takeIn(page, app.address, 'Plasma display', 'Kerb find', ['Starts, then off']);
  await type(page, 'vs-ohms 0.5');
  const isolation = page.getByRole('region', { name: 'Rail held down' });
  await expect(isolation).toHaveAttribute('data-net', 'vs');
  await expect(isolation).toContainText('common sustain');
  await entry(page).fill('unplug P-COMMON');
  await entry(page).press('Enter');
  await expect(isolation.locator('li', { hasText: 'P-COMMON' })).toHaveAttribute('data-pulled', 'true');
  set.pull('P-COMMON', true);
  await type(page, `vs-ohms ${set.typed('vs-ohms')}`);
  expect(await leader(page)).toBe('X-FET.short');
});

test('a lamp projector that goes off after a minute is found by what still runs', async ({ page, app }) => {
  const set = new SimulatedSet('generic-projection-lamp', 'DUCT.dirty');
  await takeIn(page, app.address, 'Lamp projector', 'Wall cube', ['Runs a minute, then off']);
  expect(await followAdvice(page, set)).toBeLessThan(20);
  expect(await leader(page)).toBe('DUCT.dirty');
});

test('two faults at once are named together where no single one explains the readings', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Pair of cans', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await type(page, 'vfu 9.1');
  await type(page, 'vscan -121');
  await type(page, 'vfu 9');
  await type(page, 'vscan -120');
  await expect(page.getByText('Several at once', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText(
    'Together they explain the readings better than any one of them',
  );
  await saved(page);
});

test('a repair that cures half: the job goes on to the second fault', async ({ page, app }) => {
  const set = new SimulatedSet('halvane-hp-42', 'C547.dry', 'CN404.loose');
  await takeIn(page, app.address, 'Halvane HP-42', 'Cured by half', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await type(page, `picture ${set.typed('picture')}`);
  await type(page, `vfu ${set.typed('vfu-dc')}`);
  await followAdvice(page, set);
  await page.keyboard.press('Alt+r');
  await repair(page, set, 'C547.dry');
  await expect(page.locator('tr[data-check="vfu-dc"]')).toHaveAttribute('data-after', 'within');
  await page.getByRole('button', { name: 'Back to the bench' }).click();
  await page.waitForURL(/\/bench$/);
  await followAdvice(page, set);
  expect(await leader(page)).toBe('CN404.loose');
  await page.keyboard.press('Alt+r');
  await repairAndVerify(page, set);
});

test('a sheet grows at the bench: a point the manual gives, and what a good set reads', async ({ page, app }) => {
  await takeIn(page, app.address, 'Monitor chassis', 'Grows as we measure', ['Red missing']);
  await entry(page).fill('new tp9 v12 12.6 left of the fan plug');
  await expect(page.getByText('a point for 12 V, into the sheet')).toBeVisible();
  await entry(page).press('Enter');
  await expect(entry(page)).toHaveValue('');
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).not.toContainText('Monitor chassis');
  await type(page, 'tp9 12.6');
  await expect(page.getByTestId('readings')).toContainText('12.6 V');

  await entry(page).fill('learn tp9');
  await expect(page.getByText('record its picture as right first')).toBeVisible();
  await type(page, 'picture normal');
  await type(page, 'tp9 12.4');
  await entry(page).fill('learn tp9');
  await entry(page).press('Enter');
  await expect(entry(page)).toHaveValue('');
  await saved(page);
  await page.goto(`${app.address}/sheets/my-grows-as-we-measure`);
  await expect(source(page, 'Text of the sheet')).toContainText(/tp9: .*expect: 12\.4 V, source: good set/);
});

test('a reading that speaks against all the others is named and asked for again', async ({ page, app }) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Slipped probe', ['One line across']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await type(page, 'v26 0.1');
  await type(page, 'vyoke 0');
  await type(page, 'bplus 11.2');
  await expect(page.getByText('Misread?')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Probe next' })).toContainText('speaks against all the others');
  await type(page, '112');
  await expect(page.getByText('Misread?')).toHaveCount(0);
});

test('the sheet editor catches a broken edit, keeps it, and saves what is put right', async ({ page, app }) => {
  await page.goto(`${app.address}/sheets`);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Lamp projector' })
    .getByRole('link', { name: 'Base a sheet on it' })
    .click();
  const text = source(page, 'Text of the sheet');
  await expect(text).toContainText(/extends: generic-projection-lamp/);
  const good = (await textIn(text)).replace('Lamp projector, ours', 'Wall cube of ours');
  await retype(text, good.replace('points: {}', 'points:\n  tp4: { measure: dc, net: v21 }'));
  await expect(page.locator('.cm-lintRange-error')).toHaveCount(1);
  const lint = page.getByRole('status', { name: 'What is wrong' });
  await expect(lint).toContainText('names net "v21"');
  await expect(lint).toContainText('line 8');
  await expect(page.getByRole('button', { name: /Save/ })).toBeDisabled();

  await page.reload();
  await page.getByRole('button', { name: 'Go on with it' }).click();
  await expect(text).toContainText(/v21/);
  // A name is completed from what the sheet knows.
  await lint.getByRole('button').first().click();
  await page.keyboard.press('End');
  for (let press = 0; press < 5; press += 1) await page.keyboard.press('Backspace');
  await page.keyboard.type('12');
  await expect(page.getByRole('option', { name: 'v12', exact: true })).toBeVisible();
  // What has just come up is not taken by a key that was meant for the text.
  await page.waitForTimeout(200);
  await page.keyboard.press('Tab');
  await page.keyboard.type(' }');
  await expect(lint).toContainText(/\d+ points · nothing to complain of/);
  await expect(page.getByRole('region', { name: 'The line it makes' }).locator('svg')).toContainText('Ballast');
  await page.getByRole('button', { name: /Save/ }).click();
  await expect(page).toHaveURL(/\/sheets\/my-generic-projection-lamp$/);
  await expect(page.getByText('version 1', { exact: true })).toBeVisible();

  await page.goto(`${app.address}/take-in`);
  await page.getByRole('button', { name: /Wall cube of ours/ }).click();
  await expect(page).toHaveURL(/sheet=my-generic-projection-lamp/);
});

test('options chosen at take-in change the set that is on the bench', async ({ page, app }) => {
  await page.goto(`${app.address}/take-in?sheet=generic-plasma`);
  await page.getByRole('button', { name: 'Top and bottom' }).click();
  await expect(page).toHaveURL(/columns=both/);
  await expect(page.getByRole('button', { name: 'Top and bottom' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Name of the set').fill('Two rows of drivers');
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/\/bench$/);
  await expect(page.getByText('Columns top')).toBeVisible();
});
