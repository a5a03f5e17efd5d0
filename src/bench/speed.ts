import { compileSheet, liveCold, Predictions, simulate } from '@/core/behaviour';
import { adviseOn, type Case } from '@/core/diagnosis';
import { complaintOf } from '@/core/practice';
import { replay } from '@/core/reading';
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

console.log('\nIn Node, one core');
for (const sheet of shippedSheets().values()) {
  const model = compileSheet(sheet);
  const faults = [...sheet.faults.values()];
  const predictions = new Predictions(model);
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
  console.log(
    `  ${''.padEnd(14)} posterior and next probe      ${timed(200, (run) => adviseOn(cases[run % cases.length]!))}`,
  );
}
