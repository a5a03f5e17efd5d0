import { expect, test } from './app';
import { takeIn } from './bench';

test('a board is surveyed part by part from the keyboard, and judged as a whole', async ({ page, app }) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Signal-box set', ['Flooded green']);
  const [job] = /job\/[^/]+/.exec(page.url())!;
  await page.goto(`${app.address}/${job}/survey`);
  const entry = page.getByRole('textbox', { name: 'Part and reading' });
  // Twenty-four resistors: every third a good fifth too high, one low in circuit.
  for (let index = 0; index < 24; index += 1) {
    const read = index % 3 === 0 ? 5700 : index === 4 ? 3100 : 4700 + 10 * index;
    await entry.fill(`R${700 + index} 4k7 ${read}`);
    await page.keyboard.press('Enter');
    await expect(entry).toHaveValue('');
  }
  const list = page.getByTestId('survey');
  await expect(list).toHaveAttribute('data-count', '24');
  await expect(list.locator('[data-mark="replace"]')).toHaveCount(8);
  await expect(list.locator('[data-mark="lift"]')).toContainText('34 % below');
  await expect(page.getByTestId('survey-advice')).toContainText('Repopulate: 35 %');
  await entry.fill('R704 4k7 3100 lifted');
  await page.keyboard.press('Enter');
  await expect(list.locator('[data-mark="replace"]')).toHaveCount(9);
  await entry.fill('R201 brown red orange gold 12V');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The reading is read in ohms, not "12V"')).toBeVisible();
  await page.reload();
  await expect(list).toHaveAttribute('data-count', '24');
  // What the sheet knows needs no mark, and stands on the bench as well.
  await entry.fill('R201 19k');
  await page.keyboard.press('Enter');
  await expect(list).toHaveAttribute('data-count', '25');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByTestId('readings')).toContainText('Green collector load');
  await expect(page.getByTestId('suspects').locator('li').first()).toContainText('R201');
});

test('a store is proven, recovers, and is proven again; first power goes as agreed, then stops', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Pavilion board', ['Upper half dark']);
  const [job] = /job\/[^/]+/.exec(page.url())!;
  await page.goto(`${app.address}/${job}/power`);
  const volts = page.getByRole('textbox', { name: 'Volts of a store' });
  const stores = page.locator('li[data-store]');
  await page.keyboard.press('Alt+p');
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is unplugged, not proven' })).toBeVisible();
  const measure = async (line: string) => {
    await volts.fill(line);
    await volts.press('Enter');
    await expect(volts).toHaveValue('');
  };
  const ids = await stores.evaluateAll((all) => all.map((one) => one.getAttribute('data-store')!));
  await measure(`${ids[0]} 212`);
  await expect(stores.first()).toHaveAttribute('data-stand', 'holds');
  for (const id of ids) await measure(`${id} 4`);
  await expect(page.getByRole('region', { name: 'The set is proven dead' })).toBeVisible();
  await measure(`${ids[0]} 41`);
  await expect(page.getByRole('region', { name: 'The set is unplugged, not proven' })).toBeVisible();
  await expect(stores.first()).toContainText('recovered from 4 V');
  // The bare volts belong to the store that is due.
  await measure('3');
  await expect(page.getByRole('region', { name: 'The set is proven dead' })).toBeVisible();
  await expect(stores.first()).toHaveAttribute('data-stand', 'low');
  await volts.fill('C9999 3');
  await volts.press('Enter');
  await expect(page.getByText('there is no store "C9999"')).toBeVisible();

  await page.getByRole('button', { name: 'Agreed' }).click();
  const reservoir = page.getByRole('textbox', { name: /^Reservoir volts/ });
  await reservoir.fill('129');
  await reservoir.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Reservoir volts, Lamp in, full mains' })).toBeVisible();
  await reservoir.fill('6');
  await reservoir.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'STOP' })).toContainText('find the short');
  await expect(page.getByTestId('power-log')).toContainText('step lamp-full: 6 V');

  // The short is found; now the lamp stands in the sustain supply.
  await page.getByRole('button', { name: 'Agree anew' }).click();
  await page.getByLabel('The lamp stands').selectOption('in place of Vs’s fuse');
  await page.getByLabel('Lamp, W').fill('60');
  await page.getByRole('button', { name: 'Agreed' }).click();
  const rail = page.getByRole('textbox', { name: 'Vs volts, Lamp in place of Vs’s fuse' });
  await rail.fill('186');
  await rail.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'STOP' })).toContainText('what hangs on it does not run');
});

test('a photograph is attached to a board, and its answers show where the joint is', async ({ page, app }) => {
  await takeIn(page, app.address, 'Pellisar TC-14', 'Tea-room spare', ['Flooded green']);
  const [job] = /job\/[^/]+/.exec(page.url())!;
  await page.goto(`${app.address}/${job}/map`);
  const picture = await page.screenshot();
  const choose = page.locator('input[type=file]');
  await choose.setInputFiles({ name: 'main-board.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByTestId('board-photo')).toBeVisible();
  await expect
    .poll(() => page.getByTestId('board-photo').evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(100);
  // Far too large a file, and one that is no picture: one clear message each, and all else stays.
  const large = test.info().outputPath('large.jpg');
  const { open } = await import('node:fs/promises');
  const file = await open(large, 'w');
  await file.truncate(60 * 1024 * 1024);
  await file.close();
  await choose.setInputFiles(large);
  await expect(page.getByRole('alert').filter({ hasText: 'large.jpg is 60 MB' })).toBeVisible();
  await choose.setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert').filter({ hasText: 'notes.png is no photograph' })).toBeVisible();
  const refused = await page.request.post(`${app.address}/api/jobs/${job.slice(4)}/photos`, {
    headers: { origin: app.address, 'x-photo-id': 'aaaaaaaa-1' },
    data: Buffer.alloc(9 * 1024 * 1024),
  });
  expect(refused.status()).toBe(413);

  await page.getByRole('application').click();
  await page.keyboard.press('3');
  await expect(page.getByRole('alert').filter({ hasText: 'it answers to nothing' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Begin a soak' })).toBeDisabled();
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await page.getByRole('application').click();
  await page.keyboard.press('3');
  for (let step = 0; step < 8; step += 1) await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('t');
  await page.keyboard.press('0');
  await expect(page.getByTestId('joint-area')).toContainText('by 2 tries');
  const often = page.getByLabel('How often it failed before');
  await often.fill('now and then');
  await page.getByRole('button', { name: 'Begin a soak' }).click();
  await expect(page.getByRole('alert').first()).toContainText('write 3 in 10 h');
  await often.fill('3 in 10 h');
  await page.getByRole('button', { name: 'Begin a soak' }).click();
  await expect(page.getByRole('region', { name: 'Soak' }).getByRole('status')).toContainText('Cured with 80 %');
  await page.getByRole('textbox', { name: 'What happened' }).fill('colour gone for a moment');
  await page.keyboard.press('Enter');
  await page.reload();
  await expect(page.getByTestId('photos')).toContainText('main-board.png');
  await expect(page.getByTestId('soak')).toContainText('colour gone for a moment');
  // It fails: the picture is a reading of the bench, and the next soak knows how often.
  const soaking = page.getByRole('region', { name: 'Soak' });
  await soaking.getByRole('button', { name: 'Nothing at all' }).click();
  await expect(soaking.getByRole('status')).toContainText('It failed after');
  await expect(often).toHaveAttribute('placeholder', '2 in 0.1 h');
  await soaking.getByRole('link', { name: 'To the bench' }).click();
  await expect(page.getByTestId('readings')).toContainText('Nothing at all');
});

test('a soak with nobody looking: the meter watches, a moment away is an event, a set that goes ends it', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Colour tube set', 'Night watch', ['Too small']);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await page.goto(page.url().replace(/bench$/, 'map'));
  const soak = page.getByRole('region', { name: 'Soak' });
  await soak.getByLabel('How often it failed before').fill('after half an hour');
  await soak.getByRole('button', { name: 'Begin a soak' }).click();
  const stress = soak.getByTestId('stress');
  await expect(stress).toContainText('3 warm-ups');
  await stress.getByRole('checkbox').first().check();
  await expect(stress.getByRole('checkbox').first()).toBeDisabled();
  await soak.getByLabel('The meter is on').selectOption({ label: 'B+' });
  await soak.getByRole('button', { name: 'Let the meter watch' }).click();
  await expect(soak.getByTestId('watchdog')).toContainText('usual', { timeout: 15_000 });
  await expect(page.getByTestId('soak')).toContainText(/B\+ fell to \d % for 0\.\d s/, { timeout: 15_000 });
  await soak.getByRole('link', { name: 'To the bench' }).click({ timeout: 25_000 });
  await expect(page.getByTestId('readings')).toContainText('B+');
});
