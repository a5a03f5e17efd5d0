import { PNG } from 'pngjs';
import { type Page } from '@playwright/test';
import { photographed } from '../../src/core/crosshatch';
import { seeded } from '../../src/core/statistics';
import { expect, test } from './app';
import { takeIn } from './bench';

const bad = { askew: 12, shape: 0.03, colours: 0.006, noise: 0.02, fill: 0.92 };
const shot = (seed: number, shape: number, more: Partial<typeof bad> = {}) => {
  const made = photographed({ across: 15, down: 11 }, 1200, seeded(seed), { ...bad, shape, ...more });
  const { width, height, data } = made.picture;
  const png = new PNG({ width, height });
  png.data = Buffer.from(data);
  return { ...made, file: { name: 'crosshatch.png', mimeType: 'image/png', buffer: PNG.sync.write(png) } };
};

/** Puts the rings on the corners of the glass. */
async function placeCorners(page: Page, { corners, picture }: ReturnType<typeof shot>) {
  const photo = page.getByRole('group', { name: 'Photograph of the crosshatch' });
  for (const [index, name] of ['Top left', 'Top right', 'Bottom right', 'Bottom left'].entries()) {
    const { x, y, width, height } = (await photo.boundingBox())!;
    const scale = Math.min(width / picture.width, height / picture.height);
    const [left, top] = [x + (width - scale * picture.width) / 2, y + (height - scale * picture.height) / 2];
    const ring = (await page.getByRole('slider', { name }).boundingBox())!;
    await page.mouse.move(ring.x + ring.width / 2, ring.y + ring.height / 2);
    await page.mouse.down();
    await page.mouse.move(left + scale * corners[index]!.x, top + scale * corners[index]!.y, { steps: 4 });
    await page.mouse.up();
  }
}

test('a photographed crosshatch becomes errors, a turn, and a line of the record', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Kiosk set', ['Too small']);
  await page.goto(page.url().replace(/bench$/, 'shape'));
  const choose = page.locator('input[type=file]');
  await choose.setInputFiles({ name: 'note.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('save it as JPEG or PNG')).toBeVisible();
  const first = shot(3, 0.015);
  await choose.setInputFiles(first.file);
  // The glass stands out from its frame: its corners are found.
  const found = page.getByRole('button', { name: 'Corners are right' });
  await expect(found).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('Found by the edge of the glass')).toBeVisible();
  await page.getByRole('button', { name: 'Record it' }).click();
  const turn = page.getByTestId('turn');
  await expect(turn).toContainText('of the width');
  await turn.getByRole('button', { name: 'Turned' }).click();
  await expect(page.getByRole('heading', { name: 'Photograph it again' })).toBeVisible();
  await choose.setInputFiles(shot(3, 0.008).file);
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByTestId('before-now')).toContainText('→');
  await page.reload();
  await expect(page.getByTestId('before-now')).toContainText('→');
  const kept = page.getByTestId('photographs').locator('img');
  await expect(kept).toHaveCount(2);
  for (const image of await kept.all())
    await expect.poll(() => image.evaluate((node: HTMLImageElement) => node.naturalWidth)).toBeGreaterThan(500);
});

test('corners that do not stand out are put in their places by hand', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Weir set', ['Too small']);
  await page.goto(page.url().replace(/bench$/, 'shape'));
  // The outer lines lie on the edge of the glass.
  const over = shot(3, 0.015, { fill: 1.06 });
  await page.locator('input[type=file]').setInputFiles(over.file);
  await page.getByRole('button', { name: 'The rings are on the corners' }).waitFor();
  await placeCorners(page, over);
  await page.getByRole('button', { name: 'The rings are on the corners' }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByTestId('turn')).toContainText('of the width');
});

test('a crossing that is wrong is dragged to where it is, and taken back', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Sluice set', ['Too small']);
  await page.goto(page.url().replace(/bench$/, 'shape'));
  await page.locator('input[type=file]').setInputFiles(shot(3, 0.03).file);
  await page.getByRole('button', { name: 'Record it' }).waitFor();
  const crossing = page.getByRole('slider', { name: 'Crossing 8 across, 6 down' });
  const before = await crossing.getAttribute('aria-valuetext');
  const { x, y, width, height } = (await crossing.boundingBox())!;
  await page.mouse.move(x + width / 2, y + height / 2);
  await page.mouse.down();
  await page.mouse.move(x + width / 2 + 30, y + height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(crossing).not.toHaveAttribute('aria-valuetext', before!);
  await expect(page.getByTestId('unsure')).toContainText('1 moved.');
  const dragged = await crossing.getAttribute('aria-valuetext');
  await crossing.press('ArrowDown');
  await expect(crossing).not.toHaveAttribute('aria-valuetext', dragged!);
  // What was dragged and nudged was moved once, and goes back at once.
  await page.keyboard.press('Alt+z');
  await expect(crossing).toHaveAttribute('aria-valuetext', before!);
  await expect(page.getByTestId('unsure')).not.toContainText('moved.');
});

test('a picture is measured with a rule where there is no camera', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Lodge set', ['Too small']);
  await page.goto(page.url().replace(/bench$/, 'shape'));
  await page.getByText('No camera? Measure along the middle').click();
  await page.getByLabel('Left to right').fill('30 35 35 35 35 30');
  const down = page.getByLabel('Top to bottom');
  await down.fill('15 30 nothing 30 30 15');
  await expect(page.getByRole('alert').filter({ hasText: '"nothing" is no length' })).toBeVisible();
  await down.fill('15 30 30 30 30 15');
  await expect(page.getByRole('region', { name: 'What it shows' })).toContainText('too narrow');
  await down.press('Enter');
  await expect(page.getByTestId('turn')).toContainText('width');
  await page.reload();
  await expect(page.getByTestId('turn')).toContainText('width');
});

test('a pattern fills the screen, and is dimmed and moved when it has stood for its time', async ({ page, app }) => {
  await page.clock.install();
  await page.goto(`${app.address}/patterns?show=dots`);
  await page.getByRole('button', { name: /Fill the screen/ }).click();
  const shown = page.getByRole('dialog');
  await expect(shown).toHaveAccessibleName(/Dots/);
  await page.clock.runFor(170_000);
  await expect(shown).not.toHaveAttribute('data-resting');
  await page.clock.runFor(15_000);
  await expect(shown).toHaveAttribute('data-resting');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('dialog', { name: /Centre cross/ })).not.toHaveAttribute('data-resting');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as PNG' }).click();
  const bytes = await (await saved).createReadStream().then((stream) => stream.toArray());
  expect(PNG.sync.read(Buffer.concat(bytes as Buffer[]))).toMatchObject({ width: 640, height: 480 });
});
