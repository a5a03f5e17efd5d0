import { type Page } from '@playwright/test';
import { expect, test } from './app';
import { takeIn } from './bench';

const entry = (page: Page) => page.getByRole('main').getByRole('textbox').first();
const need = (page: Page, text: string) => page.locator('[data-need]', { hasText: text });

async function line(page: Page, text: string): Promise<void> {
  await entry(page).fill(text);
  await entry(page).press('Enter');
}

test('a can is put on the shelf, judged for a set, taken, put back and fitted; the count follows', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Bandstand set', ['Too little height']);
  await page.goto(`${app.address}/shelf`);
  await line(page, 'put C 680u 63V 105 lowesr x4 in Z9');
  await expect(entry(page)).toHaveValue('');
  await line(page, 'put C 680u 50V 85 x9 in Z8');
  await expect(entry(page)).toHaveValue('');
  await entry(page).fill('for C 680u 50V 105 lowesr at 30 V 50 kHz');
  const stock = page.getByTestId('stock').locator('li');
  await expect(stock.filter({ hasText: 'Z9' })).toHaveAttribute('data-verdict', 'better');
  await expect(stock.filter({ hasText: 'Z8' })).toHaveCount(0);

  await page.goto(`${app.address}/parts`);
  await page.getByLabel('needed for').selectOption({ label: 'Bandstand set' });
  await line(page, 'C 680u 50V 105 sparkling x3');
  await expect(page.getByRole('alert').first()).toContainText('"sparkling" is nothing that is said of a capacitor');
  await line(page, 'C 680u 50V 105 lowesr 5000h x3');
  const row = need(page, 'Bandstand set');
  await expect(row).toContainText('◆ watch on the shelf: 4 ×');
  await expect(row).toContainText('hours: the new one does not say');
  await row.getByRole('button', { name: 'Take 3 from Z9' }).click();
  await expect(row).toHaveAttribute('data-state', 'here');
  await row.getByRole('button', { name: 'Put back' }).click();
  await expect(row).toHaveAttribute('data-state', 'wanted');
  await row.getByRole('button', { name: 'Take 3 from Z9' }).click();
  await row.getByRole('button', { name: 'Fitted' }).click();
  await expect(row).toHaveAttribute('data-state', 'fitted');

  await page.goto(`${app.address}/shelf?q=Z9`);
  await expect(stock.filter({ hasText: 'Z9' })).toContainText(/^1/);
  await line(page, 'Z9 -2');
  await expect(page.getByRole('alert').first()).toContainText('there is only 1');
  await line(page, 'Z9 -1');
  await expect(stock.filter({ hasText: 'Z9' })).toContainText(/^0/);
  await page.keyboard.press('Alt+z');
  await expect(stock.filter({ hasText: 'Z9' })).toContainText(/^1/);
  await line(page, 'Z9 =6');
  await expect(stock.filter({ hasText: 'Z9' })).toContainText(/^6/);
});

test('what is ordered keeps the set waiting; what comes wrong is wanted again, and what arrives brings the set back', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Pier-head set', ['One line across']);
  await page.goto(`${app.address}/parts`);
  await page.getByLabel('needed for').selectOption({ label: 'Pier-head set' });
  await line(page, 'U no VX2040');
  const row = need(page, 'Pier-head set');
  await row.getByRole('button', { name: 'Order' }).click();
  await row.getByLabel('From').fill('Hollin Components');
  await row.getByLabel('Due').fill('2026-11-01');
  await row.getByRole('button', { name: 'Ordered' }).click();
  await expect(row).toHaveAttribute('data-state', 'ordered');
  await expect(row).toContainText('overdue');
  await page.goto(app.address);
  const waiting = page.getByRole('listitem').filter({ hasText: 'Pier-head set' });
  await expect(waiting).toContainText(/waits for|Waits for|part/);

  await page.goto(`${app.address}/parts`);
  await row.getByRole('button', { name: 'Came wrong' }).click();
  await expect(row).toHaveAttribute('data-state', 'wrong');
  await row.getByRole('button', { name: 'Want it again' }).click();
  await row.getByRole('button', { name: 'It is here' }).click();
  await expect(row).toHaveAttribute('data-state', 'here');
  await page.reload();
  await expect(row).toHaveAttribute('data-state', 'here');
});

test('a stripped set becomes parts on the shelf, and cures a set that waits; a broken list of them is refused by its line', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Kerb donor', ['Nothing at all']);
  await page.goto(page.url().replace(/bench$/, 'close'));
  await page.getByLabel('What it was').fill('tube worn out');
  await page.getByLabel('Outcome', { exact: true }).selectOption('stripped');
  const kept = page.getByLabel('Kept for the shelf');
  await kept.fill('Q npn 1500V 8A damper x2 in Y1\nC 8n2 1600V film sparkling');
  await page.getByRole('button', { name: /Close the job/ }).click();
  await expect(page.getByRole('alert').first()).toContainText(
    'line 2: "sparkling" is nothing that is said of a capacitor',
  );
  await kept.fill('Q npn 1500V 8A damper x2 in Y1\nC 8n2 1600V film pulse in Y2');
  await page.getByRole('button', { name: /Close the job/ }).click();
  await page.waitForURL(/\/notebook\//);

  await takeIn(page, app.address, 'Pellisar TC-14', 'Gate-house set', ['Nothing at all']);
  await page.goto(`${app.address}/parts`);
  await page.getByLabel('needed for').selectOption({ label: 'Gate-house set' });
  await line(page, 'Q npn 1500V 5A damper');
  const row = need(page, 'Gate-house set');
  await row.getByRole('button', { name: 'Take 1 from Y1' }).click();
  await expect(row).toHaveAttribute('data-state', 'here');
});

test('a stock list is looked at before it is put, whole or not at all', async ({ page, app }) => {
  await page.goto(`${app.address}/shelf`);
  const list = (text: string) =>
    page
      .getByRole('region', { name: 'Stock list' })
      .locator('input[type=file]')
      .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await list('part,count,drawer\nC 33u 63V 105,5,X1\nZ 12V,1,X2\n');
  await expect(page.getByRole('alert').first()).toContainText('line 3: "Z" is no kind of part');
  await list('part,count,drawer\nC 33u 63V 105,5,X1\nR 33k 0.5W,20,X2\n');
  await expect(page.getByText('2 lines, 25 pieces, all readable.')).toBeVisible();
  await page.getByRole('button', { name: 'Put all of it on the shelf' }).click();
  // Columns with names of their own are told once.
  const foreign = 'Sorte;Lade;Menge\nC 56u 63V 105;X3;9\n';
  await list(foreign);
  const columns = page.getByRole('form', { name: 'Which column is which' });
  await columns.getByLabel('part').selectOption('Sorte');
  await columns.getByLabel('count').selectOption('Menge');
  await columns.getByLabel('drawer').selectOption('Lade');
  await columns.getByRole('button', { name: /Read it so/ }).click();
  await expect(page.getByText('1 lines, 9 pieces, all readable.')).toBeVisible();
  await page.reload();
  await list(foreign);
  await expect(page.getByText('1 lines, 9 pieces, all readable.')).toBeVisible();
  // A long list says how far it is, and can be given up: then nothing of it is there.
  const long = Array.from({ length: 12_000 }, (_, at) => `C ${1 + (at % 900)}u 63V 105,1,Y${at}`);
  await list(['part,count,drawer', ...long].join('\n'));
  await expect(page.getByText(/of 12000 lines are read/)).toBeVisible();
  await page.getByRole('button', { name: 'Put all of it on the shelf' }).click();
  await page.getByRole('button', { name: 'Give up' }).click();
  await expect(page.getByRole('alert').first()).toContainText('nothing of the list was put');
  await entry(page).fill('Y77');
  await expect(page.getByText('Nothing on the shelf is like that')).toBeVisible();
  await entry(page).fill('33u');
  await expect(page.getByTestId('stock').locator('li', { hasText: 'X1' })).toContainText(/^5/);
});

test('a repair offers what the shelf has for it', async ({ page, app }) => {
  await page.goto(`${app.address}/shelf`);
  await line(page, 'put C 100u 50V 105 x3 in W1');
  await expect(entry(page)).toHaveValue('');
  await takeIn(page, app.address, 'Pellisar TC-14', 'Lamp-room set', ['Too little height', 'Folds at the top']);
  await page.goto(page.url().replace(/bench$/, 'repair'));
  await page.getByRole('combobox', { name: 'Repair' }).fill('boost capacitor C511');
  await page.keyboard.press('Enter');
  const fitting = page.getByRole('group', { name: 'Part to be fitted' });
  await expect(fitting).toContainText('fits on the shelf: 3 × C 100µF 50V 105°C');
  await fitting.getByRole('button', { name: 'Take 1 from W1' }).click();
  await expect(fitting).toContainText('Taken from W1.');
  await page.goto(`${app.address}/shelf?q=W1`);
  await expect(page.getByTestId('stock').locator('li', { hasText: 'W1' })).toContainText(/^2/);
  await page.goto(`${app.address}/parts`);
  await expect(need(page, 'Lamp-room set')).toHaveAttribute('data-state', 'here');
});
