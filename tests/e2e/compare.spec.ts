import { expect, test } from './app';
import { saved, takeIn } from './bench';

test('the odd cell of a pasted network is named; a broken table says where and stays', async ({ page, app }) => {
  await page.goto(`${app.address}/compare`);
  const table = page.getByLabel('Table of readings');
  await table.fill('\tA\tB\tC\tD\tE\nR1\t4k7\t4k69\t4k72\t2k1\t4k7\nR2\t10k\t10k1\t-\t9k9\t10k');
  const odd = page.getByTestId('odd-cells').locator('li');
  await expect(odd).toHaveCount(1);
  await expect(odd).toContainText('R1, D reads 2.1 kΩ, its row 4.7 kΩ (÷2.2)');
  await expect(page.locator('td[data-odd]')).toHaveText('2k1 ◇');
  const broken = 'R1 4k7 4k6\nR2 10k lots';
  await table.fill(broken);
  await expect(page.getByRole('region', { name: 'The table' }).getByRole('alert')).toContainText(
    'line 2, column 2: "lots" is no value',
  );
  await page.reload();
  await expect(table).toHaveValue(broken);
});

test('two sides are swept pin by pin from the keyboard, and a shorted pin is named', async ({ page, app }) => {
  await page.goto(`${app.address}/compare`);
  await page.getByLabel('Table of readings').fill('');
  const pin = page.getByLabel('Next pin');
  const sweep = async (values: readonly string[]) => {
    for (const value of values) {
      await pin.fill(value);
      await pin.press('Enter');
      await expect(pin).toHaveValue('');
    }
  };
  await sweep(['4k7', '10k', '22k', '4k6', '1k5', '980']);
  await page.keyboard.press('Alt+o');
  await expect(page.getByText('Sweep: suspect side, pin 1')).toBeVisible();
  await sweep(['4k72', '10k1', '0', '4k61', '1k49', '2k2']);
  const odd = page.getByTestId('odd-pins').locator('li');
  await expect(odd).toHaveCount(2);
  await expect(odd.first()).toContainText('pin 3 shorted on the suspect side: 0 against 22k');
  await expect(odd.nth(1)).toContainText('pin 6 high on the suspect side');
});

test('three columns are channels: the one that leaves the others is named, with the part in between', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/compare`);
  const table = page.getByLabel('Table of readings');
  await table.fill(
    ',red,green,blue\ncathode (R105 R205 R305),121V,65V,123V\ncollector (Q101 Q201 Q301),120V,64V,122V\nbase,2.6,2.6,2.5',
  );
  await expect(page.getByTestId('channel')).toContainText('green leaves the others at collector');
  await expect(page.getByTestId('channel')).toContainText('Between stands Q201');
  await expect(page.locator('td[data-odd]')).toHaveText(['65 V ◇', '64 V ◇']);
});

test('a meter sweeps the pins of both sides, with lifted probes in between', async ({ page, app }) => {
  await page.goto(`${app.address}/compare`);
  await page.getByLabel('Table of readings').fill('');
  await page.getByLabel('Next pin').focus();
  await page.keyboard.press('Alt+m');
  const choice = page.getByRole('region', { name: 'Which meter' });
  await choice.getByRole('combobox', { name: 'Meter' }).click();
  await page.getByText('Recorded log', { exact: true }).click();
  const touches = (values: readonly number[]) => {
    const lines = values.flatMap((value) => [...Array<number>(12).fill(value), ...Array<number>(4).fill(Infinity)]);
    const log = lines.map((value, index) => `${index / 10},${value === Infinity ? 'OL' : value},Ω`);
    return { name: 'pins.csv', mimeType: 'text/csv', buffer: Buffer.from(['seconds,value,unit', ...log].join('\n')) };
  };
  const table = page.getByLabel('Table of readings');
  await choice.locator('input[type=file]').setInputFiles(touches([4700, 980, 22_000]));
  await expect(table).toHaveValue(/pin 3\t22k/, { timeout: 15_000 });
  await page.keyboard.press('Alt+o');
  await choice.locator('input[type=file]').setInputFiles(touches([4710, 0.2, 22_100]));
  await expect(table).toHaveValue(/pin 2\t980R\t0R2/, { timeout: 15_000 });
  await expect(page.getByTestId('odd-pins').locator('li').first()).toContainText('pin 2 shorted on the suspect side');
});

test('a table stays with its job: what it says of parts weighs at the bench, and goes when it is taken back', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Plasma display', 'Two buffers', ['Starts, then off']);
  const job = page.url().replace(/\/bench$/, '');
  await page.goto(`${job}/compare`);
  await page
    .getByLabel('Table of readings')
    .fill('\tBUF-ICU\tBUF-ICL\npin 1\t0.51\t0.52\npin 2\t0.52\t0.52\npin 3\t0.53\t0.02\npin 4\t0.51\t0.53');
  await page.getByLabel('What is compared').fill('upper against lower');
  await expect(page.getByTestId('taken').locator('li')).toHaveText([
    /Upper driver chip row outputs.*0\.515 V within/,
    /Lower driver chip row outputs.*20 mV shorted/,
  ]);
  await page.getByLabel('Photograph it').setInputFiles('docs/screenshots/map.png');
  await expect(page.getByRole('img', { name: 'Where it was read' })).toBeVisible();
  await page.keyboard.press('Alt+k');
  await expect(page.getByText('Kept: upper against lower. 2 readings went to the bench.')).toBeVisible();
  await expect(page.getByTestId('kept-tables')).toContainText('4 places, 2 columns, 1 odd');
  await expect(page.getByTestId('kept-tables').getByRole('img')).toHaveCount(1);
  await saved(page);
  await page.goto(`${job}/bench`);
  await expect(page.getByTestId('suspects').locator('li').first()).toContainText('Lower driver chip');
  await page.goto(`${job}/compare`);
  await page.keyboard.press('Alt+z');
  await expect(page.getByTestId('kept-tables')).toHaveCount(0);
  await saved(page);
  await page.goto(`${job}/bench`);
  await expect(page.getByTestId('suspects').locator('li').first()).not.toContainText('Lower driver chip');
});

test('a band that is drawn on the screen is a board and a ribbon, and tells the bench which half', async ({
  page,
  app,
}) => {
  await takeIn(page, app.address, 'Plasma display', 'A dark band', ['Dark band across']);
  await page.goto(page.url().replace(/bench$/, 'band'));
  const glass = page.getByRole('img', { name: /^The screen/ });
  const { x, y, width, height } = (await glass.boundingBox())!;
  await page.mouse.move(x + width / 2, y + 0.626 * height);
  await page.mouse.down();
  await page.mouse.move(x + width / 2, y + 0.749 * height, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('heading', { name: 'Lower buffer: ribbon 2 of 4' })).toBeVisible();
  // Another count of ribbons is remembered for this make and model.
  await page.getByLabel('ribbons a board').fill('2');
  await page.getByLabel('ribbons a board').press('Enter');
  await expect(page.getByRole('heading', { name: /^Lower buffer: outputs/ })).toBeVisible();
  await page.getByLabel('ribbons a board').fill('4');
  await page.getByLabel('ribbons a board').press('Enter');
  await page.keyboard.press('Alt+p');
  await page.keyboard.press('Alt+k');
  await expect(page.getByText('Recorded: band 62.6 to 74.9 %: Lower buffer, ribbon 2 of 4.')).toBeVisible();
  await saved(page);
  await page.goto(page.url().replace(/band$/, 'bench'));
  const suspects = page.getByTestId('suspects').locator('li');
  await expect(suspects.first()).toContainText(/[Ll]ower/);
});
