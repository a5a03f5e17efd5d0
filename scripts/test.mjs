// npm test: installs what is missing, then lint, types, unit tests, build and browser tests.
import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { lint } from './lint.mjs';
import { ensureBuilt, ensureChromium, ensureInstalled, runBeside, runPackage, scripts } from './setup.mjs';
import { workFolder } from './upToDate.mjs';

ensureInstalled();
process.env.CHROMIUM = ensureChromium();

let passed = 0;
let failed = 0;
/** What failed, said again at the end, where it is looked for. */
const failures = [];

async function step(name, go) {
  const started = Date.now();
  const counts = await go();
  passed += counts.passed;
  failed += counts.failed;
  if (counts.failed > 0) failures.push(...(counts.names?.length ? counts.names : [name]));
  console.log(
    `${name}: ${counts.passed} passed, ${counts.failed} failed (${Math.round((Date.now() - started) / 1000)} s)`,
  );
}

/** A tool that only says yes or no counts as one test. */
const whole = async (holds) => ((await holds) ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });
const runs = (script, ...args) => runBeside(script, args).then((status) => status === 0);

/** Counts from a report; a runner that left none failed once, whatever it printed. */
function counted(file, read, status) {
  try {
    const counts = read(JSON.parse(readFileSync(file, 'utf8')));
    return status !== 0 && counts.failed === 0 ? { ...counts, failed: 1 } : counts;
  } catch {
    return { passed: 0, failed: 1 };
  }
}

/** The first words of a message. */
const brief = (message = '') => message.split('\n', 3).join(' ').slice(0, 300);

await Promise.all([
  step('lint', () => whole(lint())),
  step('unused code', () => whole(runs(scripts.knip))).then(() =>
    step('types', () => whole(runs(scripts.tsc, '--noEmit'))),
  ),
]);
await step('unit tests', () => {
  const report = path.join(workFolder, 'unit.json');
  rmSync(report, { force: true });
  const status = runPackage(scripts.vitest, [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  return counted(
    report,
    ({ numPassedTests, numFailedTests, numFailedTestSuites, testResults }) => ({
      passed: numPassedTests,
      failed: Math.max(numFailedTests, numFailedTestSuites > 0 && numFailedTests === 0 ? 1 : 0),
      names: testResults
        .filter(({ status }) => status === 'failed')
        .map(({ name, message, assertionResults }) => {
          const own = assertionResults.filter((test) => test.status === 'failed');
          return `${path.relative('.', name)}: ${own.map(({ title, failureMessages }) => `${title}: ${brief(failureMessages[0])}`).join(' | ') || brief(message)}`;
        }),
    }),
    status,
  );
});
await step('build', () => {
  ensureBuilt();
  return { passed: 1, failed: 0 };
});
await step('browser tests', () => {
  const report = path.join(workFolder, 'e2e.json');
  rmSync(report, { force: true });
  const status = runPackage(scripts.playwright, ['test']);
  const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)];
  return counted(
    report,
    ({ stats, suites }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
      names: suites
        .flatMap(specsOf)
        .filter(({ ok }) => !ok)
        .map(({ file, line, title }) => `${file}:${line} ${title}`),
    }),
    status,
  );
});

for (const failure of failures) console.log(`failed: ${failure}`);
console.log(`tests: ${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
