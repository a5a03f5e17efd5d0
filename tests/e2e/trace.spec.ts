import { readNetlist } from '../../src/core/circuit';
import { patternOf } from '../../src/core/tracing';
import { netlistOf } from '../../src/sheets/stages';
import { expect, test } from './app';
import { saved, takeIn } from './bench';

test('a regulator is traced from nothing to its volts by what is said to be beeped next', async ({ page, app }) => {
  const board = patternOf('series-regulator', readNetlist(netlistOf('series-regulator')!));
  // On a board every part has a number.
  const printed = (spot: string) => spot.replace(/^([A-Z]+)(?=\.|$)/i, (name) => (name === 'gnd' ? name : `${name}9`));
  const nodeOf = new Map(board.nodes.flatMap((spots, node) => spots.map((spot) => [printed(spot), node] as const)));
  await takeIn(page, app.address, 'Mono tube set', 'No schematic', ['Nothing at all']);
  const job = /\/job\/[^/]+/.exec(page.url())![0];
  await page.goto(`${app.address}${job}/trace`);
  const line = page.getByLabel('A part or a beep');
  const type = async (text: string) => {
    await line.fill(text);
    await line.press('Enter');
    await expect(line).toHaveValue('');
  };
  await expect(page.getByText('Nothing is traced yet')).toBeVisible();
  await line.fill('R1 red');
  await line.press('Enter');
  await expect(page.locator('p[role=alert]')).toContainText('is no value of a resistor');
  // One value cannot be read: its bands have burnt.
  for (const [index, { ref, kind, value }] of board.parts.entries())
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
    await expect(next).not.toHaveText(said);
  }
  expect(beeps).toBeLessThan(60);
  await expect(page.getByRole('region', { name: 'What it is' })).toContainText(/It is likely.*regulator/is);
  const rows = page.getByTestId('nodes').locator('tr');
  await expect(rows).toHaveCount(board.nodes.length);
  await expect(page.getByText(/Volts as the traced circuit should stand/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(rows).toHaveCount(board.nodes.length);
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
  for (const text of [...traced, 'C901.1 +12', 'C901.2 gnd']) {
    await line.fill(text);
    await line.press('Enter');
    await expect(line).toHaveValue('');
  }
  await page.getByText('Put its parts on this chassis').click();
  await expect(page.getByLabel('Rail it makes')).toHaveValue('+12');
  await expect(page.getByLabel('Net of the sheet')).toHaveValue('v12');
  await expect(page.getByLabel('What Q901 is to it')).toHaveValue('feeds');
  await expect(page.getByLabel('What C901 is to it')).toHaveValue('shunts');
  await page.getByRole('checkbox', { name: /C901/ }).uncheck();
  await page.getByRole('button', { name: 'Put 2 parts on the sheet' }).click();
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

test('a rail that reads like a short is followed to its capacitor by what is lifted', async ({ page, app }) => {
  await page.goto(`${app.address}/trace`);
  const line = page.getByLabel('A part or a beep');
  const type = async (text: string) => {
    await line.fill(text);
    await line.press('Enter');
    await expect(line).toHaveValue('');
  };
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
    await expect(next).not.toHaveText(said);
  }
  expect(lifts).toBeLessThan(5);
  await expect(next).toContainText('C3');
  await type('short off');
  await expect(page.getByRole('region', { name: 'The short' })).toHaveCount(0);
});
