import { expect, test } from './app';
import { entry, saved, takeIn, type } from './bench';

test('a donor’s board is read beside the own one, may be bad itself, and a new one is set to the label before it leaves', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Promenade board', ['Dark but alive']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  for (const line of ['vs 187', 'vset 60', 'vscan -168']) await type(page, line);
  await page.keyboard.press('Alt+p');
  const change = async (line: string, shows: string | RegExp) => {
    await entry(page).fill(line);
    await entry(page).press('Enter');
    await expect(page.getByText(shows).first()).toBeVisible();
  };
  for (const [store, left] of [
    ['c812', '3 to prove'],
    ['c841', '2 to prove'],
    ['c560', '1 to prove'],
    ['c660', 'Proven dead'],
  ] as const)
    await change(`${store} 0.4`, new RegExp(left, 'i'));
  await change('donor scan', 'donor scan');
  await page.keyboard.press('Alt+p');
  await type(page, 'vset 60.5');
  const table = page.getByRole('region', { name: 'Own and donor, Scan sustain' });
  await expect(table.getByRole('button', { name: 'Vset own' })).toHaveText(/60/);
  await expect(table.getByRole('button', { name: 'Vset donor’s' })).toHaveText(/60\.5/);
  await type(page, 'vset 60.4');
  await expect(page.getByText(/The donor’s Scan sustain is bad itself with/)).toBeVisible();
  await page.keyboard.press('Alt+p');
  for (const store of ['c812', 'c841', 'c560', 'c660']) {
    await entry(page).fill(`${store} 0.3`);
    await entry(page).press('Enter');
  }
  await change('own scan', 'Scan sustain · own and donor');
  await saved(page);

  await page.goto(page.url().replace(/bench.*$/, 'repair'));
  await page.getByRole('combobox', { name: 'Repair' }).fill('another main supply');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('note').filter({ hasText: 'To set once it is in' })).toContainText('Vs to 187 V');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('note').filter({ hasText: 'To set on the new board' })).toContainText('Va to 63 V');
  await page.goto(page.url().replace('repair', 'close'));
  const unset = page.getByRole('listitem').filter({ hasText: 'Not set on the new board' });
  await expect(unset).toContainText('Vs to 187 V, Va to 63 V');
  await page.goto(page.url().replace('close', 'bench'));
  await page.keyboard.press('Alt+p');
  for (const line of ['vs 187', 'va 63']) await type(page, line);
  await saved(page);
  await page.goto(page.url().replace(/bench.*$/, 'close'));
  await expect(page.getByText('Before it leaves')).toBeVisible();
  await expect(unset).toHaveCount(0);
});
