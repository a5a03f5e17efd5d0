// The interface measured in headless Chromium: times of an entry, of the stage's slider, of a first load, and sizes.
import { gzipSync } from 'node:zlib';
import path from 'node:path';
import { launch } from './browser.mjs';
import { seed } from './seed.mjs';
import { freePort, serve } from './setup.mjs';
import { workFolder } from './upToDate.mjs';

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

/**
 * From the Enter key, by the browser's own stamp, to the frame that shows the verdict of the reading, to the one that
 * shows the suspects as it has ranked them, and to the server's acknowledgement.
 */
async function entryTimes(runs) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(bench, { waitUntil: 'networkidle' });
  await switchOn(page);
  const times = { verdict: [], suspects: [], saved: [] };
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
    // Quicker than any hand, but one key after the other.
    await page.keyboard.type(`${name} ${(nominal * (1 + (run % 7) / 1000)).toFixed(2)}`, { delay: 30 });
    const seen = page.evaluate(
      () =>
        new Promise((resolve) => {
          const list = document.querySelector('[data-testid=readings]');
          const before = list.getAttribute('data-count');
          const ahead = () => document.querySelector('[data-ahead]').getAttribute('data-ahead');
          const waiting = () => document.querySelector('[data-waiting]').getAttribute('data-waiting');
          const entered = ({ timeStamp: started }) => {
            const seen = {};
            // What is in the page now is painted with the next frame; a task queued in that frame runs after the paint.
            const painted = (name) => {
              seen[name] = 0;
              const { port1, port2 } = new MessageChannel();
              port1.onmessage = () => (seen[name] = performance.now() - started);
              requestAnimationFrame(() => port2.postMessage(0));
            };
            // The page is looked at as it changes, before it is painted: a timer would come after that, and count a frame more.
            const look = () => {
              if (seen.verdict === undefined && list.getAttribute('data-count') !== before) painted('verdict');
              if (seen.suspects === undefined && seen.verdict !== undefined && ahead() !== 'briefing')
                painted('suspects');
              if (seen.saved === undefined && seen.verdict !== undefined && waiting() === '0')
                seen.saved = performance.now() - started;
            };
            const changes = new MutationObserver(look);
            changes.observe(document.body, { attributes: true, childList: true, subtree: true });
            const watch = () => {
              if (seen.verdict > 0 && seen.suspects > 0 && seen.saved > 0) {
                changes.disconnect();
                resolve(seen);
              } else setTimeout(watch, 5);
            };
            watch();
          };
          addEventListener('keydown', entered, { capture: true, once: true });
        }),
    );
    // The page has answered once: it listens for the key.
    await page.evaluate(() => 0);
    await page.keyboard.press('Enter');
    const one = await seen;
    for (const name of Object.keys(times)) times[name].push(one[name]);
    // By then the look further ahead is under way, as it would be on a bench.
    await page.waitForTimeout(400);
  }
  await page.close();
  return times;
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
    set: new URL(bench).pathname.replace('bench', 'set'),
    bench: new URL(bench).pathname,
    repair: new URL(bench).pathname.replace('bench', 'repair'),
    close: new URL(bench).pathname.replace('bench', 'close'),
    notebook: '/notebook',
    sheets: '/sheets',
    compare: '/compare',
    power: new URL(bench).pathname.replace('bench', 'power'),
    map: new URL(bench).pathname.replace('bench', 'map'),
    survey: new URL(bench).pathname.replace('bench', 'survey'),
    stage: '/stage',
  };
  for (const [name, route] of Object.entries(routes)) {
    const context = await browser.newContext();
    const page = await context.newPage();
    /** Of each script fetched, whose it is and its size; a second worker has the same from the cache. */
    const sizes = new Map();
    page.on('response', (response) => {
      if (response.url().endsWith('.js') && !sizes.has(response.url()))
        sizes.set(response.url(), {
          page: response.request().resourceType() === 'script',
          size: response.body().then(
            (body) => gzipSync(body).length,
            () => 0,
          ),
        });
    });
    await page.goto(`${address}${route}`, { waitUntil: 'networkidle' });
    let [onPage, inWorkers] = [0, 0];
    for (const script of sizes.values()) {
      const size = (await script.size) / 1024;
      if (script.page) onPage += size;
      else inWorkers += size;
    }
    console.log(
      `  JavaScript, ${name.padEnd(9)} ${onPage.toFixed(0).padStart(5)} kB gzip on the page's thread, ${inWorkers.toFixed(0).padStart(3)} kB more in workers`,
    );
    await context.close();
  }
}

/** From asking for a page to the last of its document, over one connection, the shelf filled with many kinds. */
async function pageTimes(runs) {
  const kinds = 20_000;
  const lines = Array.from(
    { length: kinds },
    (_, at) => `C ${1 + (at % 900)}u ${[16, 25, 35, 50, 63, 100][at % 6]}V 105,${at % 9},D${at % 400},lot ${at}`,
  );
  const put = await fetch(`${address}/api/shelf/list?put`, {
    method: 'POST',
    headers: { origin: address },
    body: ['part,count,drawer,from', ...lines].join('\n'),
  });
  if (!put.ok) throw new Error(`the shelf was not filled: ${await put.text()}`);
  const found = [];
  for (const route of ['/parts', '/shelf', '/shelf?q=47u%2050V', '/donors', '/']) {
    const times = [];
    for (let run = 0; run < runs + 3; run += 1) {
      const started = performance.now();
      await (await fetch(address + route)).text();
      if (run >= 3) times.push(performance.now() - started);
    }
    found.push([route, times]);
  }
  return found;
}

const show = (name, values) =>
  console.log(
    `  ${name.padEnd(46)} ${quantile(values, 0.5).toFixed(0).padStart(5)} ms median ${quantile(values, 0.95).toFixed(0).padStart(5)} ms p95 (${values.length} runs)`,
  );
const { verdict, suspects, saved } = await entryTimes(120);
show('Enter → verdict painted', verdict);
show('Enter → re-ranked suspects painted', suspects);
show('Enter → saved on disk and acknowledged', saved);
const held = await longTasks(20);
console.log(
  `  tasks of more than 50 ms over 20 readings       ${held.length} of them, the longest ${Math.max(0, ...held).toFixed(0)} ms`,
);
show('stage slider → ladder solved and laid out', await sliderFrames(100));
show('bench first load, empty cache', await firstLoads(12));
await scriptSizes();
for (const [route, times] of await pageTimes(40)) show(`page ${route}, 20,000 kinds on the shelf`, times);
await browser.close();
child.kill('SIGTERM');
