// Tracing boards made from the shipped stages: beeps against pin by pin, what is found, what it is called.
import { readNetlist } from '@/core/circuit';
import { quantile, seeded, sumOf } from '@/core/statistics';
import { netOf, nextBeep, PatternLibrary, patternOf, traceBoard, traceInOrder } from '@/core/tracing';
import { shippedStages } from '@/sheets/stages';

const patterns = shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text)));
const library = new PatternLibrary(patterns);
const seeds = [0, 1, 2];

console.log('\nTracing: beeps with 2 % misheard, against every pin on every node found, and on the largest first');
const rows = patterns.map((pattern) => {
  const runs = seeds.map((seed) => traceBoard(pattern, library, { wrong: 0.02, random: seeded(seed) }));
  const inOrder = (order: 'as found' | 'largest first') =>
    traceInOrder(pattern, order, { wrong: 0, random: seeded(0) }).beeps;
  const [found, largest] = [inOrder('as found'), inOrder('largest first')];
  const beeps = sumOf(runs, (run) => run.beeps) / runs.length;
  const whole = runs.filter((run) => run.whole).length;
  const joins = sumOf(pattern.nodes, (spots) => spots.length - 1);
  const early = runs.filter(({ namedAt }) => namedAt !== undefined && namedAt <= 0.35 * joins).length;
  console.log(
    `  ${pattern.id.padEnd(22)} ${beeps.toFixed(0).padStart(5)} of ${String(found).padStart(5)} and ${String(largest).padStart(5)}  whole ${whole} of ${runs.length}, named early ${early} of ${runs.length}`,
  );
  return { beeps, found, largest, whole, early };
});
const share = (of: 'found' | 'largest') => sumOf(rows, ({ beeps }) => beeps) / sumOf(rows, (row) => row[of]);
const percent = (part: number) => `${(100 * part).toFixed(1)} %`;
const all = patterns.length * seeds.length;
console.log(
  `  all: ${percent(share('found'))} of the beeps of every node, ${percent(share('largest'))} of the largest first; whole ${percent(sumOf(rows, ({ whole }) => whole) / all)}, named early ${percent(sumOf(rows, ({ early }) => early) / all)}`,
);

// Each stage in turn taken out of what is known: it should be called none of the others.
const unknown = patterns.filter((pattern) => {
  const others = new PatternLibrary(patterns.filter((one) => one !== pattern));
  const facts = pattern.nodes.flatMap((spots) =>
    spots.slice(1).map((b) => ({ a: spots[0]!, b, found: 'joined' as const })),
  );
  return others.believe(netOf(pattern.parts, facts))[0]!.pattern === undefined;
});
console.log(`  taken out of the library: ${unknown.length} of ${patterns.length} are called no known stage`);

const took: number[] = [];
const largest = [...patterns].sort((a, b) => b.parts.length - a.parts.length)[0]!;
const facts = largest.nodes.flatMap((spots) =>
  spots.slice(1, 3).map((b) => ({ a: spots[0]!, b, found: 'joined' as const })),
);
for (let turn = 0; turn < 40; turn += 1) {
  const net = netOf(largest.parts, facts.slice(0, turn));
  const start = performance.now();
  nextBeep(net, library, library.believe(net));
  took.push(performance.now() - start);
}
console.log(
  `  next beep on ${largest.parts.length} parts: ${quantile(took, 0.5).toFixed(0)} ms median, ${quantile(took, 0.95).toFixed(0)} ms p95`,
);
