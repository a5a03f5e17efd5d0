import { spawnSync } from 'node:child_process';
import { expect, test } from './app';

/** How many rows the shop’s tables hold, by a process of its own. */
function rowsOf(database: string): string {
  const script = `const D=require('better-sqlite3');const d=new D(process.argv[1],{readonly:true});process.stdout.write(['job','log_entry','fault_note','stock_move','need','setting'].map(t=>d.prepare('select count(*) n from '+t).get().n).join(' '))`;
  return spawnSync(process.execPath, ['-e', script, database], { encoding: 'utf8' }).stdout;
}

test('ten drills by the keyboard, each with its reason; nothing of it enters the shop', async ({ page, demo }) => {
  const before = rowsOf(demo.database);
  await page.goto(`${demo.address}/practice`);
  const card = page.getByRole('region', { name: 'The drill' });
  const asked = new Set<string>();
  for (let turn = 1; turn <= 10; turn += 1) {
    const title = card.getByRole('heading');
    await expect(title).toBeVisible();
    const words = await card.innerText();
    asked.add(words);
    await page.keyboard.press(String((turn % 3) + 1));
    await expect(card.getByText('● right')).toBeVisible();
    await expect(card.getByRole('status')).toContainText(/Right\.|It is:/);
    await expect(page.getByText(`What you can · ${turn} answered`)).toBeVisible();
    // A second key changes nothing: the answer was given.
    await page.keyboard.press('1');
    await page.keyboard.press('Enter');
    await expect(card.getByText('● right')).toHaveCount(0);
  }
  expect(asked.size).toBeGreaterThan(5);
  await page.getByRole('button', { name: /What a reading proves/ }).click();
  await expect(card).toContainText('What a reading proves');
  await page.reload();
  await expect(page.getByText('What you can · 10 answered')).toBeVisible();
  expect(rowsOf(demo.database)).toBe(before);
});

test('a hunt with two slips is cured by the keyboard and looked back on; nothing of it enters the shop', async ({
  page,
  demo,
}) => {
  const before = rowsOf(demo.database);
  await page.goto(`${demo.address}/practice`);
  await page.getByRole('link', { name: 'Hunt a hidden fault' }).click();
  await page.waitForURL(/hunt$/);
  // The same set each time.
  const exercise = { title: 'A dark set', sheet: 'dunmarrow-am-2', seed: 12, hints: 1 };
  const kept = { exercise, grade: 2, acts: [], hints: [] };
  await page.evaluate((hunt) => localStorage.setItem('tovrik-hunt', JSON.stringify(hunt)), kept);
  await page.reload();
  const entry = page.getByRole('combobox');
  const record = page.locator('[data-count]');
  let count = 0;
  const type = async (line: string) => {
    await expect(entry).toBeFocused();
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
    count += 1;
    await expect(record).toHaveAttribute('data-count', String(count));
  };
  await type('suspect surge 60');
  await expect(record).toContainText('Suspected: ');
  await type('power on');
  await type('surge resistor');
  await expect(record).toContainText('the meter’s fuse goes');
  await type('plug out');
  await type('fit a new surge');
  await expect(record).toContainText('A store may still be charged');
  await page.getByRole('button', { name: 'where' }).click();
  await expect(page.getByText(/From what you know it lies in/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'what it is' })).toBeDisabled();
  await type('discharge');
  await type('surge resistor');
  // The hunt is still there after the page was left.
  await page.reload();
  await expect(record).toHaveAttribute('data-count', String(count));
  await type('fit a new surge');
  const debrief = page.getByRole('region', { name: 'Debrief' });
  await expect(debrief.getByRole('heading', { name: 'Surge resistor open' })).toBeVisible();
  await expect(debrief).toContainText(/It took you \d+ min; .* One hint was asked for\./);
  await expect(debrief.getByRole('row', { name: /Fit a new surge resistor/ })).toBeVisible();
  await expect(debrief).toContainText('You named a suspect once, sure by 60 %, and were right in 100 %');
  await expect(debrief.getByRole('row', { name: /urge resistor.* 60 %.*this/ })).toBeVisible();
  // The set goes out as a file, and comes in again for whoever opens it.
  const written = page.waitForEvent('download');
  await page.getByRole('button', { name: 'The same set for others' }).click();
  const file = await (await written).path();
  await page.getByRole('button', { name: 'After an earlier hand' }).click();
  await expect(page.getByText('Beside the fault a trimmer is turned')).toBeVisible();
  await page.getByRole('button', { name: 'Another set' }).click();
  await expect(record).toHaveAttribute('data-count', '0');
  await expect(page.getByText(/On the bench · \d of 5 · after an earlier hand/)).toBeVisible();
  await page.getByRole('button', { name: 'give up' }).click();
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByText('A dark set · 2 of 5 · one part')).toBeVisible();
  await expect(page.getByText('A hint · 1 left')).toBeVisible();
  expect(rowsOf(demo.database)).toBe(before);
});
