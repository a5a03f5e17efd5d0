import { expect, test } from './app';
import { takeIn } from './bench';

test('a kit is listed, fitted place by place, and a polarity that is printed the wrong way is asked back', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Bathing-hut board', ['Upper half dark']);
  const job = page.url().replace(/\/bench.*$/, '');
  await page.goto(`${job}/survey`);
  const line = page.getByLabel('Part and reading');
  for (const typed of ['C532 esr 9', 'C77 470u 25V esr 12']) {
    await line.fill(typed);
    await line.press('Enter');
    await expect(line).toHaveValue('');
  }
  await page.getByRole('link', { name: /What it takes/ }).click();
  await expect(page.getByRole('button', { name: /Only what measures bad 2 parts/ })).toBeVisible();
  const takes = page.getByRole('region', { name: 'What it takes' });
  await expect(takes.locator('li')).toHaveCount(2);
  await takes.getByRole('button', { name: 'List all 2' }).click();
  await expect(takes.locator('li', { hasText: 'C77' })).toContainText('1 on the parts list');
  await page.getByRole('button', { name: /The kit of its blocks/ }).click();
  expect(await takes.locator('li').count()).toBeGreaterThan(2);

  const fitting = page.getByRole('region', { name: 'Fitting' });
  await expect(fitting).toContainText('follow the ground plane, not the print');
  await fitting.getByRole('button', { name: 'C532 is fitted' }).click();
  await expect(fitting.getByTestId('places').locator('[data-fitted]')).toHaveCount(0);
  await fitting.getByRole('button', { name: 'Yes, it is checked' }).click();
  await expect(fitting.getByTestId('places').locator('[data-fitted]')).toContainText('C532');
  await fitting.getByRole('button', { name: 'C77 is fitted' }).click();
  await expect(fitting.getByTestId('places').locator('[data-fitted]')).toHaveCount(2);
  await page.keyboard.press('Alt+z');
  await expect(fitting.getByTestId('places').locator('[data-fitted]')).toHaveCount(1);
  await fitting.getByRole('button', { name: 'C77 is fitted' }).click();
  await page.reload();
  await expect(fitting).toContainText(/C532|C77/);
  await page.goto(`${job}/repair`);
  await expect(page.getByRole('region', { name: 'What was done' })).toContainText('C532');
  await page.goto(`${app.address}/parts`);
  await expect(page.locator('[data-need]', { hasText: 'Bathing-hut board' })).toHaveCount(2);
});
