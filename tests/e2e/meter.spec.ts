import { emptyDatabase, expect, startApp, test } from './app';
import { entry, takeIn } from './bench';

test('with the meter on, readings are recorded as they settle, with no key between them', async ({ page, app }) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Waiting-room set', ['Flooded green']);
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
  await expect(page.getByText('simulated meter')).toHaveCount(0);
  await page.keyboard.press('Alt+m');
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
  await expect(page.locator('[data-ahead]')).not.toHaveAttribute('data-ahead', 'looking');
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
  await entry(page).press('Enter');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('4');
});
