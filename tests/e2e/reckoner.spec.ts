import { type Locator } from '@playwright/test';
import { expect, test } from './app';
import { saved, takeIn } from './bench';
import { source } from './source';

/** Chooses what is reckoned by a word of it, as one types it: once it is the one that Enter takes. */
async function choose(reckoner: Locator, word: string, title: string): Promise<void> {
  const choice = reckoner.getByRole('combobox', { name: 'What to reckon' });
  await choice.fill(word);
  await expect(reckoner.page().locator('.ant-select-item-option-active')).toHaveText(title);
  await choice.press('Enter', { delay: 80 });
  await expect(reckoner.locator('header')).toContainText(title);
}

test('the reckoner opens over the bench by one key, warns of X-rays, and its answer stays on the job', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Kiosk set', ['Flooded green']);
  await page.keyboard.press('=');
  const reckoner = page.getByRole('dialog', { name: 'Reckoner' });
  await choose(reckoner, 'retrace', 'Line output and its retrace capacitor');
  for (const [label, text] of [
    ['Supply', '112'],
    ['Coil and primary together', '900u'],
    ['Retrace capacitance', '11n'],
    ['Line frequency', '15.625k'],
    ['Added, or lost with a minus', '-2n2'],
  ] as const)
    await reckoner.getByLabel(label).fill(text);
  await expect(reckoner.getByText(/High voltage would rise, and X-rays with it/)).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(reckoner.getByRole('button', { name: 'Kept on the job' })).toBeVisible();
  // A name of the set stands for what the sheet knows of it.
  await choose(reckoner, 'discharge', 'Discharge a store');
  await reckoner.getByLabel('Capacitance').fill('c802');
  await reckoner.getByLabel('Resistor of the tool').fill('2k2');
  await expect(reckoner.getByRole('status')).toContainText('Energy');
  await expect(reckoner.getByLabel('Volts on it')).toHaveAttribute('placeholder', '310 V of C802');
  await page.keyboard.press('Escape');
  const notes = page.getByRole('region', { name: 'Readings' }).getByTestId('notes');
  await expect(notes).toContainText('Line output and its retrace capacitor (Supply 112');
  await saved(page);
  await page.reload();
  await expect(notes).toContainText('High voltage +12.4 %');

  // Where no log is open the note goes its own way, and stands on the bench afterwards.
  await page.goto(page.url().replace('/bench', '/close'));
  await page.locator('body').click({ position: { x: 780, y: 20 } });
  await page.keyboard.press('=');
  await choose(reckoner, 'decibels', 'Decibels');
  await reckoner.getByLabel('Volts in').fill('1');
  await reckoner.getByLabel('Volts out').fill('three');
  await expect(reckoner.getByRole('alert')).toContainText('three');
  await reckoner.getByLabel('Volts out').fill('2');
  await page.keyboard.press('Control+Enter');
  await expect(reckoner.getByRole('button', { name: 'Kept on the job' })).toBeVisible();
  await page.goto(page.url().replace('/close', '/bench'));
  await expect(notes.getByRole('listitem')).toHaveCount(2);
});

test('an equal sign belongs to a text that is being written', async ({ page, app }) => {
  await page.goto(`${app.address}/stage`);
  await page.keyboard.press('Alt+n');
  await source(page, 'Netlist').focus();
  await page.keyboard.press('=');
  await expect(page.getByRole('dialog', { name: 'Reckoner' })).toHaveCount(0);
  await page.getByRole('textbox', { name: 'A node and its volts' }).focus();
  await page.keyboard.press('=');
  await expect(page.getByRole('dialog', { name: 'Reckoner' })).toBeVisible();
});
