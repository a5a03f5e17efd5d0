import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { seeded } from '@/core/statistics';
import { policyCost, readProblem } from '@/core/plan';

/** Decision problems with known optima or baselines lie beside the project where it is developed. */
const folder = path.resolve(process.cwd(), '..', 'shared', 'reference', 'policy');

interface Reference {
  readonly optimal: number | null;
  readonly baselines: Readonly<Record<string, number>>;
}

const column = (text: string | number, width: number) => String(text).padStart(width);

if (existsSync(folder)) {
  console.log('\nDecision problems: cost of the plan Tovrik follows');
  console.log('  problem             cost   of the optimum   of the best simple rule      ms');
  for (const file of readdirSync(folder).filter((name) => /^(?!.*\.ref\.).*\.json$/.test(name))) {
    const problem = readProblem(readFileSync(path.join(folder, file), 'utf8'));
    const { optimal, baselines } = JSON.parse(
      readFileSync(path.join(folder, file.replace('.json', '.ref.json')), 'utf8'),
    ) as Reference;
    const start = performance.now();
    const { mean, error } = policyCost(problem, seeded(1));
    const took = performance.now() - start;
    const best = Math.min(...Object.values(baselines));
    console.log(
      `  ${path.basename(file, '.json').padEnd(16)} ${column(mean.toFixed(2), 8)} ${column(optimal === null ? '' : (mean / optimal).toFixed(4), 14)} ${column(`${(mean / best).toFixed(3)}${error > 0 ? ` ±${(error / best).toFixed(3)}` : '       '}`, 24)} ${column(took.toFixed(0), 8)}`,
    );
  }
}
