import { type Locator, type Page } from '@playwright/test';
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

/** Takes a set in, switches it on and goes to its rails: what is asked there. */
async function toRails(page: Page, address: string, sheet: string, title: string, tile: string): Promise<Locator> {
  await takeIn(page, address, sheet, title, [tile]);
  await page.keyboard.press('Alt+p');
  await expect(page.locator('[data-waiting]')).toHaveAttribute('data-waiting', '0');
  await page.goto(page.url().replace(/bench$/, 'setup'));
  return card(page);
}
/** Types what is asked for, and waits until it is taken. */
async function take(page: Page, text: string): Promise<void> {
  const before = await stand(page);
  const entry = card(page).getByRole('textbox');
  await entry.fill(text);
  await entry.press('Enter');
  await expect.poll(() => stand(page)).not.toBe(before);
}

test('rails are set one touch at a time: each turn to an aim, what it did to the others read and allowed for', async ({
  page,
  app,
}) => {
  const asked = await toRails(page, app.address, 'Halvane HP-42', 'Lido board', 'Upper half dark');
  const entry = asked.getByRole('textbox');
  const rails = { ...set };
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
    await take(page, rails[rail].toFixed(2));
  }
  await expect(asked.getByRole('heading')).toHaveText('All rails are within');
  expect(touches).toBeGreaterThan(0);
  expect(touches).toBeLessThan(4);
  await expect(page.getByTestId('rails').locator('li').first()).toContainText('before');
  await page.reload();
  await expect(asked.getByRole('heading')).toHaveText('All rails are within');
});

test('with the meter on, rails are set with no key but the one that switches it on', async ({ page, app }) => {
  const asked = await toRails(page, app.address, 'Pellisar TC-14', 'Terrace set', 'Flooded green');
  await page.keyboard.press('Alt+m');
  await expect(asked.getByRole('status', { name: 'Meter' })).toBeVisible();
  // Each is read, and turned until it is near enough to let go.
  await expect(asked).toHaveAttribute('data-asks', /turn|watch/, { timeout: 60_000 });
  // Before B+ is raised high voltage is asked for; there is no probe for it here.
  const passOver = asked.getByRole('button', { name: 'No such probe here' });
  if ((await asked.getAttribute('data-asks')) === 'watch') await passOver.click();
  await expect(asked).toHaveAttribute('data-asks', 'turn', { timeout: 60_000 });
  await expect(asked).toContainText(/V (more|less)/, { timeout: 15_000 });
  await expect(asked).toHaveAttribute('data-asks', 'done', { timeout: 120_000 });
  await expect(asked.getByRole('heading')).toHaveText('All rails are within');
  await page.keyboard.press('Alt+z');
  await expect(asked).not.toHaveAttribute('data-asks', 'done');
});

test('a turn that is counted teaches the control, and a turn that does nothing is a fault', async ({ page, app }) => {
  const asked = await toRails(page, app.address, 'Halvane HP-42', 'Kiosk board', 'Upper half dark');
  const entry = asked.getByRole('textbox');
  for (const value of Object.values(set)) await take(page, String(value));
  await expect(asked.getByRole('heading')).toContainText('Turn VR841 clockwise');
  await entry.fill('183 1/0');
  await entry.press('Enter');
  await expect(page.getByRole('alert').first()).toContainText('is no turn: write 1/8');
  await take(page, '183 1/4');
  for (const value of [60.5, 104, 195, -170]) await take(page, String(value));
  await expect(asked.getByRole('heading')).toContainText(/Turn VR841 about .* turn clockwise/);
  await take(page, '183 1/4');
  for (const value of [60.5, 104, 195, -170]) await take(page, String(value));
  await expect(asked).toContainText('VR841 was turned by 0.25 of a turn and Vs did not move');
});

test('high voltage is read before B+ is raised, and past its limit it is a fault', async ({ page, app }) => {
  const asked = await toRails(page, app.address, 'Pellisar TC-14', 'Gallery set', 'Flooded green');
  await take(page, '100');
  await expect(asked.getByRole('heading')).toHaveText('Read Screen');
  await take(page, '420');
  await expect(asked.getByRole('heading')).toHaveText('Read EHT');
  await take(page, '19.2k');
  await expect(asked.getByRole('heading')).toContainText('Turn VR801');
  await expect(page.getByTestId('rails')).toContainText('at most, by reckoning');
  // It comes out right at B+, with high voltage that has gone up by more.
  await take(page, (await asked.getByRole('textbox').getAttribute('placeholder'))!);
  await take(page, '420');
  await expect(asked).toHaveAttribute('data-asks', 'done');
  await page.goto(page.url().replace(/setup$/, 'bench'));
  const entry = page.getByRole('region', { name: 'Probe next' }).getByRole('textbox');
  await entry.fill('eht-dc 27k');
  await entry.press('Enter');
  await expect(page.getByTestId('readings')).toContainText('27');
  await page.goto(page.url().replace(/bench$/, 'setup'));
  await expect(asked).toContainText(/EHT stands at 27\.0 kV/);
});
