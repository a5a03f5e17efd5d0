// Brings a fresh machine to the point where a command can run. Uses nothing but Node itself.
import { spawn, spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { existsSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import path from 'node:path';
import {
  commandLine,
  digest,
  installed,
  isCommandLineBuilt,
  isInstalled,
  root,
  sources,
  stamped,
} from './upToDate.mjs';

process.env.NEXT_TELEMETRY_DISABLED = '1';

export function fail(message) {
  console.error(message);
  process.exit(1);
}

/** Runs a command to its end; its output goes to standard error so that standard output stays clean. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { stdio: ['ignore', process.stderr, 'inherit'], ...options });
  if (error) fail(`${command}: ${error.message}`);
  return status ?? 1;
}

/** Runs a script of an installed package with this very Node. */
export function runPackage(script, args, options = {}) {
  return run(process.execPath, [path.join(root, 'node_modules', script), ...args], options);
}

/**
 * Runs a script of an installed package beside others; what it says is printed once it has ended.
 *
 * @returns {Promise<number>} its exit code
 */
export function runBeside(script, args) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [path.join(root, 'node_modules', script), ...args], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const said = [];
    child.stdout.on('data', (piece) => said.push(piece));
    child.stderr.on('data', (piece) => said.push(piece));
    child.on('close', (code) => {
      process.stderr.write(Buffer.concat(said));
      resolve(code ?? 1);
    });
  });
}

export const scripts = {
  next: 'next/dist/bin/next',
  tsx: 'tsx/dist/cli.mjs',
  vitest: 'vitest/vitest.mjs',
  eslint: 'eslint/bin/eslint.js',
  tsc: 'typescript/bin/tsc',
  playwright: '@playwright/test/cli.js',
  knip: 'knip/bin/knip.js',
  depcruise: 'dependency-cruiser/bin/dependency-cruise.mjs',
  prettier: 'prettier/bin/prettier.cjs',
};

/** Installs from the lock file when it is missing or has changed. */
export function ensureInstalled() {
  if (isInstalled()) return;
  console.error('Installing packages from the lock file; the first time takes some minutes.');
  const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';
  if (run(npm, ['ci', '--include=dev', '--no-audit', '--no-fund']) !== 0) fail('npm ci failed: see above.');
  writeFileSync(installed.file, installed.stamp());
}

/** Builds when sources changed since the last build. */
export function ensureBuilt() {
  const stampFile = path.join(root, '.next', '.tovrik-build');
  const stamp = digest([...sources('src'), 'next.config.ts', 'package-lock.json', 'tsconfig.json']);
  if (stamped(stampFile, stamp)) return;
  console.error('Building.');
  if (runPackage(scripts.next, ['build']) !== 0) fail('The build failed: see above.');
  writeFileSync(stampFile, stamp);
}

/** The command line as one file for Node, built again when one of its sources is newer. */
export async function ensureCommandLine() {
  if (isCommandLineBuilt()) return;
  const { build } = await import('esbuild');
  await build({
    entryPoints: [path.join(root, 'src/cli/main.ts')],
    outdir: path.dirname(commandLine),
    bundle: true,
    splitting: true,
    minifySyntax: true,
    minifyWhitespace: true,
    platform: 'node',
    format: 'esm',
    // What has native code or looks for its own files stays a package.
    external: ['better-sqlite3', 'highs', 'knex', 'sharp'],
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    logLevel: 'warning',
  });
}

const chromiumPlaces = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** The path of a Chromium; installs Debian's where apt may be used, else says in one line what to do. */
export function ensureChromium() {
  const places = [process.env.CHROMIUM, ...chromiumPlaces].filter(Boolean);
  const found = () => places.find((place) => existsSync(place));
  if (found()) return found();
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  if (existsSync('/usr/bin/apt-get')) {
    console.error('Installing Chromium with apt.');
    const apt = (...args) => {
      const [command, ...rest] = [...asRoot, 'apt-get', ...args];
      return (
        spawnSync(command, rest, {
          stdio: ['ignore', process.stderr, 'inherit'],
          env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
        }).status === 0
      );
    };
    if (apt('update') && apt('install', '-y', '--no-install-recommends', 'chromium') && found()) return found();
  }
  return fail(
    'Browser tests need Chromium: install it (Debian: apt-get install chromium) or set CHROMIUM to its path.',
  );
}

/** The port that TOVRIK_PORT asks for, or the usual one. */
export function wantedPort(usual) {
  const said = process.env.TOVRIK_PORT;
  if (!said) return usual;
  const port = Number(said);
  return Number.isInteger(port) && port >= 1 && port <= 65_535
    ? port
    : fail(`TOVRIK_PORT is "${said}": a port is a whole number from 1 to 65535, like ${usual}`);
}

/** The first free port from `from` on. */
export async function freePort(from, host = '127.0.0.1') {
  for (let port = from; port < from + 200; port += 1) {
    const free = await new Promise((resolve) => {
      const probe = createServer();
      probe.once('error', () => resolve(false));
      probe.listen(port, host, () => probe.close(() => resolve(true)));
    });
    if (free) return port;
  }
  return fail(`no free port from ${from} to ${from + 199}`);
}

const loopback = new Set(['127.0.0.1', 'localhost', '::1']);

/** What a server that is reached from beyond this machine is told: its names, and the code that lets a browser in. */
export function beyond(host) {
  if (loopback.has(host)) return {};
  const all = host === '0.0.0.0' || host === '::';
  const addresses = Object.values(networkInterfaces())
    .flat()
    .map(({ address, family }) => (family === 'IPv6' ? `[${address.split('%')[0]}]` : address));
  return {
    TOVRIK_HOSTS: [host, ...(all ? [...addresses, hostname(), `${hostname()}.local`] : [])].join(','),
    TOVRIK_CODE: process.env.TOVRIK_CODE ?? String(randomInt(1e7, 1e8)),
  };
}

/** Says how other devices come in. */
export function tellCode({ TOVRIK_CODE: code }) {
  if (code === undefined) return;
  console.log(
    `It listens beyond this machine: every browser is asked for the code ${code}. Local rules on networks come first.`,
  );
}

/** Starts the built application on a database file. Resolves once it answers. */
export async function serve({
  database,
  port,
  host = process.env.TOVRIK_HOST || '127.0.0.1',
  quiet = false,
  simulatedMeter = false,
}) {
  const door = beyond(host);
  const child = spawn(
    process.execPath,
    [path.join(root, 'node_modules', scripts.next), 'start', '-H', host, '-p', String(port)],
    {
      stdio: ['ignore', quiet ? 'ignore' : process.stderr, 'inherit'],
      env: {
        ...process.env,
        ...door,
        TOVRIK_DB: database,
        TOVRIK_SIMULATED_METER: simulatedMeter ? '1' : '',
        NODE_ENV: 'production',
      },
    },
  );
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const address = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`;
  for (let tries = 0; tries < 150; tries += 1) {
    const answered = await fetch(`${address}/${door.TOVRIK_CODE === undefined ? 'notebook' : 'enter'}`).then(
      (response) => response.ok,
      () => false,
    );
    if (answered) return { child, address, ended, door };
    if (child.exitCode !== null) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  child.kill('SIGKILL');
  return fail(`the server did not answer at ${address}`);
}

/** Plays the suppliers of the demo on a port of their own, and points a demo database to them. */
export function playSuppliers(database, port) {
  const command = [path.join(root, 'node_modules', scripts.tsx), 'src/cli/playSuppliers.ts', String(port), database];
  return spawn(process.execPath, command, { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] });
}

/** Serves until interrupted. */
export async function serveForever(options) {
  const server = await serve(options);
  const stop = () => server.child.kill('SIGTERM');
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  return server;
}

/** So many sets of the queue are looked at ahead: as many as a large shop has open. */
const setsAhead = 60;

/**
 * Has what takes longest the first time be worked out before anybody looks; one after the other, so that who looks
 * meanwhile waits for one at most.
 *
 * @param {string} address where it is served
 * @returns {Promise<void>} fulfilled also where the server is gone or lets nobody in
 */
export async function lookAhead(address) {
  const textOf = async (page) => (await fetch(new URL(page, address))).text();
  try {
    const queue = await textOf('/');
    await textOf('/take-in');
    const benches = new Set(queue.match(/\/job\/[\w-]+\/bench/g));
    for (const bench of [...benches].slice(0, setsAhead)) await textOf(bench);
  } catch {
    // Whoever looks first waits for it instead.
  }
}
