import { predictionsOf, type Predictions } from '../../behaviour';
import { type Complaint } from '../../diagnosis';
import { faultRate } from '../../parts';
import { type Minutes } from '../../quantity';
import { type Fault, isListed, type Sheet } from '../../sheet';
import { drawn, seeded } from '../../statistics';
import { complaintOf } from '../hunt';

/** A set to practise on: what is wrong with it is hidden from whoever hunts. */
export interface PracticeHunt {
  /** All that follows is drawn from it: the same seed is the same set, whatever is done to it. */
  readonly seed: number;
  readonly predictions: Predictions;
  readonly fault: Fault;
  readonly complaint: Complaint;
  /** The clock at which it ends, what went wrong counted in; undefined where it runs on. */
  readonly limit?: Minutes;
}

/** Has the owner anything to tell of a set with a fault, and is it there whenever one looks? */
const isFair = (predictions: Predictions, fault: Fault): boolean => {
  if (!isListed(fault) || fault.appears === 'sometimes') return false;
  const { symptoms, signs } = complaintOf(predictions, fault);
  return symptoms.some((symptom) => symptom !== 'normal') || Object.keys(signs).length > 0;
};

const fairOnes = new WeakMap<Sheet, readonly Fault[]>();

function fairFaults(sheet: Sheet): readonly Fault[] {
  let fair = fairOnes.get(sheet);
  if (!fair) {
    const predictions = predictionsOf(sheet);
    fairOnes.set(sheet, (fair = [...sheet.faults.values()].filter((fault) => isFair(predictions, fault))));
  }
  return fair;
}

/**
 * Draws a set and what is wrong with it: any sheet alike, and of its faults those most often that are most often met.
 *
 * @param sheets at least one, with faults that show
 * @param seed a whole number
 */
export function drawHunt(sheets: readonly Sheet[], seed: number): PracticeHunt {
  const random = seeded(seed);
  const sheet = sheets[Math.floor(random() * sheets.length)]!;
  const fault = drawn(fairFaults(sheet), (one) => one.weight * faultRate(sheet.parts.get(one.part)!, one.mode), random);
  const predictions = predictionsOf(sheet);
  return { seed, predictions, fault, complaint: complaintOf(predictions, fault) };
}
