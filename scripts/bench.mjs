// npm run bench: how well faults are named, how fast the core and the interface are.
// Parts of it by name: npm run bench -- plan diagnosis speed circuits traces browser
import { gzipSync } from 'node:zlib';
import path from 'node:path';
import { seed } from './seed.mjs';
import { ensureBuilt, ensureInstalled, freePort, runPackage, scripts, serve, workFolder } from './setup.mjs';

ensureInstalled();
ensureBuilt();
const { launch } = await import('./browser.mjs');
const named = process.argv.slice(2);
const wanted = (part) => named.length === 0 || named.includes(part);
for (const part of ['plan', 'diagnosis', 'speed', 'circuits', 'traces'].filter(wanted))
  runPackage(scripts.tsx, [`src/bench/${part}.ts`], { stdio: 'inherit' });

if (!wanted('browser')) process.exit(0);

const database = path.join(workFolder, 'bench.db');
seed(database, { fresh: true });
const { address, child } = await serve({ database, port: await freePort(4960), quiet: true });
const browser = await launch();
const bench = `${address}/job/00000000-0000-4000-8000-000000002000/bench`;
const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];

console.log('\nIn headless Chromium, production build');

async function switchOn(page) {
  const live = page.getByRole('region', { name: 'The set is live' });
  if (!(await live.isVisible())) await page.keyboard.press('Alt+p');
  await live.waitFor();
  await page.waitForTimeout(500);
}

/** From Enter to the frame after the new reading and the re-ranked suspects are in the page, and to the server's acknowledgement. */
async function entryTimes(runs) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(bench, { waitUntil: 'networkidle' });
  await switchOn(page);
  const painted = [];
  const saved = [];
  const points = [
    ['vs', 187],
    ['va', 63],
    ['v15', 15],
    ['vset', 192],
    ['vscan', -168],
    ['vfu', 9.1],
    ['vfl', 15],
    ['ve', 104],
    ['v5m', 5.1],
    ['v12', 12],
  ];
  for (let run = 0; run < runs; run += 1) {
    const [name, nominal] = points[run % points.length];
    await page.keyboard.type(`${name} ${(nominal * (1 + (run % 7) / 1000)).toFixed(2)}`);
    const times = await page.evaluate(
      () =>
        new Promise((resolve) => {
          const list = document.querySelector('[data-testid=readings]');
          const before = list.getAttribute('data-count');
          const started = performance.now();
          let shown;
          const watch = () => {
            if (!shown && list.getAttribute('data-count') !== before) {
              // The commit is in the page; the frame after next has painted it.
              shown = 0;
              requestAnimationFrame(() => requestAnimationFrame(() => (shown = performance.now() - started)));
            }
            const waiting = document.querySelector('[data-waiting]').getAttribute('data-waiting');
            if (shown > 0 && waiting === '0') resolve({ painted: shown, saved: performance.now() - started });
            else setTimeout(watch, 1);
          };
          document.activeElement.dispatchEvent(
            new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }),
          );
          watch();
        }),
    );
    painted.push(times.painted);
    saved.push(times.saved);
  }
  await page.close();
  return { painted, saved };
}

/** How long the page's own thread was held at a stretch while a hunt is typed on the largest sheet. */
async function longTasks(runs) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(bench, { waitUntil: 'networkidle' });
  await switchOn(page);
  await page.evaluate(() => {
    window.held = [];
    new PerformanceObserver((list) => window.held.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    });
  });
  for (let run = 0; run < runs; run += 1) {
    await page.keyboard.type(`vs ${(187 * (1 + (run % 7) / 1000)).toFixed(2)}`);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(600);
  }
  const held = await page.evaluate(() => window.held);
  await page.close();
  return held;
}

/** From one move of a slider that turns a part to the frame that shows the ladder so turned. */
async function sliderFrames(runs) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/stage`, { waitUntil: 'networkidle' });
  await page.locator('[data-part="R2"]').click();
  await page.getByRole('slider', { name: 'R2, times' }).focus();
  await page.waitForTimeout(500);
  const times = await page.evaluate(async (count) => {
    const handle = document.activeElement;
    // As the browser sets it: the page is told by the event alone.
    const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
    const ladder = document.querySelector('[aria-label="Potential ladder"]');
    const found = [];
    for (let run = 0; run < count; run += 1) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const started = performance.now();
      const changed = new Promise((resolve) => {
        const watch = new MutationObserver(() => {
          watch.disconnect();
          resolve();
        });
        watch.observe(document.querySelector('[aria-label="What if"]'), {
          subtree: true,
          attributes: true,
          childList: true,
          characterData: true,
        });
      });
      // Never the value it has: nothing would change.
      setValue.call(handle, String((run + 1) / count));
      handle.dispatchEvent(new Event('input', { bubbles: true }));
      await changed;
      // Solved and in the page: the layout is forced, the paint comes with the next frame.
      ladder.getBoundingClientRect();
      found.push(performance.now() - started);
    }
    return found;
  }, runs);
  await page.close();
  return times;
}

async function firstLoads(runs) {
  const times = [];
  for (let run = 0; run < runs; run += 1) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(bench, { waitUntil: 'load' });
    times.push(
      await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => resolve(performance.now())))),
    );
    await context.close();
  }
  return times;
}

async function scriptSizes() {
  const routes = {
    queue: '/',
    'take in': '/take-in',
    bench: new URL(bench).pathname,
    repair: new URL(bench).pathname.replace('bench', 'repair'),
    close: new URL(bench).pathname.replace('bench', 'close'),
    notebook: '/notebook',
    stage: '/stage',
  };
  for (const [name, route] of Object.entries(routes)) {
    const context = await browser.newContext();
    const page = await context.newPage();
    const sizes = [];
    page.on('response', (response) => {
      if (response.url().endsWith('.js'))
        sizes.push(
          response.body().then(
            (body) => gzipSync(body).length,
            () => 0,
          ),
        );
    });
    await page.goto(`${address}${route}`, { waitUntil: 'networkidle' });
    const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
    console.log(
      `  JavaScript, ${name.padEnd(9)} ${(total / 1024).toFixed(0).padStart(5)} kB gzip in ${sizes.length} files`,
    );
    await context.close();
  }
}

const show = (name, values) =>
  console.log(
    `  ${name.padEnd(46)} ${quantile(values, 0.5).toFixed(0).padStart(5)} ms median ${quantile(values, 0.95).toFixed(0).padStart(5)} ms p95 (${values.length} runs)`,
  );
const { painted, saved } = await entryTimes(60);
show('Enter → verdict and re-ranked suspects painted', painted);
show('Enter → saved on disk and acknowledged', saved);
const held = await longTasks(20);
console.log(
  `  tasks of more than 50 ms over 20 readings       ${held.length} of them, the longest ${Math.max(0, ...held).toFixed(0)} ms`,
);
show('stage slider → ladder solved and laid out', await sliderFrames(100));
show('bench first load, empty cache', await firstLoads(12));
await scriptSizes();
await browser.close();
child.kill('SIGTERM');
