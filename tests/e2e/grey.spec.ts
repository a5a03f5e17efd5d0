import { bars, drawGreyTube, type GreyControl, lookOf, tintOf } from '../../src/core/setup';
import { seeded } from '../../src/core/statistics';
import { expect, test } from './app';
import { takeIn } from './bench';

test('a grey scale is set by eye with single keys, and measured after', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Winch-house set', ['Too small']);
  await page.keyboard.press('Alt+p');
  await page.goto(page.url().replace(/bench$/, 'grey'));
  const card = page.getByRole('region', { name: 'Grey next' });
  const tube = drawGreyTube(seeded(2));
  const eye = seeded(3);
  const keys = ['reddish', 'purplish', 'bluish', 'blue-green', 'greenish', 'yellowish', 'grey'];
  const asks = () => card.getAttribute('data-asks');
  const stand = async () =>
    [await asks(), await card.getAttribute('data-control'), await card.getAttribute('data-turn')].join();
  let turns = 0;
  for (let step = 0; step < 120 && (await asks()) !== 'done'; step += 1) {
    const before = await stand();
    const asked = await asks();
    if (asked === 'turn') {
      tube.turn((await card.getAttribute('data-control')) as GreyControl, Number(await card.getAttribute('data-turn')));
      turns += 1;
      await page.keyboard.press('Enter');
    } else {
      const { red, blue } = tintOf(tube.light(asked as 'dark' | 'bright'));
      await page.keyboard.press(String(keys.indexOf(lookOf([red, blue], eye)) + 1));
    }
    await expect.poll(stand).not.toBe(before);
  }
  expect(await asks()).toBe('done');
  expect(turns).toBeLessThan(31);
  for (const bar of bars) expect(tintOf(tube.light(bar)).size).toBeLessThan(1.8);
  await page.getByRole('button', { name: 'By a colour meter' }).click();
  const entry = card.getByRole('textbox');
  await entry.fill('0.31');
  await entry.press('Enter');
  await expect(page.getByText('write x, y and the luminance, as 0.31 0.33 4.2')).toBeVisible();
  for (const [line, next] of [
    ['0.345 0.345 4', /Measure the bright bar/],
    ['0.313 0.329 80', /cut-off/],
  ] as const) {
    await entry.fill(line);
    await entry.press('Enter');
    await expect(card.getByRole('heading')).toHaveText(next);
  }
  await expect(page.getByRole('region', { name: 'How far from grey' })).toContainText(/dark\s*[1-9]/);
});
