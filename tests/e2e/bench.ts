import { expect, type Page } from '@playwright/test';
import { type SimulatedSet } from './simulatedSet';

const card = (page: Page) => page.getByRole('region', { name: 'Probe next' });
export const entry = (page: Page) => card(page).getByRole('textbox');
const suspects = (page: Page) => page.getByTestId('suspects').locator('li');

/** Waits until the server has acknowledged all that was recorded. */
export async function saved(page: Page): Promise<void> {
  const bench = page.locator('[data-waiting]');
  await expect(bench).not.toHaveAttribute('data-saved', '');
  await expect(bench).toHaveAttribute('data-waiting', '0');
}

/** Types a line on the bench and waits until it stands in the record. */
export async function type(page: Page, line: string): Promise<void> {
  const before = Number(await page.getByTestId('readings').getAttribute('data-count'));
  await entry(page).fill(line);
  await entry(page).press('Enter');
  await expect(page.getByTestId('readings')).toHaveAttribute('data-count', String(before + 1));
}

/** Takes in a set by its tiles, with the keyboard's shortcut at the end. */
export async function takeIn(
  page: Page,
  address: string,
  sheet: string,
  title: string,
  tiles: readonly string[],
  options: readonly string[] = [],
): Promise<void> {
  await page.goto(`${address}/take-in`);
  const choice = page.getByRole('button', { name: new RegExp(sheet) });
  await choice.click();
  await expect(choice).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Name of the set').fill(title);
  for (const option of options) await page.getByRole('button', { name: option, exact: true }).click();
  for (const tile of tiles)
    await page.getByRole('region', { name: 'The complaint' }).getByRole('button', { name: tile, exact: true }).click();
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/\/bench$/);
  await expect(card(page)).toBeVisible();
}

/** Waits until the worker has looked ahead, so that the probe named stays. */
async function lookedAhead(page: Page): Promise<void> {
  await expect(page.locator('[data-ahead]')).toHaveAttribute('data-ahead', /done|at once/);
}

/** Follows the advice with Enter and answers only, until it says to act. Returns how many probes it took. */
export async function followAdvice(page: Page, set: SimulatedSet, most = 25): Promise<number> {
  for (let step = 0; step < most; step += 1) {
    await lookedAhead(page);
    const check = await card(page).getAttribute('data-check');
    const doing = await card(page).getAttribute('data-step');
    if (check === '') return step;
    const title = await card(page).getByRole('heading').innerText();
    await entry(page).fill(doing === 'prove' ? '2.1' : doing === 'do' ? '' : set.typed(check!));
    await entry(page).press('Enter');
    const pulled = /^Pull ([\w-]+)/.exec(title)?.[1];
    if (pulled) set.pull(pulled, true);
    await expect(card(page).getByRole('heading')).not.toHaveText(title);
  }
  throw new Error(`no decision after ${most} steps`);
}

/** The likeliest suspect as shown, once the last reading is in it. */
export async function leader(page: Page): Promise<string> {
  await expect(page.locator('[data-ahead="briefing"]')).toHaveCount(0);
  return (await suspects(page).first().getAttribute('data-fault')) ?? '';
}

/** Records the repair that is proposed and measures everything again until it is proven. */
export async function repairAndVerify(page: Page, set: SimulatedSet): Promise<void> {
  await repair(page, set);
  await expect(page.getByRole('button', { name: /Close the job/ })).toBeVisible();
}

/**
 * Records the repair that is proposed and measures again all that was wrong.
 *
 * @param fault the one the repair takes out of the set; all of them where none is named
 */
export async function repair(page: Page, set: SimulatedSet, fault?: string): Promise<void> {
  await page.waitForURL(/\/repair$/);
  const done = page.getByRole('button', { name: /It is done/ });
  await expect(done).toBeVisible();
  // Nothing is repaired on a live set.
  if (await done.isDisabled()) await page.keyboard.press('Alt+p');
  await expect(done).toBeEnabled();
  await page.keyboard.press('Control+Enter');
  set.repair(fault);
  const again = page.locator('[data-check][data-step]');
  const closing = page
    .getByRole('button', { name: /Close the job/ })
    .or(page.getByText('Not cured yet.', { exact: true }));
  for (let step = 0; step < 25 && !(await closing.isVisible()); step += 1) {
    await expect(again.or(closing).first()).toBeVisible();
    if (await closing.isVisible()) break;
    const check = await again.getAttribute('data-check');
    const doing = await again.getAttribute('data-step');
    const before = await page.getByRole('region', { name: 'Before and after' }).innerText();
    const typed = doing === '' ? set.typed(check!) : '';
    if (check === 'picture' && typed === 'normal') await again.getByRole('button', { name: 'Picture right' }).click();
    else {
      await again.getByRole('textbox').fill(doing === 'prove' ? '2' : typed);
      await again.getByRole('textbox').press('Enter');
    }
    await expect.poll(() => page.getByRole('region', { name: 'Before and after' }).innerText()).not.toBe(before);
  }
  await expect(closing).toBeVisible();
}

/** Closes the job with the note as drafted and finds it by a search for some word. */
export async function closeAndFind(page: Page, address: string, word: string, cause: string): Promise<void> {
  await page.getByRole('button', { name: /Close the job/ }).click();
  await page.waitForURL(/\/close$/);
  await expect(page.getByLabel('What it was')).toHaveValue(cause);
  await page.getByRole('button', { name: /Close the job/ }).click();
  await page.waitForURL(/\/notebook\/.+/);
  await page.goto(`${address}/notebook`);
  await page.getByLabel('Search the notebook').fill(word);
  await page.waitForURL(/q=/);
  await expect(page.getByTestId('notes').locator('li')).toHaveCount(1);
  await expect(page.getByTestId('notes')).toContainText(cause);
}
