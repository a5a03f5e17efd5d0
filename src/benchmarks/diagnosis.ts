import { compileSheet, Predictions } from '@/core/behaviour';
import { indistinguishable } from '@/core/diagnosis';
import { mean, seeded, sumOf } from '@/core/statistics';
import { hunt, type HuntPolicy, nameIn, simulatedSet, worlds } from '@/core/practice';
import { openSheet, type Sheet } from '@/core/sheet';
import { shippedSheets } from '@/sheets';

const noise = 0.01;
const misreads = 0.05;
/** How often each fault is hunted with other noise and other slips. */
const draws = 3;
const policies: readonly HuntPolicy[] = ['tovrik', 'checklist', 'random'];

/** Going down a list takes many steps, so the way to the cure is walked for every so-manieth fault. */
const every = 4;

const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

/** For every fault of a sheet: is it named, and how long does the way to its cure take. */
function benchSheet(sheet: Sheet): void {
  const predictions = new Predictions(compileSheet(openSheet(sheet)));
  const groups = indistinguishable(predictions);
  const faults = [...sheet.faults.values()];
  const names = Array.from({ length: draws }, (_, draw) =>
    faults.map((fault, index) => {
      const random = seeded(500 + index + 10_000 * draw);
      return { fault: fault.id, ...nameIn(simulatedSet(sheet, fault, worlds.listed, random), groups, random) };
    }),
  ).flat();
  const missed = names.filter(({ claim }) => !claim.right);
  console.log(
    `\n${sheet.title}: ${faults.length} faults, ${draws} times each, readings with ${percent(noise)} noise, one in ${1 / misreads} a slip`,
  );
  console.log(
    `  named, or in the group no test tells apart   ${percent(1 - missed.length / names.length)}   (${mean(names.map(({ probes }) => probes)).toFixed(1)} probes each)`,
  );
  if (missed.length > 0)
    console.log(`  not named: ${missed.map(({ fault, claim }) => `${fault} (taken for ${claim.about})`).join(', ')}`);
  console.log(`  to the proven cure, every ${every}th fault`);
  console.log(
    '                         mean min   worst min   probes   repairs   first repair right   mean harm min   live though forbidden',
  );
  for (const policy of policies) {
    const hunts = faults
      .filter((_, index) => index % every === 0)
      .map((fault, index) => hunt(predictions, fault, { policy, noise, misreads, random: seeded(500 + index) }));
    const first = hunts.filter(({ fault, firstRepair }) => firstRepair.includes(fault)).length / hunts.length;
    const title = { tovrik: 'what Tovrik asks', checklist: 'plug to picture', random: 'random order' }[policy];
    console.log(
      `    ${title.padEnd(18)} ${mean(hunts.map(({ minutes }) => minutes))
        .toFixed(1)
        .padStart(8)} ${Math.max(...hunts.map(({ minutes }) => minutes))
        .toFixed(0)
        .padStart(11)} ${mean(hunts.map(({ probes }) => probes))
        .toFixed(1)
        .padStart(8)} ${mean(hunts.map(({ repairs }) => repairs))
        .toFixed(2)
        .padStart(9)} ${percent(first).padStart(13)} ${mean(hunts.map(({ harm }) => harm))
        .toFixed(2)
        .padStart(20)} ${String(sumOf(hunts, ({ forbidden }) => forbidden)).padStart(15)}`,
    );
  }
}

const wanted = process.argv.slice(2);
for (const sheet of shippedSheets().values()) if (wanted.length === 0 || wanted.includes(sheet.id)) benchSheet(sheet);
