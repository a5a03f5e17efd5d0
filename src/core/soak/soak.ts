import { Refusal } from '../quantity';

/** How often a set failed before it was worked on: so many times in so many hours of running. */
export interface FailureRecord {
  /** At least one. */
  readonly failures: number;
  readonly hours: number;
}

/** @throws Refusal where a figure is none that could have been counted */
function requireRecord({ failures, hours }: FailureRecord): void {
  if (!(Number.isFinite(failures) && failures >= 1))
    throw new Refusal('it failed at least once: a number of failures from 1 on');
  if (!(Number.isFinite(hours) && hours > 0)) throw new Refusal('it failed in some hours of running: a number above 0');
}

function requireShare(share: number, what: string): void {
  if (!(share > 0 && share < 1)) throw new Refusal(`${what} is a share between 0 and 1, as 0.8`);
}

/**
 * Chance that a set which is not cured runs clean for so long.
 *
 * Failures come at an unknown steady rate. Of it nothing is known but `failures` in `hours`: with the prior 1/λ its
 * posterior is Gamma(n, T), and the chance of none in t more hours is (T ÷ (T + t))ⁿ.
 *
 * @param clean hours
 */
export function chanceOfClean(record: FailureRecord, clean: number): number {
  requireRecord(record);
  if (!(clean >= 0)) throw new Refusal('clean hours are a number from 0 on');
  return (record.hours / (record.hours + clean)) ** record.failures;
}

/**
 * Chance that a set which is not cured fails just so often in so many hours: with the rate as in `chanceOfClean` it is
 * negative binomial, C(n + k − 1, k) (T ÷ (T + t))ⁿ (t ÷ (T + t))ᵏ.
 *
 * @param times how often it failed, from 0 on
 * @param hours that it ran
 */
export function chanceOfFailures(record: FailureRecord, times: number, hours: number): number {
  let chance = chanceOfClean(record, hours);
  for (let k = 0; k < times; k += 1) chance *= ((record.failures + k) / (k + 1)) * (hours / (record.hours + hours));
  return chance;
}

/**
 * Chance that a set is cured after it has run clean for so long, by Bayes’ rule.
 *
 * @param cure chance that what was done cures it, before it ran
 * @param clean hours
 */
export function chanceCured(record: FailureRecord, cure: number, clean: number): number {
  requireShare(cure, 'the chance of cure');
  return cure / (cure + (1 - cure) * chanceOfClean(record, clean));
}

/** Clean hours until a set counts as cured with the confidence wanted; 0 where it does at once. */
export function cleanFor(record: FailureRecord, cure: number, confidence: number): number {
  requireRecord(record);
  requireShare(cure, 'the chance of cure');
  requireShare(confidence, 'the confidence');
  const left = (cure * (1 - confidence)) / (confidence * (1 - cure));
  return left >= 1 ? 0 : record.hours * (left ** (-1 / record.failures) - 1);
}

const numbers: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  half: 0.5,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
};
const often: Readonly<Record<string, number>> = { once: 1, twice: 2, thrice: 3 };
const spans: Readonly<Record<string, number>> = {
  min: 1 / 60,
  minute: 1 / 60,
  h: 1,
  hour: 1,
  day: 24,
  night: 10,
  week: 168,
};

function hoursIn(count: string | undefined, span: string): number {
  const unit = spans[span.replace(/s$/, '')];
  const many = count === undefined || count === '' ? 1 : (numbers[count] ?? Number(count));
  return unit === undefined ? Number.NaN : many * unit;
}

/**
 * Reads how often it failed: `3 in 10 h`, `twice a day`, `every 20 min`, `after half an hour`.
 *
 * @throws Refusal
 */
export function readFailures(typed: string): FailureRecord {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(/^failed\s+/, '');
  const wrong = () =>
    new Refusal(`"${typed}" does not say how often: write 3 in 10 h, twice a day, every 20 min or after half an hour`);
  const [, count, of = '', span] =
    /^(\d+|once|twice|thrice)(?:\s*(?:times|x))?\s+(?:in\s+)?(?:(\d+(?:\.\d+)?|an?|half an?)\s*)?([a-z]+)$/.exec(
      text,
    ) ?? [];
  const [, every, each] = /^(?:every|after)\s+(?:(\d+(?:\.\d+)?|an?|half an?)\s*)?([a-z]+)$/.exec(text) ?? [];
  const named = (word: string | undefined) => word?.replace(/^half an?$/, 'half');
  const record =
    count !== undefined
      ? { failures: often[count] ?? Number(count), hours: hoursIn(named(of), span!) }
      : each !== undefined
        ? { failures: 1, hours: hoursIn(named(every), each) }
        : undefined;
  if (!record || !(record.failures >= 1 && record.hours > 0 && record.hours < 1e5)) throw wrong();
  return record;
}
