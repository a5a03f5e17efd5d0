import { type Page } from '@playwright/test';
import { expect, test } from './app';
import { SimulatedSet } from './simulatedSet';

const next = (page: Page) => page.getByRole('region', { name: 'Next of the overhaul' });
const asked = (page: Page) => next(page).locator('[data-check]');
const answer = async (page: Page, text: string) => {
  const entry = next(page).getByRole('textbox');
  await expect(entry).toBeFocused();
  await entry.fill(text);
  await entry.press('Enter');
};

/** Answers whatever is asked, by the keyboard alone, until no reading is asked for. */
async function walk(page: Page, set: SimulatedSet, told: Readonly<Record<string, string>> = {}): Promise<number> {
  for (let steps = 0; steps < 90; steps += 1) {
    if ((await asked(page).count()) === 0) return steps;
    const [check, step] = [await asked(page).getAttribute('data-check'), await asked(page).getAttribute('data-step')];
    const title = await asked(page).getByRole('heading').innerText();
    await answer(page, step === 'prove' ? '0.4' : step === 'do' ? '' : (told[check!] ?? set.typed(check!)));
    await expect(next(page).getByText(title, { exact: true })).toHaveCount(0);
  }
  throw new Error('the overhaul does not come to an end');
}

test('a set nobody complains of: gone through cold, run up, measured live, reported', async ({ page, app }) => {
  await page.goto(`${app.address}/take-in?sheet=generic-crt-colour`);
  await page.getByLabel('Name of the set').fill('Reading-room set');
  await page.getByRole('button', { name: 'Overhaul it' }).click();
  await page.waitForURL(/\/overhaul$/);
  const set = new SimulatedSet('generic-crt-colour');

  // A shorted rail is not switched on: it is found first.
  await walk(page, set, { 'bplus-ohms': '0.5', 'bplus-esr': '3.4' });
  await expect(next(page).getByRole('heading', { name: 'Not switched on yet' })).toBeVisible();
  await expect(next(page)).toContainText('Ohms of B+ to ground: 0.5 Ω, where a good set gives about 14 kΩ');
  await expect(page.getByRole('region', { name: 'What may go next' })).toContainText('ESR of the B+ capacitor 3.4 Ω');

  // It was the wrong point: read again, it is as it should be, and the set is run up.
  await page.getByRole('group').filter({ hasText: 'Ohms before power' }).locator('summary').click();
  await page.getByRole('button', { name: /Ohms of B\+ to ground/ }).click();
  await answer(page, '13.8k');
  await expect(next(page).getByRole('heading', { name: 'First power in stages' })).toBeVisible();
  const overhaul = page.url();
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/power$/);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await expect(page.locator('[data-waiting]')).toHaveAttribute('data-waiting', '0');

  await page.goto(overhaul);
  await page.keyboard.press('Alt+x');
  await expect(page.getByRole('button', { name: /out of reach/ })).toHaveCount(1);
  await page.keyboard.press('Alt+z');
  await expect(page.getByRole('button', { name: /out of reach/ })).toHaveCount(0);
  await walk(page, set);
  await expect(next(page).getByRole('heading')).toContainText(['Overhaul', '1 read off']);
  await expect(page.locator('[data-waiting]')).toHaveAttribute('data-waiting', '0');

  await page.getByRole('link', { name: 'Condition report' }).click();
  const report = page.getByRole('article', { name: 'Condition report' });
  await expect(report).toContainText('Reading-room set');
  await expect(report).toContainText(/1 of \d+ measured is off/);
  await expect(report.getByRole('row', { name: /ESR of the B\+ capacitor/ })).toContainText('13 times');
  await expect(report).not.toContainText('Not measured');
});
