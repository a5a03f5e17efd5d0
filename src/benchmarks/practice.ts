// npm run bench -- practice: hunts drawn over all shipped sheets. Is each solved by the planner, how even are the grades,
// and does what they are made of go with what learners of three skills take? `--times N` draws N hunts.
import { difficultyOf, drawHunt, grades, hunt as huntOf, plannersHunt, troubleNames } from '@/core/practice';
import { seeded } from '@/core/statistics';
import { shippedSheets } from '@/sheets';

const at = process.argv.indexOf('--times');
const times = at < 0 ? 200 : Number(process.argv[at + 1]);
const firstSeed = 5000;
const runs = 3;

const sheets = [...shippedSheets().values()];
type How = Pick<Parameters<typeof huntOf>[2], 'policy' | 'noise' | 'misreads'>;
const learners: Readonly<Record<string, How>> = {
  'by chance': { policy: 'random', noise: 0.01 },
  'down the list': { policy: 'checklist', noise: 0.01 },
  'the planner with a slip in ten': { policy: 'tovrik', noise: 0.03, misreads: 0.1 },
};

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
function correlation(a: readonly number[], b: readonly number[]): number {
  const [ma, mb] = [mean(a), mean(b)];
  const together = (one: readonly number[], mo: number, other: readonly number[], mt: number) =>
    mean(one.map((value, place) => (value - mo) * (other[place]! - mt)));
  return together(a, ma, b, mb) / Math.sqrt(together(a, ma, a, ma) * together(b, mb, b, mb));
}
const standard = (values: readonly number[]) => {
  const m = mean(values);
  const sd = Math.sqrt(mean(values.map((value) => (value - m) ** 2)));
  return values.map((value) => (value - m) / sd);
};

const weights: number[] = [];
const perGrade = new Map<number, number>(grades.map((grade) => [grade, 0]));
const took = new Map<string, number[]>(Object.keys(learners).map((name) => [name, []]));
const milliseconds: number[] = [];
let named = 0;
let cured = 0;
for (let index = 0; index < times; index += 1) {
  const hunt = drawHunt(sheets, firstSeed + index);
  const began = performance.now();
  const { weight, grade } = difficultyOf(hunt);
  milliseconds.push(performance.now() - began);
  weights.push(weight);
  perGrade.set(grade, perGrade.get(grade)! + 1);
  const own = huntOf(hunt.predictions, hunt.fault, { policy: 'tovrik', noise: 0.01, random: seeded(hunt.seed) });
  if (own.cured) cured += 1;
  if (own.firstRepair.includes(hunt.fault.id)) named += 1;
  for (const [name, how] of Object.entries(learners)) {
    const minutes = Array.from(
      { length: runs },
      (_, run) => huntOf(hunt.predictions, hunt.fault, { ...how, random: seeded(77 * index + run) }).minutes,
    );
    took.get(name)!.push(mean(minutes));
  }
}
const share = (count: number) => `${((100 * count) / times).toFixed(1)} %`;
console.log(`${times} hunts: solved by the planner ${share(cured)}, named at the first repair ${share(named)}`);
console.log(`grades ${[...perGrade].map(([grade, count]) => `${grade}: ${share(count)}`).join(', ')}`);
const sorted = [...weights].sort((a, b) => a - b);
console.log(`fifths at ${[0.2, 0.4, 0.6, 0.8].map((part) => sorted[Math.floor(part * times)]!.toFixed(0)).join(', ')}`);
for (const [name, minutes] of took)
  console.log(`correlation with ${name}: ${correlation(weights, minutes).toFixed(2)}, ${mean(minutes).toFixed(0)} min`);
const all = [...took.values()].map(standard);
const together = weights.map((_, place) => mean(all.map((one) => one[place]!)));
console.log(`correlation with the three together: ${correlation(weights, together).toFixed(2)}`);
milliseconds.sort((a, b) => a - b);
console.log(
  `judging one: median ${milliseconds[times >> 1]!.toFixed(0)} ms, p95 ${milliseconds[Math.floor(times * 0.95)]!.toFixed(0)} ms`,
);

// The same causes, with what else may be wrong: is each set cured by the planner, and how much longer does it take?
const drawnOfEach = Math.max(6, Math.round(times / 10));
let alone = 0;
for (const trouble of troubleNames) {
  const hunts = Array.from({ length: drawnOfEach }, (_, index) =>
    plannersHunt(drawHunt(sheets, firstSeed + index, trouble)),
  );
  const minutes = mean(hunts.map((one) => one.minutes));
  if (trouble === 'one') alone = minutes;
  const solved = hunts.filter((one) => one.cured).length / hunts.length;
  console.log(
    `${trouble}: cured by the planner ${(100 * solved).toFixed(1)} % of ${drawnOfEach}, ${minutes.toFixed(0)} min, ${(minutes / alone).toFixed(2)} times one part`,
  );
}
