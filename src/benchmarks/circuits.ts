import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { changeFor, dictionaryOf, faultsOf, operatingPoint, rankFaults, readNetlist, System } from '@/core/circuit';
import { shippedStages } from '@/sheets/stages';

/** How many of the largest netlists are measured. */
const measured = 3;
const runs = 40;
/** Runs before the measured ones, so that all of them meet compiled code. */
const warmUps = 20;

const reference = path.resolve(process.cwd(), '..', 'shared', 'reference', 'circuits');

/** The reference netlists where they are at hand, otherwise the stages that ship. */
function netlists(): { name: string; text: string }[] {
  try {
    return readdirSync(reference)
      .filter((file) => file.endsWith('.cir'))
      .map((file) => ({ name: file, text: readFileSync(path.join(reference, file), 'utf8') }));
  } catch {
    return shippedStages().map(({ id, text }) => ({ name: id, text }));
  }
}

function median(go: () => void, times = runs): number {
  for (let run = 0; run < Math.min(warmUps, times); run += 1) go();
  const found = Array.from({ length: times }, () => {
    const start = performance.now();
    go();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return found[found.length >> 1]!;
}

console.log('\nFault dictionaries of the largest netlists, one core, medians');
console.log('                  parts  faults   whole ms  us a fault  faults/s   from scratch ms   ratio   ranking ms');
const largest = netlists()
  .map(({ name, text }) => ({ name, circuit: readNetlist(text) }))
  .sort((a, b) => b.circuit.elements.length - a.circuit.elements.length)
  .slice(0, measured);
for (const { name, circuit } of largest) {
  const system = new System(circuit);
  const healthy = operatingPoint(system);
  const faults = faultsOf(system);
  const changes = faults.map((fault) => changeFor(system, fault));
  const whole = median(() => dictionaryOf(system, healthy));
  const scratch = median(() => {
    for (const change of changes) {
      try {
        operatingPoint(system, { change });
      } catch {
        // A fault without an operating point takes its time all the same.
      }
    }
  }, 5);
  const dictionary = dictionaryOf(system, healthy);
  const nodes = system.nodes.filter((node) => !node.includes(':')).slice(0, 6);
  const ranking = median(() =>
    rankFaults(dictionary, { volts: new Map(nodes.map((node) => [node, healthy[system.indexOf(node)!]! * 0.9])) }),
  );
  console.log(
    `  ${name.padEnd(15)} ${String(circuit.elements.length).padStart(5)} ${String(faults.length).padStart(7)} ${whole.toFixed(1).padStart(10)} ${((whole / faults.length) * 1000).toFixed(0).padStart(11)} ${((faults.length / whole) * 1000).toFixed(0).padStart(9)} ${scratch.toFixed(0).padStart(17)} ${(scratch / whole).toFixed(1).padStart(7)} ${ranking.toFixed(1).padStart(12)}`,
  );
}
console.log(`  peak memory of all this ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MiB`);
