import { readFileSync } from 'node:fs';
import { type Locator } from '@playwright/test';
import { PNG } from 'pngjs';
import { readNetlist } from '../../src/core/circuit';
import { seeded } from '../../src/core/statistics';
import { patternOf, photographedBoard } from '../../src/core/tracing';
import { netlistOf } from '../../src/sheets/stages';
import { expect, test } from './app';
import { saved, takeIn } from './bench';

const board = (stage: string) => patternOf(stage, readNetlist(netlistOf(stage)!));

/** Types lines into an entry, each when the one before was taken. */
async function typeInto(entry: Locator, ...lines: readonly string[]): Promise<void> {
  for (const text of lines) {
    await entry.fill(text);
    await entry.press('Enter');
    await expect(entry).toHaveValue('');
  }
}

test('a regulator is traced from nothing to its volts by what is said to be beeped next', async ({ page, app }) => {
  const regulator = board('series-regulator');
  // On a board every part has a number.
  const printed = (spot: string) => spot.replace(/^([A-Z]+)(?=\.|$)/i, (name) => (name === 'gnd' ? name : `${name}9`));
  const nodeOf = new Map(regulator.nodes.flatMap((spots, node) => spots.map((spot) => [printed(spot), node] as const)));
  await takeIn(page, app.address, 'Mono tube set', 'No schematic', ['Nothing at all']);
  const job = /\/job\/[^/]+/.exec(page.url())![0];
  await page.goto(`${app.address}${job}/trace`);
  const line = page.getByLabel('A part or a beep');
  const type = (...texts: readonly string[]) => typeInto(line, ...texts);
  await expect(page.getByText('Nothing is traced yet')).toBeVisible();
  await line.fill('R1 red');
  await line.press('Enter');
  await expect(page.locator('p[role=alert]')).toContainText('is no value of a resistor');
  // One value cannot be read: its bands have burnt.
  for (const [index, { ref, kind, value }] of regulator.parts.entries())
    await type(`${printed(ref)} ${kind}${value === undefined || index === 3 ? '' : ` ${value}`}`);
  await type('+140 not gnd');
  const next = page.getByRole('region', { name: 'Beep next' }).getByRole('status');
  let beeps = 0;
  for (; beeps < 60; beeps += 1) {
    await page.waitForTimeout(120);
    const said = await next.innerText();
    const [, a, b] = /(\S+) – (\S+)/.exec(said) ?? [];
    if (a === undefined || b === undefined) break;
    const joined = nodeOf.has(a) && nodeOf.get(a) === nodeOf.get(b);
    await line.fill(joined ? '' : 'n');
    await line.press('Enter');
    await expect.poll(() => next.innerText()).not.toBe(said);
  }
  expect(beeps).toBeLessThan(60);
  await expect(page.getByRole('region', { name: 'What it is' })).toContainText(/It is likely.*regulator/is);
  const rows = page.getByTestId('nodes').locator('tr');
  await expect(rows).toHaveCount(regulator.nodes.length);
  await expect(page.getByText(/Volts as the traced circuit should stand/)).toBeVisible();
  await page.getByText('Draw it').click();
  const drawing = page.getByRole('img', { name: `Drawing of ${regulator.parts.length} parts` });
  for (const { ref } of regulator.parts) await expect(drawing.locator(`[data-ref="${printed(ref)}"]`)).toHaveCount(1);
  const writes = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Write PNG' }).click();
  const png = PNG.sync.read(readFileSync(await (await writes).path()));
  expect(Math.min(png.width, png.height)).toBeGreaterThan(200);
  await saved(page);
  await page.reload();
  await expect(rows).toHaveCount(regulator.nodes.length);
  // What the live set reads speaks for a part that failed, or for a joint that was traced wrong.
  const inner = rows.filter({ has: page.getByRole('rowheader', { name: /^n\d/ }) }).first();
  const [pin] = (await inner.locator('td').first().innerText()).split(/\s+/);
  const heard = page.getByRole('note', { name: 'By the volts that were read' });
  await type(`volts ${pin} 0.2`);
  await expect(inner).toContainText('reads 0.2 V');
  await expect(heard).toContainText(/No one part explains them|is open, or does not lie where it was traced|drifted/);
  // The card asks for what tells most, and no beep is answered that it does not show.
  await expect(next).toContainText(/by itself|volts \S+|Nothing is worth a beep/);
  const found = page.getByText(/^\d+ found/);
  const before = await found.innerText();
  await line.press('Enter');
  await expect(found).toHaveText(before);
  await type(`volts ${pin} off`);
  await expect(heard).toHaveCount(0);
});

test('traced parts go onto the chassis in one go, and are suspected and measured at the bench', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Mono tube set', 'Ferry portable', ['Nothing at all']);
  await page.keyboard.press('Alt+t');
  await page.waitForURL(/\/trace$/);
  const line = page.getByLabel('A part or a beep');
  await expect(line).toBeFocused();
  const traced = ['Q901 npn', 'R902 1k', 'C901 100u', 'Q901.c +18', 'Q901.e +12', 'R902.1 +12', 'R902.2 +18'];
  await typeInto(line, ...traced, 'C901.1 +12', 'C901.2 gnd');
  await page.getByText('Put it on this chassis').click();
  await expect(page.getByLabel('Rail it makes')).toHaveValue('+12');
  await expect(page.getByLabel('Net of the sheet')).toHaveValue('v12');
  await expect(page.getByLabel('What Q901 is to it')).toHaveValue('feeds');
  await expect(page.getByLabel('What C901 is to it')).toHaveValue('shunts');
  await page.getByRole('checkbox', { name: /C901/ }).uncheck();
  await page.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(page.getByText('2 parts are on this chassis now.')).toBeVisible();
  // What is on the sheet is not offered again.
  await expect(page.getByRole('region', { name: 'What it is' }).getByRole('checkbox')).toHaveCount(1);
  await saved(page);
  await page.goto(page.url().replace('/trace', '/bench'));
  const entry = page.getByRole('region', { name: 'Probe next' }).getByRole('textbox');
  await entry.fill('R902 OL');
  await expect(page.getByRole('region', { name: 'Probe next' })).toContainText('Resistor R902');
  await entry.press('Enter');
  await expect(page.getByTestId('suspects').locator('li').first()).toHaveAttribute('data-fault', 'R902.open');
});

test('a traced regulator becomes a block of its set, whose nodes are judged by its circuit', async ({ page, app }) => {
  await takeIn(page, app.address, 'Mono tube set', 'Quay portable', ['Lit, no picture']);
  await page.keyboard.press('Alt+t');
  await page.waitForURL(/\/trace$/);
  const line = page.getByLabel('A part or a beep');
  const parts = ['Q901 npn', 'R901 470', 'C901 100u', 'D901 zener 9.7'];
  const beeps = ['Q901.c +15', 'Q901.e +9', 'R901.1 +15', 'R901.2 Q901.b', 'C901.1 +9', 'C901.2 gnd', 'D901.k Q901.b'];
  await typeInto(line, ...parts, ...beeps);
  const found = page.getByRole('region', { name: 'What it is' });
  await page.getByText('Put it on this chassis').click();
  await page.getByLabel('Net of the sheet').selectOption({ label: 'none of the sheet: a block of its own' });
  // Not traced to its end: the zener lies nowhere yet, and without it the rail is another.
  await expect(found).toContainText(
    /Its circuit stays off the sheet: as traced it makes 1[23]\.\d V where \+9 V belongs: D901/,
  );
  await line.fill('D901.a gnd');
  await line.press('Enter');
  await expect(found).toContainText(/Its circuit goes with it: as traced it makes (?:8\.9|9)/);
  await page.getByLabel('Title of the block').fill('Tuner supply');
  await page.getByLabel('Block that it feeds').selectOption({ label: 'Tuner, detector and sound' });
  await expect(page.getByLabel('Net that +15 is')).toHaveValue('v15');
  await page.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(found).toContainText('4 parts are on this chassis now, with their circuit.');
  await expect(found).toContainText('All of it is on the sheet already.');
  await expect(page.getByRole('button', { name: 'Put it on the sheet' })).toHaveCount(0);
  await saved(page);
  await page.reload();
  await page.getByText('Put it on this chassis').click();
  await expect(found).toContainText('All of it is on the sheet already.');
  await page.goto(page.url().replace('/trace', '/bench'));
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  const entry = page.getByRole('region', { name: 'Probe next' }).getByRole('textbox');
  await typeInto(entry, 'v15 15.1', 'v9 0.3');
  await expect(page.getByTestId('suspects')).toContainText(/Q901|R901|D901|Tuner supply/);
  const job = /job\/([^/]+)/.exec(page.url())![1]!;
  await page.goto(`${app.address}/stage?job=${job}&block=tuner-supply`);
  await expect(page.getByRole('heading', { name: /^Tuner supply/ })).toBeVisible();
  const readings = page.getByRole('list', { name: 'Readings' }).getByRole('listitem');
  await expect(readings).toHaveCount(2);
  const node = page.getByRole('textbox').first();
  await node.fill('n1 0.05');
  await node.press('Enter');
  await expect(readings).toHaveCount(3);
  await expect(page.getByTestId('stage-suspects').locator('li').first()).toContainText('D901');
});

test('a traced driver goes into the block that drives the cathode, though it makes no rail', async ({ page, app }) => {
  await takeIn(page, app.address, 'Colour tube set', 'Slipway set', ['Flooded red']);
  await page.keyboard.press('Alt+t');
  await page.waitForURL(/\/trace$/);
  const line = page.getByLabel('A part or a beep');
  const parts = ['Q91 npn', 'R91 10k', 'R92 330', 'R93 1k'];
  const beeps = ['R91.1 +180', 'R91.2 Q91.c', 'Q91.e R92.1', 'R92.2 gnd', 'R93.1 +2.7', 'R93.2 Q91.b'];
  await typeInto(line, ...parts, ...beeps);
  const found = page.getByRole('region', { name: 'What it is' });
  await page.getByText('Put it on this chassis').click();
  await page.getByLabel('Rail it makes').selectOption({ label: 'what is at Q91.c' });
  await page.getByLabel('Net of the sheet').selectOption({ label: 'Red cathode' });
  await expect(found).toContainText(/Its circuit goes with it: as traced it makes 1[12]\d/);
  await page.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(found).toContainText('4 parts are on this chassis now, with their circuit.');
  await saved(page);
  await page.goto(page.url().replace('/trace', '/bench'));
  const entry = page.getByRole('region', { name: 'Probe next' }).getByRole('textbox');
  await entry.fill('R91 OL');
  await expect(page.getByRole('region', { name: 'Probe next' })).toContainText('Resistor R91');
  await entry.press('Enter');
  await expect(page.getByTestId('suspects').locator('li').first()).toHaveAttribute('data-fault', 'R91.open');
});

test('a rail that reads like a short is followed to its capacitor by what is lifted', async ({ page, app }) => {
  await page.goto(`${app.address}/trace`);
  const line = page.getByLabel('A part or a beep');
  const type = (...texts: readonly string[]) => typeInto(line, ...texts);
  for (const text of ['L1', 'C1 470u', 'C3 220u', 'C4 100u', 'IC1 4', 'L1.1 +12', 'C1.1 +12', 'C1.2 gnd'])
    await type(text);
  for (const text of ['C3.1 L1.2', 'C3.2 gnd', 'IC1.1 L1.2', 'C4.1 L1.2', 'C4.2 gnd']) await type(text);
  await line.fill('short +12 red');
  await line.press('Enter');
  await expect(page.locator('p[role=alert]')).toContainText('"red" is no ohms');
  await type('short +12 0.8');
  const next = page.getByRole('region', { name: 'Beep next' }).getByRole('status');
  await expect(page.getByRole('region', { name: 'The short' }).locator('tr')).toHaveCount(4);
  let lifts = 0;
  for (; lifts < 5; lifts += 1) {
    await expect(next).toContainText(/lift next|likeliest/);
    const said = await next.innerText();
    if (said.includes('likeliest')) break;
    const [, ref] = /with it\s+(\S+)/.exec(said)!;
    // C3 is the one: it goes with its own leg, and with the coil before it.
    await line.fill(ref === 'C3' || ref === 'L1' ? 'g' : 's');
    await line.press('Enter');
    await expect.poll(() => next.innerText()).not.toBe(said);
  }
  expect(lifts).toBeLessThan(5);
  await expect(next).toContainText('C3');
  await type('short off');
  await expect(page.getByRole('region', { name: 'The short' })).toHaveCount(0);

  // Written to a file, and opened again on an empty board; a file with a wrong line changes nothing.
  const writes = page.waitForEvent('download').catch(() => undefined);
  await page.getByRole('button', { name: 'Write the board' }).click();
  const file = readFileSync(await (await writes)!.path(), 'utf8');
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  const open = (text: string) =>
    page
      .getByLabel('Open a board that was written')
      .setInputFiles({ name: 'traced.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await open(file.replace('C3.1 L1.2', 'C3.1 L9.2'));
  await expect(page.locator('p[role=alert]')).toContainText('"C3.1 L9.2": there is no "L9.2" here');
  await expect(page.getByRole('list', { name: 'Parts' }).getByRole('listitem')).toHaveCount(0);
  await open(file);
  await expect(page.getByRole('list', { name: 'Parts' }).getByRole('listitem')).toHaveCount(5);
});

test('pins are shown on both sides, two pointed at are beeped, and the next set of the make takes it up', async ({
  page,
  app,
}) => {
  const rows = [0, 1, 2].map((row) => [0.2, 0.4, 0.6, 0.8].map((x) => ({ x, y: 0.12 + 0.2 * row })));
  const holes = rows.flat();
  const made = { high: 0.64, holes, tracks: [rows[0]!.slice(0, 2)], bodies: rows.map((row) => row.slice(0, 2)) };
  const [front, back] = (['front', 'back'] as const).map((side) =>
    photographedBoard(made, side, 900, { askew: 10, barrel: 0, noise: 0.02 }, seeded(side === 'front' ? 3 : 4)),
  );
  const file = ({ picture: { width, height, data } }: NonNullable<typeof front>) => {
    const png = new PNG({ width, height });
    png.data = Buffer.from(data);
    return { name: 'board.png', mimeType: 'image/png', buffer: PNG.sync.write(png) };
  };
  await takeIn(page, app.address, 'Pellisar TC-14', 'Kiosk set', ['Nothing at all']);
  await page.goto(page.url().replace(/bench$/, 'trace'));
  const line = page.getByLabel('A part or a beep');
  const type = (...texts: readonly string[]) => typeInto(line, ...texts);
  // Parts of a stage that the stand-in plays.
  for (const { ref, kind } of board('series-regulator').parts.filter((part) => /\d/.test(part.ref)))
    await type(`${ref} ${kind}`);
  await page.getByLabel('Photograph the front').setInputFiles(file(front!));
  const surface = page.getByRole('application');
  await expect(surface).toHaveAccessibleName('Board, front');
  await page.getByLabel('Photograph the back').setInputFiles(file(back!));
  const click = async (side: typeof front, hole: { x: number; y: number }) => {
    const box = (await surface.boundingBox())!;
    const { x, y } = side!.at(hole);
    // Two pixels beside it: the middle of the hole is found.
    await surface.click({ position: { x: (x * box.width) / 900 + 2, y: (y * box.width) / 900 - 2 } });
  };
  const region = page.getByRole('region', { name: 'The board' });
  await region.getByRole('button', { name: 'Lay the back on the front' }).click();
  for (const [index, corner] of [holes[0]!, holes[3]!, holes[11]!, holes[8]!].entries()) {
    await expect(region).toContainText(`On the front, click a hole you will know again · hole ${index + 1}`);
    await click(front, corner);
    await expect(region).toContainText('Now the same hole on the back');
    await click(back, corner);
  }
  await expect(region).toContainText(/1[12] holes of both photographs lie 0\.\d+ % of the width apart/);
  await region.getByLabel('back over front, percent').fill('100');
  const pins = surface.locator('[data-spot]');
  const asked = async () =>
    /Click pin (\S+) of (\S+)/
      .exec(await region.innerText())
      ?.slice(1)
      .reverse()
      .join('.');
  const clicked = new Map<string, { x: number; y: number }>();
  for (const hole of holes) {
    const spot = await asked();
    if (spot === undefined) break;
    clicked.set(spot, front!.at(hole));
    await click(front, hole);
    await expect.poll(asked).not.toBe(spot);
  }
  await page.keyboard.press('Escape');
  await expect(region).toContainText('Click two pins');
  const places = await pins.evaluateAll((all) => all.map((one) => (one as SVGElement).dataset.spot!));
  expect(places.length).toBeGreaterThan(5);
  // On the back as it is laid, every pin that was shown lies in its hole.
  for (const [spot, { x, y }] of clicked) {
    const pin = surface.locator(`[data-spot="${spot}"]`);
    // The last part may not have had holes enough.
    if ((await pin.count()) === 0) continue;
    const [, right, down] = /translate\((\S+) (\S+)\)/.exec((await pin.getAttribute('transform'))!)!;
    expect(Math.hypot(Number(right) - x / 0.9, Number(down) - y / 0.9)).toBeLessThan(2.5);
  }
  // The meter answers for the two pins that are asked for, and beeps are taken without a key.
  await line.focus();
  await page.keyboard.press('Alt+m');
  await expect(page.getByLabel('Meter', { exact: true }).first()).toBeVisible();
  const pair = board('series-regulator').nodes.map((node) => node.filter((spot) => places.includes(spot)));
  const [a, b] = pair.find((node) => node.length > 1)!;
  for (const spot of [a, b]) {
    const box = (await surface.locator(`[data-spot="${spot!}"] > :not(text, title)`).last().boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  }
  await expect(page.getByTestId('nodes').locator('tr', { hasText: a! })).toContainText(b!);
  await saved(page);

  await takeIn(page, app.address, 'Pellisar TC-14', 'Hall set', ['Nothing at all']);
  await page.goto(page.url().replace(/bench$/, 'trace'));
  await page.getByRole('button', { name: 'Take it up' }).click();
  await expect(surface.locator('[data-spot]')).toHaveCount(places.length);
  await expect(page.getByTestId('nodes').locator('tr', { hasText: a! })).toContainText(b!);
  await expect(region.getByAltText('The front of the board')).toBeVisible();
});

test('a drive that does not arrive is followed over a plug to the other board, with the set live', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Colour tube set', 'No schematic', ['Nothing at all']);
  await page.goto(page.url().replace(/bench$/, 'trace'));
  const line = page.getByLabel('A part or a beep');
  const type = (...texts: readonly string[]) => typeInto(line, ...texts);
  await type('IC1 8', 'R1 100', 'CN9 4', 'R4 1k5', 'CN7 3', 'Q5 npn');
  await type('IC1.8 R1.1', 'R1.2 CN9.3', 'Q5.c R4.1', 'R4.2 CN7.1', 'Q5.e gnd');
  const next = page.getByRole('region', { name: 'Beep next' }).getByRole('status');
  await type('path IC1.8 CN7.1');
  await expect(next).toContainText('No way is traced there yet');
  // Nothing leads on from the plug until it is one.
  await expect(next).toContainText('CN9.3');
  await type('CN9 plug 4', 'CN9.3f Q5.b');
  const path = page.getByRole('region', { name: 'The path' });
  await expect(path.getByRole('listitem')).toHaveCount(10);
  await page.keyboard.press('Alt+P');
  await expect(page.getByRole('region', { name: 'The set is live' })).toBeVisible();
  await line.fill('R4.1 R1.1');
  await line.press('Enter');
  await expect(page.locator('p[role=alert]')).toContainText('pull the plug first');
  const way = ['IC1.8', 'R1.1', 'R1.2', 'CN9.3', 'CN9.3f', 'Q5.b', 'Q5.c', 'R4.1', 'R4.2', 'CN7.1'];
  let looks = 0;
  for (; looks < 9; looks += 1) {
    await expect(next).toContainText(/look next|likeliest/);
    const said = await next.innerText();
    if (said.includes('likeliest')) break;
    const [, at] = /gone there\s+(\S+)/.exec(said)!;
    // The plug is the one.
    await line.fill(way.indexOf(at!) >= way.indexOf('CN9.3f') ? 'g' : 't');
    await line.press('Enter');
    await expect.poll(() => next.innerText()).not.toBe(said);
  }
  expect(looks).toBeLessThan(6);
  await expect(next).toContainText('CN9 lets nothing on');
  await expect(path).toContainText('✗ gone');
  await saved(page);
  await page.reload();
  await expect(next).toContainText('CN9 lets nothing on');
  await type('path off');
  await expect(path).toHaveCount(0);
});
