// npm run screenshots: one picture per main view from the demo data, into docs/screenshots; some of them by name:
// npm run screenshots -- power survey
import { mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { seed } from './seed.mjs';
import { ensureBuilt, ensureInstalled, freePort, playSuppliers, runPackage, scripts, serve } from './setup.mjs';
import { root, workFolder } from './upToDate.mjs';

ensureInstalled();
ensureBuilt();
const { launch } = await import('./browser.mjs');
const database = path.join(workFolder, 'screenshots.db');
seed(database, { fresh: true });
const crosshatch = path.join(workFolder, 'crosshatch.png');
runPackage(scripts.tsx, ['src/demo/drawCrosshatch.ts', crosshatch]);
const board = { front: path.join(workFolder, 'front.png'), back: path.join(workFolder, 'back.png') };
const placed = path.join(workFolder, 'placed.json');
runPackage(scripts.tsx, ['src/demo/drawBoard.ts', board.front, board.back, placed]);
const suppliers = playSuppliers(database, await freePort(4895));
const { address, child } = await serve({ database, port: await freePort(4930), quiet: true, simulatedMeter: true });
const browser = await launch();
const folder = path.join(root, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });

const job = (index) => `/job/00000000-0000-4000-8000-${String(2000 + index).padStart(12, '0')}`;

/** Types lines on the bench as one would, each with Enter. */
const lines =
  (...texts) =>
  async (page) => {
    for (const text of texts) {
      await page.keyboard.type(text);
      await page.keyboard.press('Enter');
      await page.waitForTimeout(250);
    }
  };

/** Views share one database: another may have switched the set on. */
const switchOn = async (page) => {
  const live = page.getByRole('region', { name: 'The set is live' });
  if (!(await live.isVisible())) await page.keyboard.press('Alt+p');
  await live.waitFor();
};

const switchOff = async (page) => {
  const live = page.getByRole('region', { name: 'The set is live' });
  if (await live.isVisible()) await page.keyboard.press('Alt+p');
  await live.waitFor({ state: 'hidden' });
};

const views = [
  { name: 'queue', path: '/' },
  {
    name: 'overhaul',
    path: `${job(1)}/overhaul`,
    act: async (page) => {
      const entry = page.getByRole('region', { name: 'Next of the overhaul' }).getByRole('textbox');
      const typed = ['0.3', '0.4', '0.2', 'fine', 'fine', 'fine', 'fine', 'fine', '0.14', '0.31', '2.9'];
      for (const text of typed) {
        const asked = page.locator('[data-check]');
        const before = await asked.innerText();
        await entry.fill(text);
        await entry.press('Enter');
        await page.waitForFunction((was) => document.querySelector('[data-check]')?.innerText !== was, before);
      }
    },
  },
  {
    name: 'take-in',
    path: '/take-in?sheet=halvane-hp-42',
    act: async (page) => {
      await page.getByLabel('Name of the set').fill('Pavilion arrivals board');
      await page.getByRole('button', { name: 'Upper half dark' }).click();
      await page.getByRole('button', { name: 'Sustain buzz' }).click({ clickCount: 4 });
      await page
        .getByLabel('In the owner’s words')
        .fill('Lower lines of the board read, upper ones stay black until the hall has been open a while.');
    },
  },
  {
    name: 'bench',
    path: `${job(0)}/bench`,
    act: async (page) => {
      await switchOn(page);
      await lines('vs 186.6', 'va 62.8', 'v15 15.1', 'vscan -167', 'buzz yes', 'vfl 14.8')(page);
      await page.keyboard.type('vfu 9.1');
    },
  },
  {
    name: 'bench-channels-dark',
    path: `${job(1)}/bench`,
    theme: 'dark',
    act: async (page) => {
      await switchOn(page);
      await lines(
        'picture flood_green',
        'kg 61',
        'kr 125',
        'kb 122',
        'cg 61',
        'cr 124',
        'cb 123',
        'eg 2.0',
        'er 2.02',
        'eb 2.01',
      )(page);
    },
  },
  {
    name: 'parts',
    path: '/parts',
    act: (page) => page.getByText('In the house').waitFor(),
  },
  {
    name: 'donors',
    path: '/donors',
    act: async (page) => {
      await page.getByRole('button', { name: /Kiosk plasma/ }).click();
      await page.getByRole('button', { name: 'What is worth taking?' }).click();
      await page.getByText('leave the rest').waitFor();
    },
  },
  { name: 'repair', path: `${job(4)}/repair` },
  { name: 'close', path: `${job(9)}/close` },
  { name: 'notebook', path: '/notebook?q=dried' },
  { name: 'stage', path: '/stage', act: lines('kg 61.3', 'kr 130') },
  {
    name: 'shape',
    path: `${job(3)}/shape`,
    act: async (page) => {
      await page.locator('input[type=file]').setInputFiles(crosshatch);
      await page.getByRole('button', { name: 'Corners are right' }).waitFor();
    },
  },
  {
    name: 'trace',
    path: `${job(4)}/trace`,
    act: async (page) => {
      const line = page.getByLabel('A part or a beep');
      const parts = ['R1 12k', 'R2 330', 'R3 9k1', 'R4 150', 'R5 1k', 'R6 1k2', 'R7 1k8', 'Q1 npn', 'Q2 npn'];
      const found = [
        '+180 not +12',
        'R2.2 gnd',
        'R1.1 +180',
        'R3.1 +12',
        'Q1.e R2.1',
        'Q1.c Q2.e',
        'Q2.c R1.2',
        'R6.1 +12',
      ];
      const type = async (typed) => {
        await line.fill(typed);
        await line.press('Enter');
        await page.waitForFunction(() => document.activeElement?.value === '');
      };
      for (const typed of [...parts, ...found]) await type(typed);
      for (const [side, file] of Object.entries(board)) {
        await page.getByLabel(`Photograph the ${side}`).setInputFiles(file);
        await page.getByText(`${side} anew`).waitFor();
      }
      for (const typed of JSON.parse(readFileSync(placed, 'utf8'))) await type(typed);
      await page.getByLabel('back over front, percent').fill('35');
      await line.focus();
    },
  },
  {
    name: 'hunt',
    path: '/practice/hunt',
    act: async (page) => {
      const act = (kind, more = {}) => ({ kind, ...more });
      const probes = ['mains-ac', 'res-dc'].map((check) => act('probe', { check }));
      const exercise = { title: 'Dunmarrow AM-2', sheet: 'dunmarrow-am-2', seed: 12 };
      const hunt = { exercise, grade: 2, acts: [act('power', { to: 'live' }), ...probes], hints: [] };
      await page.evaluate((kept) => localStorage.setItem('tovrik-hunt', JSON.stringify(kept)), hunt);
      await page.reload({ waitUntil: 'networkidle' });
      for (const typed of ['surge resistor', 'discharge', 'surge resistor', 'fit a new surge']) {
        const before = await page.locator('[data-count]').getAttribute('data-count');
        await page.keyboard.type(typed);
        await page.keyboard.press('Enter');
        await page.locator(`[data-count="${Number(before) + 1}"]`).waitFor();
      }
    },
  },
  {
    name: 'survey',
    path: `${job(1)}/survey`,
    act: async (page) => {
      await switchOff(page);
      await lines(
        'R401 2k2 2k3',
        'R402 4k7 5k6',
        'R403 10k 10k2',
        'R404 yellow violet orange gold 61k',
        'R405 1k 640',
        'R201 18k2',
        'C421 esr 4.1',
        'R406 100k 138k climbing',
        'R407 330 334',
        'R408 1M 1M6',
        'Q5 junction 0.52 0.58',
      )(page);
    },
  },
  {
    name: 'power',
    path: `${job(0)}/power`,
    theme: 'dark',
    act: async (page) => {
      await switchOn(page);
      await page.keyboard.press('Alt+p');
      await page.getByRole('region', { name: /^The set is unplugged/ }).waitFor();
      await page.getByRole('button', { name: 'Agreed' }).click();
      const reservoir = page.getByRole('textbox', { name: /^Reservoir volts/ });
      await reservoir.fill('129');
      await reservoir.press('Enter');
      const store = page.getByRole('textbox', { name: 'Volts of a store' });
      for (const volts of ['212', '4']) {
        await store.fill(volts);
        await store.press('Enter');
        await page.waitForTimeout(300);
      }
    },
  },
  {
    name: 'map',
    path: `${job(1)}/map`,
    act: async (page) => {
      await switchOn(page);
      const board = page.getByRole('application');
      const { width, height } = await board.boundingBox();
      for (const [x, y, way, answer] of [
        [0.2, 0.3, 'p', '0'],
        [0.45, 0.3, 'p', '1'],
        [0.62, 0.42, 'p', '3'],
        [0.74, 0.55, 't', '2'],
        [0.6, 0.7, 'p', '0'],
        [0.66, 0.4, 'c', '2'],
      ]) {
        await board.click({ position: { x: x * width, y: y * height } });
        await page.keyboard.press(way);
        await page.keyboard.press(answer);
      }
      await page.getByLabel('How often it failed before').fill('3 in 10 h');
      await page.getByRole('button', { name: 'Begin a soak' }).click();
    },
  },
  { name: 'shelf', path: '/shelf?q=for%20C%20680u%2050V%20105%20lowesr%2012.5x25%2F5%20at%2030%20V%2050%20kHz' },
  {
    name: 'apart',
    path: `${job(2)}/apart`,
    act: (page) => page.getByRole('button', { name: /Put together/ }).click(),
  },
];

const named = process.argv.slice(2);
try {
  for (const { name, path: at, theme = 'light', act } of views) {
    if (named.length > 0 && !named.includes(name)) continue;
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies([{ name: 'tovrik-theme', value: theme, url: address }]);
    const page = await context.newPage();
    await page.goto(`${address}${at}`, { waitUntil: 'networkidle' });
    await act?.(page);
    await page.waitForTimeout(400);
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    await context.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  child.kill('SIGTERM');
  suppliers.kill('SIGTERM');
}
