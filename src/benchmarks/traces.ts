import { quantile, seeded } from '@/core/statistics';
import { traceKinds, traceOf, type LabelledTrace } from '@/core/practice';
import { type After, classifyTrace, CreepWatch, SettleWatch } from '@/core/reading';

const noises = [0.001, 0.004, 0.01];
const rates = [2, 4, 10, 25, 50];
const each = 24;
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

const traces: (LabelledTrace & { readonly rate: number; readonly noise: number })[] = traceKinds.flatMap((kind, k) =>
  noises.flatMap((noise, n) =>
    rates.flatMap((rate) =>
      Array.from({ length: each }, (_, draw) => ({
        rate,
        noise,
        ...traceOf(kind, { rate, noise, random: seeded(1 + draw + 1000 * k + 10_000 * n + 100_000 * rate) }),
      })),
    ),
  ),
);

console.log(
  `\n${traces.length} traces, noise ${noises.map(percent).join(', ')} of the value, ${rates[0]} to ${rates[rates.length - 1]} samples a second`,
);
const found = traces.map((trace) => ({ trace, shape: classifyTrace(trace.samples).shape }));
for (const kind of traceKinds) {
  const own = found.filter(({ trace }) => trace.kind === kind);
  const wrong = new Map<string, number>();
  for (const { shape } of own) if (shape.kind !== kind) wrong.set(shape.kind, (wrong.get(shape.kind) ?? 0) + 1);
  const right = own.filter(({ shape }) => shape.kind === kind).length;
  console.log(
    `  ${kind.padEnd(10)} ${percent(right / own.length).padStart(8)}   ${[...wrong].map(([as, count]) => `${as} ${count}`).join(', ')}`,
  );
}
console.log(
  `  all        ${percent(found.filter(({ trace, shape }) => trace.kind === shape.kind).length / found.length).padStart(8)}`,
);
const briefs = found.filter(({ trace }) => trace.kind === 'brief');
console.log(
  `  brief not taken for settled or dead   ${percent(1 - briefs.filter(({ shape }) => shape.kind === 'settled').length / briefs.length)}`,
);
for (const kind of ['falling', 'climbing'] as const) {
  const errors = found.flatMap(({ trace, shape }) =>
    trace.kind === kind && shape.kind === kind && shape.tau !== undefined ? [Math.abs(shape.tau / trace.tau! - 1)] : [],
  );
  console.log(
    `  time constants, ${kind.padEnd(9)} told in ${errors.length}: off by ${percent(quantile(errors, 0.5))} median, ${percent(quantile(errors, 0.95))} p95, within 5 % ${percent(errors.filter((error) => error <= 0.05).length / errors.length)}`,
  );
}
for (const rate of rates) {
  const delays = traces.flatMap((trace) => {
    if (trace.kind !== 'settled' || trace.rate !== rate) return [];
    const watch = new SettleWatch();
    const at = trace.samples.find((sample) => watch.take(sample) !== undefined)?.at;
    return [at === undefined ? Infinity : Math.max(0, at - trace.settled!.at)];
  });
  console.log(
    `  settled at ${String(rate).padStart(2)} a second: recorded ${quantile(delays, 0.5).toFixed(2)} s after settling, median, ${quantile(delays, 0.95).toFixed(2)} s p95`,
  );
}

/** Values recorded of a trace, one after another, while the probes are on the point. */
function recorded({ samples }: LabelledTrace): number[] {
  const settle = new SettleWatch();
  const index = samples.findIndex((sample) => settle.take(sample) !== undefined);
  if (index < 0) return [];
  const first = samples[index]!.value;
  const creep = new CreepWatch(first, samples.slice(0, index + 1));
  return [first, ...samples.slice(index + 1).flatMap((sample) => creepValue(creep.take(sample)))];
}
const creepValue = (after: After) => (after.kind === 'there' && after.value !== undefined ? [after.value] : []);
for (const noise of noises) {
  const climbs = traces.filter((trace) => trace.kind === 'climbing' && trace.noise === noise);
  const off = climbs.flatMap((trace) => {
    const values = recorded(trace);
    const stood = trace.samples[trace.samples.length - 1]!.value;
    return values.length === 0
      ? []
      : [[values[0]!, values[values.length - 1]!].map((one) => Math.abs(one / stood - 1))];
  });
  const p95 = (which: 0 | 1) =>
    percent(
      quantile(
        off.map((one) => one[which]!),
        0.95,
      ),
    );
  console.log(
    `  climbs at noise ${percent(noise)}: ${off.length} of ${climbs.length} taken for settled, off by ${p95(0)} p95 then, ${p95(1)} once watched on`,
  );
}
