import { type Locator, type Page } from '@playwright/test';
import { emptyDatabase, expect, startApp, test } from './app';
import { entry, takeIn } from './bench';

/** Has the meter read from a recorded log. Chosen while the set is off: the simulated meter would read it otherwise. */
async function recordedLog(page: Page): Promise<Locator> {
  await page.keyboard.press('Alt+m');
  const choice = page.getByRole('region', { name: 'Which meter' });
  await choice.getByRole('combobox', { name: 'Meter' }).click();
  await page.getByText('Recorded log', { exact: true }).click();
  return choice;
}

test('with the meter on, readings are recorded as they settle, with no key between them', async ({ page, app }) => {
  // The fault that hides in a set goes by its name: in this one the line drive runs.
  await takeIn(page, app.address, 'Pellisar TC-14', 'Platform set', ['Flooded green']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await page.keyboard.press('Alt+m');
  const readings = page.getByTestId('readings');
  const measured = () => readings.getAttribute('data-count').then(Number);
  await expect(page.locator('[data-waiting]')).toHaveAttribute('data-waiting', '0');
  // Three points picked on the line: nothing is typed, and each is recorded by itself.
  for (const [done, net] of ['kg', 'kr', 'v180'].entries()) {
    await page.locator(`[data-net="${net}"]`).last().click();
    await expect(page.getByRole('status', { name: 'Meter' })).toBeVisible();
    await expect.poll(measured, { timeout: 15_000 }).toBeGreaterThan(done);
  }
  // What is read with a sampler is drawn, too.
  await page.locator('[data-net="hdrive"]').last().click();
  await expect(page.getByRole('figure', { name: 'Sweep' })).toContainText(/15\.\d kHz/, { timeout: 15_000 });
  const count = await measured();
  await page.reload();
  await expect(readings).toHaveAttribute('data-count', String(count));
});

test('a meter asked for a point that is not there, or of no job, says so', async ({ app }) => {
  const none = await fetch(`${app.address}/api/meter/00000000-0000-4000-8000-00000000dead?check=vs`);
  expect(none.status).toBe(404);
  expect(await none.text()).toBe('there is no such job');
});

test('on sets that are real no meter is simulated: nothing invented gets into their record', async ({ page }) => {
  const real = await startApp(emptyDatabase(), undefined, false);
  await takeIn(page, real.address, 'Pellisar TC-14', 'A real set', ['Flooded green']);
  await page.keyboard.press('Alt+m');
  await page.getByRole('combobox', { name: 'Meter' }).click();
  await expect(page.getByText('Recorded log', { exact: true })).toBeVisible();
  await expect(page.getByText('Simulated meter')).toHaveCount(0);
  await expect(page.getByRole('status', { name: 'Meter' })).toHaveCount(0);
  const job = /job\/([^/]+)/.exec(page.url())![1];
  const answer = await fetch(`${real.address}/api/meter/${job}?check=kg-dc`);
  expect(answer.status).toBe(404);
  expect(await answer.text()).toMatch(/real ones/);
  real.kill();
});

test('a code tapped along on the space bar is counted, and recorded once the groups agree', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Landing display', ['Starts, then off']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  const card = page.getByRole('region', { name: 'Probe next' });
  // The code may be asked for at once, or stand among the other probes.
  const plain = page
    .getByRole('region', { name: 'Other probes' })
    .getByRole('button', { name: /Alt \d Blinks of the light/ });
  await expect(page.locator('[data-ahead]')).toHaveAttribute('data-ahead', /done|at once/);
  if ((await card.getAttribute('data-check')) !== 'blinks' || (await card.getAttribute('data-step')) !== '')
    await plain.click();
  await expect(card).toHaveAttribute('data-check', 'blinks');
  await expect(card).toHaveAttribute('data-step', '');
  await entry(page).focus();
  for (let group = 0; group < 2; group += 1) {
    for (let blink = 0; blink < 4; blink += 1) {
      await page.keyboard.press(' ', { delay: 60 });
      await page.waitForTimeout(180);
    }
    await page.waitForTimeout(1500);
  }
  await expect(card.getByText('2 groups agree')).toBeVisible();
  await expect(entry(page)).toHaveValue('4');
  await expect(page.getByTestId('blink-conditions')).toContainText('Vset missing; Vscan missing');
  await entry(page).press('Enter');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('4');
});

test('a whole sequence at the bench runs from the meter with single keys, in large figures', async ({ page, app }) => {
  test.slow();
  await takeIn(page, app.address, 'Pellisar TC-14', 'Booking-hall set', ['Flooded green']);
  await page.keyboard.press('Alt+m');
  await expect(page.getByRole('region', { name: 'Which meter' })).toBeVisible();
  await page.keyboard.press('Alt+g');
  const large = page.getByRole('dialog', { name: 'Large figures' });
  await expect(large).toBeVisible();
  const readings = page.getByTestId('readings');
  const measured = () => readings.getAttribute('data-count').then(Number);
  // The fault may be found after a reading or two, and a repair is named.
  const found = async () =>
    /^(Fit|Resolder|Reseat|Clean|Set) /.test((await large.getByRole('heading').textContent()) ?? '');
  const enough = async () => (await measured()) >= 5 || ((await measured()) >= 1 && (await found()));
  for (let turn = 0; turn < 100 && !(await enough()); turn += 1) {
    // What is asked for follows the last reading a moment later.
    await expect(page.locator('[data-ahead="briefing"]')).toHaveCount(0);
    const wants = await large.getAttribute('data-wants');
    const before = await measured();
    const title = await large.getByRole('heading').textContent();
    // What is to be done is done with one key, what needs words is passed over, figures come by themselves.
    if (wants === 'step') await page.keyboard.press('Enter');
    else if (wants === 'words') await page.keyboard.press('ArrowRight');
    await expect
      .poll(async () => (await measured()) > before || (await large.getByRole('heading').textContent()) !== title, {
        timeout: 4_000,
      })
      .toBe(true)
      // The advice may have moved on between what was read of it and the key: the next turn sees where it stands.
      .catch(() => undefined);
  }
  const count = await measured();
  expect(await enough()).toBe(true);
  await page.keyboard.press('Backspace');
  await expect.poll(measured).toBeLessThan(count + 1);
  await page.keyboard.press('Escape');
  await expect(large).toHaveCount(0);
});

test('a shutdown is caught at start from a recorded log; a log that is none, or breaks off, says so', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Terrace display', ['Starts, then off']);
  const choice = await recordedLog(page);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await page.locator('[data-net="vs"]').last().click();
  const open = choice.locator('input[type=file]');
  const log = (lines: readonly string[]) => ({
    name: 'log.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(lines.join('\n')),
  });
  await open.setInputFiles(log(['time,volts', '0,1']));
  await expect(choice.getByRole('alert')).toContainText('there is no column "seconds" among time, volts');
  await open.setInputFiles(log(['seconds,value,unit', '0,187,V', '0.1,187.2,V']));
  await expect(page.getByRole('status', { name: 'Meter' })).toContainText('broke off before it settled');
  const brief = Array.from({ length: 60 }, (_, index) => {
    const value = index < 3 ? 60 * index : index < 14 ? 186.5 + (index % 2) / 10 : 0.2;
    return `${index / 10},${value},V`;
  });
  await open.setInputFiles(log(['seconds,value,unit', ...brief]));
  const rows = page.getByTestId('readings');
  await expect(rows).toHaveAttribute('data-count', '1', { timeout: 15_000 });
  await expect(rows).toContainText('187');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('up, then gone');
});

test('a reading that creeps on after it was recorded is put right while the probes are on it', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Platform set', ['Flooded green']);
  const choice = await recordedLog(page);
  await page.keyboard.press('Alt+p');
  await page.locator('[data-net="kg"]').last().click();
  const creeping = Array.from({ length: 80 }, (_, index) => {
    const volts = index < 20 ? 120 + (index % 3) / 10 : 120 + 0.3 * (index - 20);
    return `${index / 10},${volts.toFixed(2)},V`;
  });
  await choice.locator('input[type=file]').setInputFiles({
    name: 'creeping.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['seconds,value,unit', ...creeping].join('\n')),
  });
  const rows = page.getByTestId('readings');
  await expect(rows).toHaveAttribute('data-count', '1', { timeout: 40_000 });
  await expect(rows).toContainText('120');
  await expect(rows).toContainText(/13[5-7]/, { timeout: 40_000 });
  await expect(rows).toHaveAttribute('data-count', '1');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('corrected');
});
