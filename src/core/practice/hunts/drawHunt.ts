import { predictionsOf, type Predictions } from '../../behaviour';
import { type Complaint } from '../../diagnosis';
import { faultRate } from '../../parts';
import { type Minutes } from '../../quantity';
import { type Fault, isListed, openSheet, type Sheet } from '../../sheet';
import { drawn, seeded } from '../../statistics';
import { complaintOf } from '../hunt';
import { simulatedSet, type SimulatedSet } from '../worlds/simulatedSet';
import { type Trouble, troubles } from './trouble';

/** A set to practise on: what is wrong with it is hidden from whoever hunts. */
export interface PracticeHunt {
  /** All that follows is drawn from it: the same seed is the same set, whatever is done to it. */
  readonly seed: number;
  readonly trouble: Trouble;
  /** What the set was drawn from. */
  readonly sheet: Sheet;
  /** Of the sheet as whoever hunts has it. */
  readonly predictions: Predictions;
  /** The cause. */
  readonly fault: Fault;
  /** All that is wrong, the cause first. */
  readonly faults: readonly Fault[];
  readonly complaint: Complaint;
  /** The clock at which it ends, what went wrong counted in; undefined where it runs on. */
  readonly limit?: Minutes;
  /** The set as it comes to the bench: the same each time. */
  set(): SimulatedSet;
}

const shows = ({ symptoms, signs }: Complaint): boolean =>
  symptoms.some((symptom) => symptom !== 'normal') || Object.keys(signs).length > 0;

/** Has the owner anything to tell of a set with a fault, and is it there whenever one looks? */
const isFair = (predictions: Predictions, fault: Fault): boolean =>
  isListed(fault) && fault.appears !== 'sometimes' && shows(complaintOf(predictions, fault));

const fairOnes = new WeakMap<Sheet, readonly Fault[]>();

function fairFaults(sheet: Sheet): readonly Fault[] {
  let fair = fairOnes.get(sheet);
  if (!fair) {
    const predictions = predictionsOf(sheet);
    fairOnes.set(sheet, (fair = [...sheet.faults.values()].filter((fault) => isFair(predictions, fault))));
  }
  return fair;
}

/** What else is drawn of a set is drawn apart from which set it is. */
const ofSet = 15_485_863;

/** The hunt for a fault of a sheet. */
export function huntFor(sheet: Sheet, fault: Fault, trouble: Trouble, seed: number): PracticeHunt {
  const set = () => simulatedSet(sheet, fault, troubles[trouble], seeded(seed + ofSet));
  const { faults, complaint, sheet: known } = set();
  // A set that is not as its sheet says is judged by whoever leaves room for that.
  const predictions = predictionsOf(trouble === 'one' ? sheet : openSheet(known));
  return { seed, trouble, sheet, predictions, fault, faults, complaint, set };
}

/** So many sets are drawn until the owner of one has something to tell. */
const mostDraws = 20;

/**
 * Draws a set and what is wrong with it: any sheet alike, and of its faults those most often that are most often met.
 *
 * @param sheets at least one, with faults that show
 * @param seed a whole number
 */
export function drawHunt(sheets: readonly Sheet[], seed: number, trouble: Trouble = 'one'): PracticeHunt {
  const random = seeded(seed);
  const sheet = sheets[Math.floor(random() * sheets.length)]!;
  for (let draw = 1; ; draw += 1) {
    const fault = drawn(
      fairFaults(sheet),
      (one) => one.weight * faultRate(sheet.parts.get(one.part)!, one.mode),
      random,
    );
    const hunt = huntFor(sheet, fault, trouble, seed);
    if (shows(hunt.complaint) || draw === mostDraws) return hunt;
  }
}
