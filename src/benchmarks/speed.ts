import { replay } from '@/core/log';
import { compileSheet, type Context, liveCold, Predictions, simulate, withConnector } from '@/core/behaviour';
import { adviseOn, type Case } from '@/core/diagnosis';
import { complaintOf } from '@/core/practice';
import { openSheet, type Sheet } from '@/core/sheet';
import { shippedSheets } from '@/sheets';

/** The middle and the 95th percentile of repeated runs, in milliseconds. */
function timed(runs: number, go: (run: number) => void): string {
  const times = Array.from({ length: runs }, (_, run) => {
    const start = performance.now();
    go(run);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return `${times[runs >> 1]!.toFixed(2).padStart(7)} ms median ${times[Math.floor(runs * 0.95)]!.toFixed(2).padStart(8)} ms p95`;
}

/** Everything a set of the sheet may be asked in: cold and warm, off, and each connector pulled by itself. */
function contextsOf({ connectors }: Sheet): Context[] {
  return [
    liveCold,
    { ...liveCold, warm: true },
    { ...liveCold, power: 'unplugged' },
    ...[...connectors.keys()].map((connector) => withConnector(liveCold, connector, true)),
  ];
}

console.log('\nIn Node, one core');
for (const sheet of shippedSheets().values()) {
  const model = compileSheet(sheet);
  const faults = [...sheet.faults.values()];
  const predictions = new Predictions(compileSheet(openSheet(sheet)));
  const cases = faults.map((fault): Case => ({
    predictions,
    complaint: complaintOf(predictions, fault),
    bench: replay([{ id: 'on', at: '', body: { kind: 'power', power: 'live' } }], []),
    closed: new Map(),
    hourlyRate: 18,
  }));
  adviseOn(cases[0]!);
  console.log(
    `  ${sheet.title.padEnd(14)} all ${faults.length} faults simulated     ${timed(40, () => faults.forEach((fault) => simulate(model, [fault], liveCold)))}`,
  );
  const contexts = contextsOf(sheet);
  console.log(
    `  ${''.padEnd(14)} in each of ${String(contexts.length).padStart(2)} contexts         ${timed(20, () => contexts.forEach((context) => faults.forEach((fault) => simulate(model, [fault], context))))}`,
  );
  console.log(
    `  ${''.padEnd(14)} posterior and next probe      ${timed(200, (run) => adviseOn(cases[run % cases.length]!))}`,
  );
}
