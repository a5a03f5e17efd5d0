import { describe, expect, it } from 'vitest';
import { seeded, type Random } from '../statistics';
import { harmOfOne, type Leaving, returnRisk, returnsSeen, shareLeft, warrantyMonths, weighExtent } from '.';

const none = returnsSeen([], new Date('2026-01-01T00:00:00Z'));
const now = new Date('2026-01-01T00:00:00Z');
const yearsAgo = (years: number) => new Date(now.getTime() - years * 365.25 * 86_400_000).toISOString();

describe('the chance that a set comes back', () => {
  it('is that of ordinary sets where the shop has seen none', () => {
    const { same, other, any } = returnRisk(none, 1);
    // Lomax: 1 − (β ÷ (β + 1))², with β = 2 ÷ 0.05 and 2 ÷ 0.1.
    expect(same).toBeCloseTo(1 - (40 / 41) ** 2, 12);
    expect(other).toBeCloseTo(1 - (20 / 21) ** 2, 12);
    expect(any).toBeCloseTo(1 - (1 - same) * (1 - other), 12);
    expect(returnRisk(none, 0)).toEqual({ same: 0, other: 0, any: 0 });
  });

  it('rises with the years and falls with every set that stays away', () => {
    let before = -1;
    for (let years = 0; years < 10; years += 0.25) {
      const { any } = returnRisk(none, years);
      expect(any).toBeGreaterThan(before);
      before = any;
    }
    const faithful = returnsSeen(
      Array.from({ length: 100 }, () => ({ left: yearsAgo(2) })),
      now,
    );
    expect(faithful).toMatchObject({ sets: 100, returns: { same: 0, other: 0 } });
    expect(faithful.years).toBeCloseTo(200, 6);
    expect(returnRisk(faithful, 1).any).toBeLessThan(0.02);
  });

  it('is what ten thousand shops see that differ as ordinary shops do, within two points', () => {
    const random = seeded(5);
    const years = 2;
    for (const group of [{ sets: 8 }, { sets: 60 }]) {
      let told = 0;
      let seenBack = 0;
      for (let shop = 0; shop < 10_000; shop += 1) {
        const rates = { same: gamma2(random) * (0.05 / 2), other: gamma2(random) * (0.1 / 2) };
        const leavings = Array.from({ length: group.sets }, (): Leaving => {
          const out = 3 * random();
          const back = returnOf(rates, random);
          return back.at < out
            ? { left: yearsAgo(out), back: yearsAgo(out - back.at), same: back.same }
            : { left: yearsAgo(out) };
        });
        told += returnRisk(returnsSeen(leavings, now), years).any;
        seenBack += returnOf(rates, random).at < years ? 1 : 0;
      }
      expect(Math.abs(told - seenBack) / 10_000).toBeLessThan(0.02);
    }
  });

  it.each([
    [() => returnRisk(none, -1), /years are a number from 0 on/],
    [() => returnRisk(none, Infinity), /years are a number/],
    [() => returnRisk(none, 1, Number.NaN), /share of the risk/],
  ])('refuses what is no time and no share, %#', (ask, message) => expect(ask).toThrow(message));
});

/** Gamma of shape two and scale one. */
const gamma2 = (random: Random) => -Math.log(1 - random()) - Math.log(1 - random());

/** When a set comes back, in years, and whether it is the same again. */
function returnOf({ same, other }: { same: number; other: number }, random: Random) {
  const time = (rate: number, shape: number) => (-Math.log(1 - random()) / rate) ** (1 / shape);
  const [again, next] = [time(same, 0.5), time(other, 1.2)];
  return { at: Math.min(again, next), same: again < next };
}

describe('what new parts take away', () => {
  const chances = new Map([
    ['C1', 0.3],
    ['C2', 0.2],
    ['Q1', 0.1],
  ]);

  it('is their share of what fails next, less what a new part brings; each counts once', () => {
    expect(shareLeft(chances, [])).toBe(1);
    expect(shareLeft(chances, ['C1', 'C2', 'C1', 'unknown'])).toBeCloseTo(1 - 0.5 * 0.9, 12);
  });

  it('is weighed against their price and the harm of replacing', () => {
    const terms = { years: 2, visit: 40, hour: 18 };
    const one = weighExtent({ refs: ['Q1'], money: 1, minutes: 10 }, chances, none, terms);
    const all = weighExtent({ refs: ['C1', 'C2', 'Q1'], money: 3, minutes: 30 }, chances, none, terms);
    expect(all.risk).toBeLessThan(one.risk);
    expect(one.now).toBe(1 + 3);
    expect(one.later).toBeCloseTo(one.risk * 40, 12);
    // Two hundred parts that never fail only do harm.
    const idle = Array.from({ length: 200 }, (_, at) => `R${at}`);
    const many = weighExtent({ refs: idle, money: 0, minutes: 0 }, chances, none, terms);
    expect(many.risk).toBeCloseTo(1 - (1 - returnRisk(none, 2).any) * (1 - harmOfOne) ** 200, 12);
  });
});

it('a warranty is as long as the chance of a return allows, and not a month longer', () => {
  const months = warrantyMonths(none, 1, 0.1);
  expect(returnRisk(none, months / 12).any).toBeLessThanOrEqual(0.1);
  expect(returnRisk(none, (months + 1) / 12).any).toBeGreaterThan(0.1);
  expect(warrantyMonths(none, 1, 1)).toBe(60);
  expect(warrantyMonths(none, 0.3, 0.1)).toBeGreaterThanOrEqual(months);
});
