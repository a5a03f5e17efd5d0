import { spawnSync } from 'node:child_process';
import { entry, saved, takeIn, type } from './bench';
import { awaited, emptyDatabase, expect, startApp, test } from './app';

/** Rows of a query against a database file, read by a process of its own. */
function rowsOf(database: string, query: string): Record<string, unknown>[] {
  const script = `const D=require('better-sqlite3');process.stdout.write(JSON.stringify(new D(process.argv[1],{readonly:true}).prepare(process.argv[2]).all()))`;
  return JSON.parse(
    spawnSync(process.execPath, ['-e', script, database, query], { encoding: 'utf8' }).stdout,
  ) as Record<string, unknown>[];
}

test('bad lines get one clear message each and change nothing', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Bad lines', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await type(page, 'vs 187');
  for (const [line, message] of [
    ['abc', 'has no point "abc"'],
    ['12 parsecs', 'is not a value'],
    ['vscan 3 ohm', 'read in volts, not ohms'],
    ['vscan', 'needs a value'],
    ['C547 2.9', 'plug out, and this set is marked LIVE'],
    ['C812 1,870', 'could be 1.870 or 1870'],
  ] as const) {
    await entry(page).fill(line);
    await entry(page).press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: message })).toBeVisible();
    await expect(entry(page)).toHaveValue(line);
  }
  await expect(page.getByTestId('readings')).toHaveAttribute('data-count', '1');
});

test('what is typed before the page listens is taken over', async ({ page, app, context }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Quick hands', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await saved(page);
  for (const [where, name, typed] of [
    [page.url(), 'Reading', 'vs 187'],
    [`${app.address}/shelf`, 'Look for a part', 'put C 1000u 50V 105 x3 in A4'],
  ] as const) {
    // The page is there, and what makes it listen is held back.
    const early = await context.newPage();
    let letGo: () => void = () => undefined;
    const typedFirst = new Promise<void>((resolve) => (letGo = resolve));
    await early.route('**/*.js', async (route) => {
      await typedFirst;
      await route.continue();
    });
    await early.goto(where, { waitUntil: 'commit' });
    const line = early.getByRole('textbox', { name });
    await line.pressSequentially(typed);
    letGo();
    await early.waitForSelector('html[data-awake]', { state: 'attached' });
    await expect(line).toHaveValue(typed);
    await line.press('Enter');
    if (name === 'Reading') await expect(early.getByTestId('readings')).toHaveAttribute('data-count', '1');
    else await expect(early.getByText(/put .*: 3 in A4/)).toBeVisible();
    await early.close();
  }
});

test('a set is not taken in by another sheet while the chosen one is on its way', async ({ page, app }) => {
  await page.goto(`${app.address}/take-in`);
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/take-in\?sheet=generic-plasma/, async (route) => {
    await held;
    await route.continue();
  });
  await page.getByLabel('Name of the set').fill('Hasty');
  await page.getByRole('button', { name: 'Plasma display' }).click();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'still on its way' })).toBeVisible();
  letGo();
  await expect(page.getByRole('button', { name: 'Plasma display' })).toHaveAttribute('aria-pressed', 'true');
  await page
    .getByRole('region', { name: 'The complaint' })
    .getByRole('button', { name: 'Nothing at all', exact: true })
    .click();
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/\/bench$/);
  await expect(page.getByText('Plasma display').first()).toBeVisible();
});

test('a correction supersedes and taking back withdraws; the record keeps all', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Corrections', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await type(page, 'vs 18.7');
  await page.getByRole('button', { name: /Vs at the supply/ }).click();
  await entry(page).fill('187');
  await entry(page).press('Enter');
  await expect(page.getByTestId('readings')).toContainText('187 V');
  await expect(page.getByText('1 corrected or taken back')).toBeVisible();
  await type(page, 'va 63');
  await page.keyboard.press('Alt+z');
  await expect(page.getByTestId('readings')).toHaveAttribute('data-count', '1');
  await page.reload();
  await expect(page.getByText('2 corrected or taken back')).toBeVisible();
  const job = /job\/([^/]+)/.exec(page.url())![1]!;
  expect(rowsOf(app.database, `select count(*) as lines from log_entry where job = '${job}'`)).toEqual([{ lines: 5 }]);
});

test('an old page in a second tab is told so, keeps what was typed, and catches up', async ({ page, app, context }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Two tabs', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await saved(page);
  const old = awaited(await context.newPage());
  // Once it has asked for the log it is caught up: from here on it is the older page.
  const caughtUp = old.waitForResponse((response) => response.url().endsWith('/log'));
  await old.goto(page.url());
  await caughtUp;
  // What is new does not reach it.
  const asking = /\/log\?after=/;
  await old.route(asking, (route) => route.abort());
  await type(page, 'vs 187');
  await saved(page);
  await old.bringToFront();
  await type(old, 'va 63');
  await expect(old.getByRole('alert').filter({ hasText: 'One line was recorded in another window' })).toBeVisible();
  await expect(old.getByText('1 waiting', { exact: false })).toBeVisible();
  await old.unroute(asking);
  await old.getByRole('button', { name: 'Load what is new' }).click();
  await expect(old.getByTestId('readings')).toHaveAttribute('data-count', '2');
  await expect(old.getByText('0 waiting')).toBeVisible();
  await expect(old.getByText('recorded in another window')).toHaveCount(0);
});

test('a reading typed while the server is away waits, survives a reload, and is saved once', async ({ page }) => {
  test.setTimeout(120_000);
  const database = emptyDatabase();
  const first = await startApp(database);
  await takeIn(page, first.address, 'Halvane HP-42', 'Away', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await saved(page);
  first.kill();
  await type(page, 'vs 187');
  await expect(page.getByText('The server is away')).toBeVisible();
  await expect(page.getByTestId('readings')).toContainText('waiting to be saved');
  const second = await startApp(database, first.port);
  await page.reload();
  await expect(page.getByText('0 waiting')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByTestId('readings')).toHaveAttribute('data-count', '1');
  expect(rowsOf(database, `select count(*) as readings from log_entry where body like '%"reading"%'`)).toEqual([
    { readings: 1 },
  ]);
  second.kill();
});

test('killing the server amid a stream of readings loses none that was acknowledged', async ({ page }) => {
  const database = emptyDatabase();
  const app = await startApp(database);
  await takeIn(page, app.address, 'Halvane HP-42', 'Killed', ['Upper half dark']);
  const job = /job\/([^/]+)/.exec(page.url())![1]!;
  const acknowledged: string[] = [];
  let seen = 0;
  const stream = (async () => {
    for (let index = 0; index < 2000; index += 1) {
      const id = `reading-${String(index).padStart(6, '0')}`;
      const body = {
        kind: 'reading',
        check: 'vs-dc',
        answer: { kind: 'number', value: 180 + index / 100, shape: 'settled' },
        text: '',
      };
      const response = await fetch(`${app.address}/api/jobs/${job}/log`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: app.address },
        body: JSON.stringify({ seen, entries: [{ id, at: new Date().toISOString(), body }] }),
      });
      if (!response.ok) throw new Error(await response.text());
      seen = ((await response.json()) as { seq: number }).seq;
      acknowledged.push(id);
    }
  })().catch(() => undefined);
  await expect.poll(() => acknowledged.length, { timeout: 20_000 }).toBeGreaterThan(60);
  app.kill();
  await stream;
  const stored = new Set(rowsOf(database, 'select id from log_entry').map(({ id }) => id));
  expect(acknowledged.filter((id) => !stored.has(id))).toEqual([]);
  expect(rowsOf(database, 'pragma integrity_check')).toEqual([{ integrity_check: 'ok' }]);
});

test('requests from elsewhere and requests that are not right are refused whole', async ({ page, app }) => {
  await takeIn(page, app.address, 'Halvane HP-42', 'Requests', ['Upper half dark']);
  const job = /job\/([^/]+)/.exec(page.url())![1]!;
  const send = async (body: unknown, origin: string | undefined = app.address, id = job) => {
    const response = await fetch(`${app.address}/api/jobs/${id}/log`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(origin ? { origin } : {}) },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });
    return { status: response.status, message: ((await response.json()) as { message?: string }).message ?? '' };
  };
  const line = (body: object, id = crypto.randomUUID()) => ({
    seen: 0,
    entries: [{ id, at: '2026-11-24T10:00:00Z', body }],
  });
  const live = { kind: 'power', power: 'live' };
  const good = line(live);
  expect((await send(good, 'http://elsewhere.example')).status).toBe(403);
  expect((await send(good, '')).status).toBe(403);
  for (const [body, status, message] of [
    ['{', 400, /not JSON/],
    [line({ kind: 'power', power: 'lukewarm' }), 400, /entries\[0\].body.power/],
    [line({ kind: 'gossip' }), 400, /kind must be one of/],
    [
      line({ kind: 'reading', check: 'nowhere', answer: { kind: 'choice', choice: 'yes' }, text: '' }),
      400,
      /no point "nowhere"/,
    ],
    [
      {
        seen: 0,
        entries: [line(live).entries[0], line({ kind: 'connector', connector: 'CN9', pulled: true }).entries[0]],
      },
      400,
      /no connector "CN9"/,
    ],
    ['x'.repeat(600 * 1024), 413, /more than 512 KB/],
  ] as const) {
    const answer = await send(body);
    expect(answer.status).toBe(status);
    expect(answer.message).toMatch(message);
  }
  expect((await send(good, app.address, 'no-such-job')).status).toBe(404);
  expect(rowsOf(app.database, `select count(*) as lines from log_entry where job = '${job}'`)).toEqual([{ lines: 0 }]);
});

test('taking in says what is missing and keeps what was filled in', async ({ page, app }) => {
  await page.goto(`${app.address}/take-in`);
  // Which sheet is offered first depends on what the shop has done.
  await page.getByRole('button', { name: /Halvane HP-42/ }).click();
  await page.getByLabel('Vs on the label').fill('lots');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'give the set a name' })).toBeVisible();
  await expect(page.getByLabel('Vs on the label')).toHaveValue('lots');
  await page.getByLabel('Name of the set').fill('Labelled');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Vs: "lots" is not a value' })).toBeVisible();
  await page.getByLabel('Vs on the label').fill('186');
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/bench$/);
  await page.keyboard.press('Alt+p');
  await type(page, 'vs 186');
  await expect(page.getByTestId('readings').locator('li')).toHaveAttribute('data-mark', 'within');
});

test('a browser is told how to install it, with an icon that is there', async ({ app }) => {
  const page = await (await fetch(`${app.address}/`)).text();
  const link = /<link rel="manifest" href="([^"]+)"/.exec(page)?.[1];
  const manifest = (await (await fetch(`${app.address}${link}`)).json()) as {
    icons: { src: string }[];
    start_url: string;
  };
  expect(manifest.start_url).toBe('/');
  const icon = await fetch(`${app.address}${manifest.icons[0]!.src}`);
  expect(icon.headers.get('content-type')).toContain('image/svg+xml');
});

test('with the server away a page says so and what waits, and goes on by itself when it is back', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const context = await browser.newContext({ serviceWorkers: 'allow' });
  const page = awaited(await context.newPage());
  const database = emptyDatabase();
  const first = await startApp(database);
  await takeIn(page, first.address, 'Halvane HP-42', 'Shop closed', ['Upper half dark']);
  await page.keyboard.press('Alt+p');
  await saved(page);
  await page.evaluate(() => navigator.serviceWorker.ready);
  first.kill();
  await type(page, 'vs 187');
  await expect(page.getByText('The server is away')).toBeVisible();
  const bench = page.url();
  await page.evaluate(() => location.reload());
  await expect(page.getByRole('heading', { name: 'The server does not answer' })).toBeVisible();
  await expect(page.getByText('1 line waits in this browser')).toBeVisible();
  await expect(page.getByRole('listitem')).toContainText('vs 187');
  const second = await startApp(database, first.port);
  await expect(page.getByTestId('readings')).toHaveAttribute('data-count', '1', { timeout: 30_000 });
  expect(page.url()).toBe(bench);
  await saved(page);
  second.kill();
  await context.close();
});
