// Pages of a shop of ten years with sixty sets open, each with its readings: the first after a start, and those that follow.
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect, createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Knex } from 'knex';
import { quantile } from '@/core/statistics';
import { seedDemo } from '@/demo';
import { openDatabase } from '@/store';
import { lookAhead } from '../../scripts/setup.mjs';
import { fillTenYears, openSets } from './tenYears';

const named = process.argv.slice(2);
const at = named.indexOf('--requests');
const mixed = at < 0 ? 2000 : Number(named[at + 1]);

/** The open sets of the scenario, over and over, until there are as many as wanted. */
async function openMore(db: Knex, wanted: number): Promise<string[]> {
  const sets: Record<string, unknown>[] = await db('job').whereNull('closed_at');
  const ids = sets.map(({ id }) => String(id));
  for (let index = 0; ids.length < wanted; index += 1) {
    const set = sets[index % sets.length]!;
    const id = crypto.randomUUID();
    ids.push(id);
    await db('job').insert({ ...set, id, title: `${String(set.title)} ${index}` });
    const lines: Record<string, unknown>[] = await db('log_entry').where({ job: set.id }).orderBy('seq');
    const renamed = new Map(lines.map((line) => [line.id, crypto.randomUUID()]));
    for (const { seq: _seq, ...line } of lines)
      await db('log_entry').insert({
        ...line,
        id: renamed.get(line.id),
        job: id,
        supersedes: line.supersedes === null ? null : renamed.get(line.supersedes),
      });
  }
  return ids;
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

const listens = (port: number) =>
  new Promise<boolean>((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
  });

async function start(database: string): Promise<{ readonly server: ChildProcess; readonly address: string }> {
  const port = await freePort();
  const next = ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)];
  const server = spawn(process.execPath, next, {
    stdio: 'ignore',
    env: { ...process.env, TOVRIK_DB: database, NODE_ENV: 'production' },
  });
  while (!(await listens(port))) await new Promise((resolve) => setTimeout(resolve, 20));
  return { server, address: `http://127.0.0.1:${port}` };
}

/** From asking for a page to the last of its document, in milliseconds. */
async function took(address: string): Promise<number> {
  const started = performance.now();
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`${address} answered ${answer.status}`);
  await answer.text();
  return performance.now() - started;
}

/** Memory that a process holds, in MB. */
const held = ({ pid }: ChildProcess) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;

const folder = mkdtempSync(path.join(tmpdir(), 'tovrik-'));
const file = path.join(folder, 'pages.db');
await seedDemo(file, Date.now());
const db = await openDatabase(file);
await fillTenYears(db, 0);
const open = await openMore(db, openSets);
await db.destroy();

console.log(`\nPages of a shop of ten years, ${openSets} sets open`);
const pages: readonly (readonly [name: string, path: (turn: number) => string])[] = [
  ['queue', () => '/'],
  ['take in', () => '/take-in'],
  ['bench of each set', (turn) => `/job/${open[turn % openSets]}/bench`],
  ['map of each set', (turn) => `/job/${open[turn % openSets]}/map`],
  ['repair of each set', (turn) => `/job/${open[turn % openSets]}/repair`],
  ['parts', () => '/parts'],
  ['shelf', () => '/shelf?q=47u%2050V'],
  ['donors', () => '/donors'],
  ['notebook', () => '/notebook'],
  ['a search', (turn) => `/notebook?q=${['upper', '680u', '4k7', 'joint', 'posistor'][turn % 5]}`],
  ['week', () => '/week'],
  ['sheets', () => '/sheets'],
];
const shown = (ms: number) => `${ms.toFixed(0).padStart(6)} ms`;
let { server, address } = await start(file);
for (const [name, page] of [
  ['queue, nothing kept of any set', '/'],
  ['queue', '/'],
  ['take in', '/take-in'],
]) {
  console.log(`  first page after a start: ${name!.padEnd(31)} ${shown(await took(address + page!))}`);
  server.kill('SIGKILL');
  ({ server, address } = await start(file));
}
const started = performance.now();
await lookAhead(address);
console.log(`  looked ahead, as after each start, in            ${shown(performance.now() - started)}`);
for (const [name, of] of pages) {
  const first = await took(address + of(0));
  const times = [];
  for (let turn = 0; turn < openSets; turn += 1) times.push(await took(address + of(turn)));
  console.log(
    `  ${name.padEnd(20)} first ${shown(first)}, then ${shown(quantile(times, 0.5))} median ${shown(quantile(times, 0.95))} p95`,
  );
}
for (let turn = 0; turn < mixed; turn += 1) {
  if (turn % Math.ceil(mixed / 5) === 0)
    console.log(`  after ${String(turn).padStart(6)} mixed requests ${held(server).toFixed(0).padStart(5)} MB`);
  await took(address + pages[turn % pages.length]![1](turn));
}
console.log(`  after ${String(mixed).padStart(6)} mixed requests ${held(server).toFixed(0).padStart(5)} MB`);
server.kill('SIGKILL');
rmSync(folder, { recursive: true });
