import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { photographedField } from '@/core/setup';
import { seeded } from '@/core/statistics';
import { expect, test } from './app';
import { takeIn } from './bench';

test('a tube with a worn gun: each gun measured, judged, sent to the bench, and told from its driver', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Colour tube set', 'Foyer set', ['Too small']);
  const bench = page.url();
  await page.goto(bench.replace(/bench$/, 'tube'));
  const card = page.getByRole('region', { name: 'Measure next' });
  const entry = card.getByRole('textbox').first();
  const rows = page.getByTestId('guns').locator('li');
  await expect(card.getByRole('heading')).toHaveText(/red: emission/i);
  await entry.fill('900 V');
  await entry.press('Enter');
  await expect(page.getByRole('alert').first()).toContainText('in µA, like 620');
  for (const [asked, value] of [
    [/red: emission/i, '900'],
    [/green: emission/i, '3.2 mA'],
    [/blue: emission/i, '3000'],
    [/red: cut-off/i, '110'],
    [/green: cut-off/i, '112'],
    [/blue: cut-off/i, '107'],
  ] as const) {
    await expect(card.getByRole('heading')).toHaveText(asked);
    await entry.fill(value);
    await entry.press('Enter');
  }
  await expect(card.getByRole('heading')).toHaveText(/red is worn/i);
  await expect(rows.first()).toContainText('of the strongest other gun');
  await card.getByRole('button', { name: 'To the bench as evidence' }).click();
  await expect(card.getByRole('button', { name: /evidence/ })).toHaveCount(0);
  await page.reload();
  await expect(card.getByRole('heading')).toHaveText(/red is worn/i);
  await page.goto(bench);
  await expect(page.getByRole('main')).toContainText(/red gun of the tube/i, { timeout: 20_000 });
});

test('burn-in is found on a photograph of an even field, and noted', async ({ page, app }, info) => {
  await takeIn(page, app.address, 'Colour tube set', 'Score board', ['Too small']);
  await page.goto(page.url().replace(/bench$/, 'tube'));
  await page.getByRole('button', { name: 'Burn-in' }).click();
  const { raster } = photographedField(
    [{ left: 0.05, right: 0.95, top: 0.05, bottom: 0.13, loss: 0.18 }],
    800,
    seeded(5),
  );
  const png = new PNG({ width: raster.width, height: raster.height });
  png.data = Buffer.from(raster.data);
  const picture = info.outputPath('field.png');
  writeFileSync(picture, PNG.sync.write(png));
  const file = page.locator('input[type=file]');
  await file.setInputFiles({
    name: 'black.png',
    mimeType: 'image/png',
    buffer: PNG.sync.write(new PNG({ width: 200, height: 150 })),
  });
  await expect(page.getByRole('alert').first()).toContainText('no bright field');
  await file.setInputFiles(picture);
  await expect(page.getByTestId('burnt').locator('li')).toHaveCount(1);
  await expect(page.getByTestId('burnt')).toContainText(/1[789] %.*right across the top/is);
  await page.getByRole('button', { name: 'Note it' }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Burn-in' }).click();
  await expect(page.getByText(/Burn-in: right across the top/)).toBeVisible();
});
