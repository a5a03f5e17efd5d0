import { describe, expect, it } from 'vitest';
import { type Random, seeded } from '../statistics';
import { chanceCured, chanceOfClean, cleanFor, readFailures } from '.';

const record = { failures: 3, hours: 10 };

/** Failures at a steady rate in so many hours, one by one. */
function failuresIn(hours: number, rate: number, random: Random): number {
  let failures = 0;
  for (let at = -Math.log(1 - random()) / rate; at < hours; at += -Math.log(1 - random()) / rate) failures += 1;
  return failures;
}

describe('the chance that it is cured', () => {
  it('is what was done before it ran, and rises with every clean hour towards one', () => {
    expect(chanceCured(record, 0.8, 0)).toBeCloseTo(0.8, 12);
    let before = 0.8;
    for (let clean = 1; clean < 200; clean += 1) {
      const now = chanceCured(record, 0.8, clean);
      expect(now).toBeGreaterThan(before);
      before = now;
    }
    expect(before).toBeGreaterThan(0.999);
  });

  it('in closed form: three in ten hours, ten clean, leaves an eighth of the doubt', () => {
    expect(chanceOfClean(record, 10)).toBeCloseTo(1 / 8, 12);
    expect(chanceCured(record, 0.8, 10)).toBeCloseTo(0.8 / (0.8 + 0.2 / 8), 12);
  });

  it('agrees with the hours that a confidence takes', () => {
    for (const confidence of [0.85, 0.9, 0.95, 0.99])
      expect(chanceCured(record, 0.8, cleanFor(record, 0.8, confidence))).toBeCloseTo(confidence, 9);
    expect(cleanFor(record, 0.9, 0.8)).toBe(0);
  });

  it('is what ten thousand shops see, within two points', () => {
    const random = seeded(17);
    for (const clean of [2, 5, 12]) {
      let right = 0;
      let jobs = 0;
      while (jobs < 10_000) {
        // Rates of all sizes; of those only shops that saw three failures in ten hours count.
        const rate = Math.exp(Math.log(0.002) + random() * Math.log(20 / 0.002));
        if (failuresIn(record.hours, rate, random) !== record.failures) continue;
        const cured = random() < 0.8;
        if (!cured && failuresIn(clean, rate, random) > 0) continue;
        jobs += 1;
        if (cured) right += 1;
      }
      expect(Math.abs(right / jobs - chanceCured(record, 0.8, clean))).toBeLessThan(0.02);
    }
  });

  it.each([
    [() => chanceCured({ failures: 0, hours: 10 }, 0.8, 1), /at least once/],
    [() => chanceCured({ failures: 1, hours: 0 }, 0.8, 1), /above 0/],
    [() => chanceCured(record, 1, 1), /chance of cure is a share/],
    [() => chanceCured(record, 0.8, -1), /clean hours/],
    [() => cleanFor(record, 0.8, 1), /confidence is a share/],
  ])('refuses what cannot have been counted, %#', (ask, message) => expect(ask).toThrow(message));
});

describe('how often it failed', () => {
  it.each([
    ['3 in 10 h', 3, 10],
    ['failed 3 in 10 hours', 3, 10],
    ['twice a day', 2, 24],
    ['once in 3 days', 1, 72],
    ['every 20 min', 1, 1 / 3],
    ['after half an hour', 1, 0.5],
    ['5 times in 2 h', 5, 2],
    ['every hour', 1, 1],
  ])('%s', (typed, failures, hours) => {
    const read = readFailures(typed);
    expect(read.failures).toBe(failures);
    expect(read.hours).toBeCloseTo(hours, 9);
  });

  it.each(['', 'often', '0 in 10 h', '3 in 0 h', '3 in 10 moons', 'every now and then'])('refuses %j', (typed) =>
    expect(() => readFailures(typed)).toThrow(/does not say how often: write 3 in 10 h/),
  );
});
