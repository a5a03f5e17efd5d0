import { type Page } from '@playwright/test';
import { expect, test } from './app';
import { takeIn } from './bench';

/** What the rails of a set read, with Va made of Vs: a volt of Vs moves it by a third. */
const set = { 'vs-dc': 180, 'va-dc': 59.5, 've-dc': 104, 'vset-dc': 195, 'vscan-dc': -170 };
type RailId = keyof typeof set;

const card = (page: Page) => page.getByRole('region', { name: 'Set next' });
/** Changes with every line that is recorded: what is asked for now, and what was read. */
const stand = async (page: Page) =>
  [
    await card(page).getAttribute('data-asks'),
    await card(page).getAttribute('data-rail'),
    await page.getByTestId('rails').innerText(),
  ].join('/');

test('rails are set one touch at a time: each turn to an aim, what it did to the others read and allowed for', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Lido board', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await page.goto(page.url().replace(/bench$/, 'setup'));
  const asked = card(page);
  const entry = asked.getByRole('textbox');
  const rails = { ...set };
  const take = async (value: number) => {
    const before = await stand(page);
    await entry.fill(value.toFixed(2));
    await entry.press('Enter');
    await expect.poll(() => stand(page)).not.toBe(before);
  };
  await entry.fill('sparkling');
  await entry.press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
  let touches = 0;
  for (let step = 0; step < 40; step += 1) {
    const asks = await asked.getAttribute('data-asks');
    if (asks === 'done') break;
    const rail = (await asked.getAttribute('data-rail')) as RailId;
    if (asks === 'turn') {
      const aim = Number(/[-−\d.]+/.exec((await asked.locator('b.figure').first().innerText()).replace('−', '-'))![0]);
      if (rail === 'vs-dc') rails['va-dc'] += (aim - rails['vs-dc']) / 3;
      rails[rail] = aim;
      touches += 1;
    }
    await take(rails[rail]);
  }
  await expect(asked.getByRole('heading')).toHaveText('All rails are within');
  expect(touches).toBeGreaterThan(0);
  expect(touches).toBeLessThan(4);
  await expect(page.getByTestId('rails').locator('li').first()).toContainText('before');
  await page.reload();
  await expect(asked.getByRole('heading')).toHaveText('All rails are within');
});
