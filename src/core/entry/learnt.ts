import { type Case } from '../diagnosis';
import { Refusal } from '../quantity';
import { type SheetChange } from '../sheet';
import { type Refinement } from './refinement';

/** What a refinement changes in the shop's own sheet of the set, and how that is said. */
export interface Learnt {
  readonly change: SheetChange;
  readonly said: string;
}

/**
 * What a refinement comes to on a job.
 *
 * @throws Refusal where there is nothing to learn yet, or nothing that holds for other sets
 */
export function learntFrom(refinement: Refinement, job: Case): Learnt {
  const { nets } = job.predictions.model.sheet;
  if (refinement.kind === 'change') return { change: refinement.change, said: refinement.said };
  const { check } = refinement;
  const { point } = check;
  if (!point || point.measure !== 'dc') throw new Refusal(`${check.title} is not read in DC volts`);
  const net = point.net === undefined ? undefined : nets.get(point.net);
  if (net?.source === 'label')
    throw new Refusal(`${check.title} goes by the set's own label: it cannot be learnt for others`);
  const { picture, latest } = job.bench;
  if (!picture || picture.symptoms.some((symptom) => symptom !== 'normal'))
    throw new Refusal('a good value is learnt from a set that works: record its picture as right first (Alt V)');
  const answer = latest.get(check.id)?.answer;
  if (answer?.kind !== 'number') throw new Refusal(`measure ${check.title} first: the last reading is what is learnt`);
  return {
    change: { kind: 'point', point: point.id, volts: answer.value, source: 'good set' },
    said: `${answer.value} V is right there, into the sheet`,
  };
}
