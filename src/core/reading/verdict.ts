import { type Answer, classify, deviation, measures, type NumberWay } from '../measure';
import { blinkConditions, type Check, type Context, type Predictions } from '../behaviour';
import { formatQuantity } from '../quantity';

/** How a check is measured, where that gives a number. */
function numberWay({ measure }: Check): NumberWay | undefined {
  const way = measures[measure];
  return way.kind === 'number' ? way : undefined;
}

const provesNothingLow = (check: Check): boolean => numberWay(check)?.lowProvesNothing === true;

/** True where a verdict neither clears nor convicts. */
export function inconclusive(check: Check, verdict: Judgement): boolean {
  return verdict.mark === 'odd' && provesNothingLow(check);
}

/** The judgement on one answer, ready to be shown, said and sounded. */
export interface Judgement {
  readonly mark: 'within' | 'high' | 'low' | 'dead' | 'odd' | 'open';
  /** A few words: `28 % weak`. */
  readonly words: string;
  /** What should have been there: `-168 V ±3 %`, `under 0.32 Ω`, `yes`. */
  readonly expected: string;
}

/** Judges an answer against what a good set gives in the context in which it was taken. */
export function judgeAnswer(predictions: Predictions, check: Check, answer: Answer, context: Context): Judgement {
  const standard = predictions.standard(check, context);
  const expected = expectedText(predictions, check, context);
  if (answer.kind === 'picture') {
    const right = answer.symptoms.length === 0 || answer.symptoms.every((symptom) => symptom === 'normal');
    return { mark: right ? 'within' : 'odd', words: right ? 'as it should be' : 'not right', expected };
  }
  if (answer.kind === 'choice') {
    const count = check.measure === 'blinks' ? Number(answer.choice) : 0;
    if (count > 0 && blinkConditions(predictions.model.sheet, count).length === 0)
      return { mark: 'odd', words: 'a code, meaning unknown', expected };
    const right = standard.kind === 'choice' && answer.choice === standard.right;
    return {
      mark: right ? 'within' : 'odd',
      words: right ? 'as it should be' : `${answer.choice}, not ${expected}`,
      expected,
    };
  }
  if (standard.kind !== 'number') return { mark: 'odd', words: 'not a number here', expected };
  const found = classify(standard, answer.value, answer.shape);
  if (found === 'brief') return { mark: 'odd', words: 'up, then gone', expected };
  // In circuit, parallel paths can only lower a resistance: a low reading of a part proves nothing.
  if (found === 'low' && provesNothingLow(check) && check.point?.net === undefined) {
    return { mark: 'odd', words: 'low in circuit, which proves nothing: lift a leg', expected };
  }
  const off = deviation(standard, answer.value);
  return { mark: found, words: wordsFor(check, found, off), expected };
}

const openFrom = 49;
/** From so many times what is right, less one, it is rather the unit that is wrong. */
const slipOfUnit = 999;

function wordsFor(check: Check, found: Judgement['mark'], off: number | undefined): string {
  if (found === 'within') return 'within';
  if (found === 'open') return 'open';
  if (found === 'dead') return numberWay(check)?.dead ?? 'nothing there';
  if (found === 'odd') return 'wrong sign';
  if (off === undefined) return found;
  // A part that reads fifty times what it should, in megohms, lets nothing through.
  if (check.measure === 'ohms' && off > openFrom) return 'open';
  if (off > slipOfUnit) return 'more than a thousand times what a good one shows: is the unit right?';
  if (numberWay(check)?.multiple || off > 2) return `${Number((off + 1).toPrecision(2))} times what a good one shows`;
  const percent = `${Math.abs(Math.round(off * 100))} %`;
  if (found === 'high') return `${percent} high`;
  return check.unit === 'V' ? `${percent} weak` : `${percent} low`;
}

/** What a good set shows, with its limits, in words. */
export function expectedText(predictions: Predictions, check: Check, context: Context): string {
  const standard = predictions.standard(check, context);
  if (standard.kind === 'picture') return 'a right picture';
  if (standard.kind === 'choice') return standard.right;
  const { nominal, highAbove } = standard;
  const said = numberWay(check)?.expected?.(standard, check.point?.net !== undefined);
  if (said !== undefined) return said;
  if (nominal === 0) return `${formatQuantity(0, check.unit)}`;
  const share = (highAbove - Math.abs(nominal)) / Math.abs(nominal);
  return `${formatQuantity(nominal, check.unit)} ±${Number((share * 100).toPrecision(2))} %`;
}
