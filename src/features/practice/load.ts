import 'server-only';
import { predictionsOf } from '@/core/behaviour';
import { Stage } from '@/core/circuit';
import { type DrawnDrill, drawDrill, type DrillMaterial } from '@/core/practice';
import { shippedSheets } from '@/sheets';
import { shippedStages } from '@/sheets/stages';
import { database, readSettings } from '@/store';

let material: DrillMaterial | undefined;

/** Shipped sets and stages, solved once. */
export function drillMaterial(): DrillMaterial {
  return (material ??= {
    sets: [...shippedSheets().values()].map(predictionsOf),
    stages: shippedStages().map(({ title, text }) => ({ title, stage: Stage.open(text) })),
  });
}

/** The drill a page begins with. */
export const loadFirstDrill = (): DrawnDrill => drawDrill('parts', drillMaterial(), Math.random);

/** The shop’s currency, in which the purse of a hunt is shown. */
export const loadCurrency = async (): Promise<string> => (await readSettings(await database())).currency;

export { solveExercise as loadSolution } from './roomActions';
