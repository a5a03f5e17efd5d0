import { expect, test } from './app';
import { saved, takeIn, type } from './bench';

test('five parts found bad in one look are named together, replaced in one go and stay on the record', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Bandstand board', ['Upper half dark']);
  const bad = ['C522', 'C532', 'C547', 'C551', 'R565'];
  // What comes later does not take away what was seen before.
  for (const part of bad) await type(page, `look scan ${part}`);
  const found = page.getByTestId('found');
  await expect(found).toContainText('5 found bad, put right first');
  for (const part of bad) await expect(found).toContainText(part);
  await saved(page);

  const job = page.url().replace(/\/bench.*$/, '');
  await page.goto(`${job}/kit`);
  await expect(page.getByRole('button', { name: /Only what measures bad 5 parts/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const fitting = page.getByRole('region', { name: 'Fitting' });
  for (let done = 0; done < bad.length; done += 1) {
    await fitting.getByRole('button', { name: / is fitted$/ }).click();
    const checked = fitting.getByRole('button', { name: 'Yes, it is checked' });
    if (await checked.isVisible()) await checked.click();
    await expect(fitting.getByTestId('places').locator('[data-fitted]')).toHaveCount(done + 1);
  }
  await expect(fitting).toContainText('All of it is fitted');

  await page.goto(`${job}/bench`);
  await expect(page.getByTestId('suspects')).toBeVisible();
  await expect(found).toHaveCount(0);
  await page.goto(`${job}/repair`);
  for (const part of bad) await expect(page.getByRole('region', { name: 'What was done' })).toContainText(part);
  await page.goto(`${job}/close`);
  await expect(page.getByLabel('What cured it')).toHaveValue(/C522[\s\S]*C551/);
});
