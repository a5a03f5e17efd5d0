import { type Case } from '../belief';
import { type TakenReading } from '../../log';
import { asBuilt, type Check, type Context, contextKey, liveCold, type Predictions } from '../../behaviour';
import { type Answer, mainValue, measures } from '../../measure';
import { type Symptom } from '../../picture';
import { replacedParts } from '../../repair';
import { isGuess } from '../../sheet';
import { inconclusive, judgeAnswer, type Judgement } from '../../reading';

/** A reading that was wrong before the repair, and the same one taken after it. */
export interface Verification {
  readonly check: string;
  /** As read, or as the owner told it. */
  readonly before: Pick<TakenReading, 'answer' | 'context'>;
  readonly beforeVerdict: Judgement;
  readonly after?: TakenReading;
  readonly afterVerdict?: Judgement;
}

/**
 * The readings that a repair must have changed: what the owner saw on the screen, and for each
 * check the last wrong reading before the latest repair, with its repetition since.
 *
 * Part readings of what was replaced are left out: the part is no longer there.
 */
export function verificationOf({ predictions, bench, complaint }: Case): Verification[] {
  const repairs = bench.repairs.length;
  if (repairs === 0) return [];
  const replaced = replacedParts(bench.repairs);
  const wanted = new Map<string, Verification>();
  const picture = predictions.checks.get('picture')!;
  if (complaint.symptoms.some((symptom) => symptom !== 'normal')) {
    const before = { answer: { kind: 'picture', symptoms: complaint.symptoms } as const, context: liveCold };
    wanted.set(picture.id, {
      check: picture.id,
      before,
      beforeVerdict: judgeAnswer(predictions, picture, before.answer, liveCold),
    });
  }
  for (const reading of bench.readings) {
    const check = predictions.checks.get(reading.check);
    // What was read with something pulled, lifted or lent told where to look; nobody takes it apart again to prove a cure.
    if (!check || reading.afterRepairs === repairs || !isWhole(reading.context)) continue;
    const verdict = judgeAnswer(predictions, check, reading.answer, reading.context);
    const gone = check.point?.net === undefined && (check.point?.parts ?? []).some((part) => replaced.has(part));
    const asked = onceOnly(check);
    if (verdict.mark === 'within' || gone || asked || inconclusive(check, verdict)) wanted.delete(reading.check);
    else wanted.set(reading.check, { check: reading.check, before: reading, beforeVerdict: verdict });
  }
  // Where nothing was read wrong before, a right picture is all that can be asked for.
  if (wanted.size === 0) {
    const before = { answer: { kind: 'picture', symptoms: ['normal'] } as const, context: liveCold };
    wanted.set(picture.id, {
      check: picture.id,
      before,
      beforeVerdict: judgeAnswer(predictions, picture, before.answer, liveCold),
    });
  }
  for (const reading of bench.readings) {
    const open = wanted.get(reading.check);
    const check = predictions.checks.get(reading.check);
    if (!open || !check || reading.afterRepairs !== repairs || !comparable(open.before.context, reading.context))
      continue;
    const verdict = byWhatIsKnown(predictions, check, open.before.answer, reading);
    // A set that went off after a while proves nothing before that while is over.
    if (verdict.mark === 'within' && secondsOn(reading) < secondsToProve(open.before.answer)) continue;
    wanted.set(reading.check, {
      ...open,
      after: reading,
      afterVerdict: verdict,
    });
  }
  return [...wanted.values()];
}

/** What is only a guess may be off by so much on a set that is right. */
const guessed = 0.25;

/**
 * The verdict on a reading after a repair. Where nobody knows what it should be but by a guess, one that has come at least
 * half the way, to within what a guess may be off, is right.
 */
function byWhatIsKnown(predictions: Predictions, check: Check, before: Answer, after: TakenReading): Judgement {
  const { answer, context } = after;
  const verdict = judgeAnswer(predictions, check, answer, context);
  const net = predictions.model.sheet.nets.get(check.point?.net ?? '');
  if (!isGuess(check.point, net) || (verdict.mark !== 'high' && verdict.mark !== 'low')) return verdict;
  if (answer.kind !== 'number' || before.kind !== 'number') return verdict;
  const good = mainValue(predictions.expectation(undefined, check, context));
  const off = (value: number) => Math.abs(value / good - 1);
  const isRight = off(answer.value) <= guessed && off(answer.value) <= off(before.value) / 2;
  return isRight ? { ...verdict, mark: 'within', words: `${verdict.words} of what is only a guess` } : verdict;
}

/** What leaves by itself must be seen to stay for longer than it did, in seconds. */
const staying: Partial<Readonly<Record<Symptom, number>>> = { brief: 10, goes_off: 120 };

/** How long a set must have run before a right answer proves it, by what was seen before the repair. */
export const secondsToProve = (before: Answer): number =>
  before.kind === 'picture' ? Math.max(0, ...before.symptoms.map((symptom) => staying[symptom] ?? 0)) : 0;

/** How long the set had run when a reading was taken; for ever where nobody knows. */
const secondsOn = ({ entry, since }: TakenReading): number =>
  since === undefined ? Infinity : (Date.parse(entry.at) - Date.parse(since)) / 1000;

const isWhole = (context: Context): boolean => contextKey(context) === contextKey(asBuilt(context));

/** Before and after compare only with the same connectors pulled and the same power state. */
function comparable(before: Context, after: Context): boolean {
  return contextKey({ ...before, warm: false }) === contextKey({ ...after, warm: false });
}

/** Everything that had to change has been measured again and is right. */
export function verified(list: readonly Verification[]): boolean {
  return list.length > 0 && list.every(({ afterVerdict }) => afterVerdict?.mark === 'within');
}

/** Questions that a repair makes moot. */
function onceOnly({ measure }: Check): boolean {
  const way = measures[measure];
  return way.kind !== 'number' && way.onceOnly === true;
}

/** What must have changed after a repair, and whether it has. */
export interface RepairProof {
  readonly list: readonly Verification[];
  /** Not measured again yet. */
  readonly open: readonly Verification[];
  /** Measured again, and still not right. */
  readonly wrong: readonly Verification[];
  /** The screen was seen right since, whatever else is still not. */
  readonly showsRight: boolean;
  readonly done: boolean;
}

/** Everything that has to be measured once more, and how much of it is right by now. */
export function proofOf(job: Case): RepairProof {
  const list = verificationOf(job);
  const wrong = list.filter(({ afterVerdict }) => afterVerdict !== undefined && afterVerdict.mark !== 'within');
  return {
    list,
    open: list.filter(({ after }) => after === undefined),
    wrong,
    showsRight: list.some(({ check, afterVerdict }) => check === 'picture' && afterVerdict?.mark === 'within'),
    done: verified(list),
  };
}
