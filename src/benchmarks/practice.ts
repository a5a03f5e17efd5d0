// npm run bench -- practice: hunts drawn over all shipped sheets. Is each solved by the planner, how even are the grades,
// and does what they are made of go with what learners of three skills take? `--times N` draws N hunts. Then drills: how
// well is an ability found, and how much sooner by those that are chosen than by any?
import { predictionsOf } from '@/core/behaviour';
import { Stage } from '@/core/circuit';
import {
  abilityOf,
  type Answered,
  chanceRight,
  difficultyOf,
  drawDrills,
  drawHunt,
  drillToAsk,
  grades,
  guessOf,
  hunt as huntOf,
  plannersHunt,
  skills,
  troubleNames,
} from '@/core/practice';
import { type Random, seeded } from '@/core/statistics';
import { shippedSheets } from '@/sheets';
import { shippedStages } from '@/sheets/stages';

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

// Drills as they are drawn, and learners who answer them by their ability alone.
const material = {
  sets: sheets.map(predictionsOf),
  stages: shippedStages().map(({ title, text }) => ({ title, stage: Stage.open(text) })),
};
const draws = 12;
const learnersOfSkill = 500;
const mostAnswers = 150;
const sureEnough = 0.5;
for (const skill of skills) {
  const drawnAtOnce = Array.from({ length: draws }, (_, draw) => drawDrills(skill, material, 1000 * draw));
  const chosenFrom = drawnAtOnce[0]!.length;
  const pool = drawnAtOnce
    .flat()
    .map((drill) => ({ difficulty: drill.difficulty, guess: guessOf(drill), kind: drill.kind }));
  const any = (random: Random) => pool[Math.floor(random() * pool.length)]!;
  const chosen = (random: Random, known: readonly Answered[]) =>
    drillToAsk(
      Array.from({ length: chosenFrom }, () => any(random)),
      known,
      (item) => item,
    )!;
  const asked = (
    pick: typeof chosen,
    ability: number,
    random: Random,
    until: (answers: readonly Answered[]) => boolean,
  ) => {
    const answers: Answered[] = [];
    while (answers.length < mostAnswers && !until(answers)) {
      const item = pick(random, answers);
      answers.push({ ...item, right: random() < chanceRight(ability, item) });
    }
    return answers;
  };
  const abilities = Array.from({ length: learnersOfSkill }, (_, seed) => -2 + 4 * seeded(seed + 1)());
  const found = abilities.map(
    (ability, seed) => abilityOf(asked(chosen, ability, seeded(seed), ({ length }) => length >= 40)).mean,
  );
  const sure = (answers: readonly Answered[]) => answers.length > 4 && abilityOf(answers).sd < sureEnough;
  const itemsBy = (pick: typeof chosen) =>
    mean(abilities.slice(0, 200).map((ability, seed) => asked(pick, ability, seeded(seed), sure).length));
  const [byChoice, byChance] = [itemsBy(chosen), itemsBy(any)];
  console.log(
    `${skill}: ability found from 40 answers with r ${correlation(abilities, found).toFixed(2)}; until known to ± ${sureEnough}: ${byChoice.toFixed(0)} drills chosen, ${byChance.toFixed(0)} any, ${(byChoice / byChance).toFixed(2)} of them`,
  );
}
