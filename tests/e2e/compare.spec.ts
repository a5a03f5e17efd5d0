import { expect, test } from './app';

test('the odd cell of a pasted network is named; a broken table says where and stays', async ({ page, app }) => {
  await page.goto(`${app.address}/compare`, { waitUntil: 'networkidle' });
  const table = page.getByLabel('Table of readings');
  await table.fill('\tA\tB\tC\tD\tE\nR1\t4k7\t4k69\t4k72\t2k1\t4k7\nR2\t10k\t10k1\t-\t9k9\t10k');
  const odd = page.getByTestId('odd-cells').locator('li');
  await expect(odd).toHaveCount(1);
  await expect(odd).toContainText('R1, D reads 2.1 kΩ, its row 4.7 kΩ (÷2.2)');
  await expect(page.locator('td[data-odd]')).toHaveText('2k1 ◇');
  const broken = 'R1 4k7 4k6\nR2 10k lots';
  await table.fill(broken);
  await expect(page.getByRole('region', { name: 'The table' }).getByRole('alert')).toContainText(
    'line 2, column 2: "lots" is no value',
  );
  await page.reload();
  await expect(table).toHaveValue(broken);
});
