import { spawnSync } from 'node:child_process';
import { expect, test } from './app';

/** How many rows the shop’s tables hold, by a process of its own. */
function rowsOf(database: string): string {
  const script = `const D=require('better-sqlite3');const d=new D(process.argv[1],{readonly:true});process.stdout.write(['job','log_entry','fault_note','stock_move','need','setting'].map(t=>d.prepare('select count(*) n from '+t).get().n).join(' '))`;
  return spawnSync(process.execPath, ['-e', script, database], { encoding: 'utf8' }).stdout;
}

test('ten drills by the keyboard, each with its reason; nothing of it enters the shop', async ({ page, demo }) => {
  const before = rowsOf(demo.database);
  await page.goto(`${demo.address}/practice`);
  const card = page.getByRole('region', { name: 'The drill' });
  const asked = new Set<string>();
  for (let turn = 1; turn <= 10; turn += 1) {
    const title = card.getByRole('heading');
    await expect(title).toBeVisible();
    const words = await card.innerText();
    asked.add(words);
    // What is typed is answered by a value: what is none is asked for again.
    const typed = card.getByRole('textbox');
    if (await typed.isVisible()) {
      await page.keyboard.type('no value');
      await page.keyboard.press('Enter');
      await expect(card.getByRole('alert')).toContainText('is not a value');
      await typed.fill('47');
      await page.keyboard.press('Enter');
      await expect(card.getByText(/● right|◇ not this/)).toBeVisible();
    } else {
      await page.keyboard.press(String((turn % 3) + 1));
      await expect(card.getByText('● right')).toBeVisible();
    }
    await expect(card.getByRole('status')).toContainText(/Right\.|It is:/);
    await expect(page.getByText(`What you can · ${turn} answered`)).toBeVisible();
    // A second key changes nothing: the answer was given.
    await page.keyboard.press('1');
    await page.keyboard.press('Enter');
    await expect(card.getByText(/● right|◇ not this/)).toHaveCount(0);
  }
  expect(asked.size).toBeGreaterThan(5);
  await page.getByRole('button', { name: /What a reading proves/ }).click();
  await expect(card).toContainText('What a reading proves');
  await page.reload();
  await expect(page.getByText('What you can · 10 answered')).toBeVisible();
  expect(rowsOf(demo.database)).toBe(before);
});

test('a hunt with two slips is cured by the keyboard and looked back on; nothing of it enters the shop', async ({
  page,
  demo,
}) => {
  const before = rowsOf(demo.database);
  await page.goto(`${demo.address}/practice`);
  await page.getByRole('link', { name: 'Hunt a hidden fault' }).click();
  await page.waitForURL(/hunt$/);
  // The same set each time.
  const exercise = { title: 'A dark set', sheet: 'dunmarrow-am-2', seed: 12, hints: 1 };
  const kept = { exercise, grade: 2, acts: [], hints: [] };
  await page.evaluate((hunt) => localStorage.setItem('tovrik-hunt', JSON.stringify(hunt)), kept);
  await page.reload();
  const entry = page.getByRole('combobox');
  const record = page.locator('[data-count]');
  let count = 0;
  const type = async (line: string) => {
    await expect(entry).toBeFocused();
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
    count += 1;
    await expect(record).toHaveAttribute('data-count', String(count));
  };
  await type('suspect surge 60');
  await expect(record).toContainText('Suspected: ');
  // The keys of the bench, and its line: a bead is what is read next.
  await page.keyboard.press('Alt+p');
  count += 1;
  await expect(record).toHaveAttribute('data-count', String(count));
  const net = await page.locator('[data-net]').last().getAttribute('data-net');
  const bead = page.locator(`[data-net="${net}"]`);
  await bead.click();
  await expect(entry).not.toHaveValue('');
  await type('');
  await expect(bead).not.toHaveAttribute('data-mark', 'unread');
  await type('surge resistor');
  await expect(record).toContainText('the meter’s fuse goes');
  await type('plug out');
  await type('fit a new surge');
  await expect(record).toContainText('A store may still be charged');
  await page.getByRole('button', { name: 'where' }).click();
  await expect(page.getByText(/From what you know it lies in/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'what it is' })).toBeDisabled();
  await type('discharge');
  await type('lift surge');
  const band = page.getByRole('region', { name: /^Practice: the set is/ });
  await expect(band).toContainText('Lifted: ');
  await type('solder surge');
  await expect(band).not.toContainText('Lifted: ');
  await type('surge resistor');
  // The hunt is still there after the page was left.
  await page.reload();
  await expect(record).toHaveAttribute('data-count', String(count));
  await type('fit a new surge');
  const debrief = page.getByRole('region', { name: 'Debrief' });
  await expect(debrief.getByRole('heading', { name: 'Surge resistor open' })).toBeVisible();
  await expect(debrief).toContainText(/It took you \d+ min; .* One hint was asked for\./);
  await expect(debrief.getByRole('row', { name: /Fit a new surge resistor/ })).toBeVisible();
  await expect(debrief).toContainText('You named a suspect once, sure by 60 %, and were right in 100 %');
  await expect(debrief.getByRole('row', { name: /urge resistor.* 60 %.*this/ })).toBeVisible();
  // The set goes out as a file, and comes in again for whoever opens it.
  const written = page.waitForEvent('download');
  await page.getByRole('button', { name: 'The same set for others' }).click();
  const file = await (await written).path();
  await page.getByRole('button', { name: 'After an earlier hand' }).click();
  await expect(page.getByText('Beside the fault a trimmer is turned')).toBeVisible();
  await page.getByRole('button', { name: 'Another set' }).click();
  await expect(record).toHaveAttribute('data-count', '0');
  await expect(page.getByText(/On the bench · \d of 5 · after an earlier hand/)).toBeVisible();
  await page.getByRole('button', { name: 'give up' }).click();
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByText(/^A dark set · \d of 5 · one part$/)).toBeVisible();
  await expect(page.getByText('A hint · 1 left')).toBeVisible();
  await expect(record).toHaveAttribute('data-count', '0');
  count = 0;
  await type('suspect surge 60');
  await type('discharge');
  await type('fit a new surge');
  await expect(debrief).toBeVisible();
  // What was suspected stays with the browser, over all its hunts, and what was decided without a hint counts.
  await page.goto(`${demo.address}/practice`);
  await expect(page.getByText('What you can · 2 answered')).toBeVisible();
  await expect(page.getByTestId('sureness').getByRole('row', { name: /60 % 1 / })).toBeVisible();
  expect(rowsOf(demo.database)).toBe(before);
});

test('a class of two browsers hunts one set; its teacher sees how far they are and tells what it was', async ({
  page,
  demo,
  browser,
}) => {
  const before = rowsOf(demo.database);
  await page.goto(`${demo.address}/practice/room`);
  const exercise = 'format: tovrik-exercise/1\ntitle: One dark set\nsheet: dunmarrow-am-2\nseed: 12\n';
  const open = page.getByLabel('Open an exercise');
  await open.setInputFiles({ name: 'e.yaml', mimeType: 'text/yaml', buffer: Buffer.from(`${exercise}world: mars\n`) });
  await expect(page.locator('p[role=alert]')).toContainText('world is one of');
  await open.setInputFiles({ name: 'e.yaml', mimeType: 'text/yaml', buffer: Buffer.from(exercise) });
  const code = await page.getByTestId('room-code').innerText();
  const table = page.getByRole('region', { name: 'The class' });
  await expect(table).toContainText('Nobody has joined yet');

  const join = async (name: string, wanted: string) => {
    const context = await browser.newContext();
    const pupil = await context.newPage();
    await pupil.goto(`${demo.address}/practice/hunt`);
    await pupil.getByLabel('Code of the class').fill(wanted);
    await pupil.getByLabel('Your name').fill(name);
    await pupil.getByRole('button', { name: 'Join' }).click();
    return pupil;
  };
  const lost = await join('Nobody', 'AAAAA');
  await expect(lost.locator('p[role=alert]')).toContainText('there is no room AAAAA: ask for its code again');
  const ann = await join('Ann', code.toLowerCase());
  await expect(ann.getByText(`class ${code}, Ann`)).toBeVisible();
  await ann.keyboard.type('power on');
  await ann.keyboard.press('Enter');
  await expect(ann.locator('[data-count="1"]')).toBeVisible();
  // A hunt of one's own that was left does not keep anybody out: the address of the room asks for a name.
  await lost.evaluate(() => {
    const exercise = { title: 'Alone', sheet: 'dunmarrow-am-2', seed: 5 };
    localStorage.setItem('tovrik-hunt', JSON.stringify({ exercise, grade: 2, acts: [], hints: [] }));
  });
  await lost.goto(`${demo.address}/practice/hunt?room=${code}`);
  await expect(lost.getByRole('region', { name: 'The set', exact: true })).toContainText('Alone');
  await lost.getByLabel('Your name').fill('Cy');
  await lost.getByRole('button', { name: 'Join' }).click();
  await expect(lost.getByText(`class ${code}, Cy`)).toBeVisible();
  await expect(lost.getByLabel('Your name')).toHaveCount(0);
  const ben = await join('Ben', code);
  await ben.getByRole('button', { name: 'give up' }).click();
  await expect(ben.getByRole('region', { name: 'Debrief' })).toBeVisible();

  await expect(table).toContainText('0 of 3 have cured it');
  await expect(table.getByRole('row', { name: /Ann/ })).toContainText('1 act');
  await expect(table.getByRole('row', { name: /Ben/ })).toContainText('gave up');
  await table.getByLabel('Names').uncheck();
  await expect(table).not.toContainText('Ann');
  await page.getByRole('button', { name: 'Tell what was wrong' }).click();
  const told = page.getByRole('region', { name: 'The room' }).getByRole('status');
  const culprit = await told.getByRole('heading').innerText();
  await expect(ben.getByRole('region', { name: 'Debrief' })).toContainText(culprit);
  await expect(table.getByRole('row', { name: /The planner/ })).toBeVisible();

  // On paper: the work sheet does not tell, the answer sheet does.
  await page.reload();
  const [work, answers] = await Promise.all(
    ['Work sheet', 'Answer sheet'].map(async (name) => (await page.getByRole('link', { name }).getAttribute('href'))!),
  );
  await ann.goto(demo.address + work!);
  await expect(ann.getByRole('article', { name: 'Work sheet' })).toContainText('One dark set');
  await expect(ann.getByRole('article')).not.toContainText(culprit);
  await ann.goto(demo.address + answers!);
  await expect(ann.getByRole('article', { name: 'Answer sheet' })).toContainText(culprit);
  await expect(ann.getByRole('article')).toContainText(/Surge resistor, cold: OL/);

  await page.getByRole('button', { name: 'Close the room' }).click();
  await expect(page.getByRole('button', { name: 'Open a room' })).toBeVisible();
  expect(rowsOf(demo.database)).toBe(before);
});
