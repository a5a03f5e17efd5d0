import { describe, expect, it } from 'vitest';
import { expectedDemand, type Experience } from './demand';
import { readDonorLine } from './donorLine';
import { writePart } from './part/readPart';

describe('a line typed at a donor', () => {
  it.each([
    ['C 680u 50V lowesr x4 on PSU tested 3 min', 'C 680µF 50V lowesr', 4, 'PSU', 'tested', 3],
    ['B no HP-YBUF rev C', 'B no HP-YBUF rev C', 1, '', 'unknown', 8],
    ['Q npn 1500V 8A damper on main board doubtful', 'Q npn 1500V 8A damper', 1, 'main board', 'doubtful', 4],
  ])('%s', (typed, part, count, board, condition, minutes) => {
    const line = readDonorLine(typed);
    expect(writePart(line.part)).toBe(part);
    expect(line).toMatchObject({ count, board, condition, minutes });
  });

  it.each([
    ['on PSU tested', 'begin with'],
    ['C 1u 50V 9000 min', 'no plan'],
    [`C 1u 50V on ${'x'.repeat(41)}`, 'at most 40'],
  ])('%s is refused', (typed, message) => expect(() => readDonorLine(typed)).toThrow(message));
});

describe('how many of a part will be wanted', () => {
  const can = 'C 100u 50V 105';
  const shop: Experience = {
    waiting: [
      { typed: can, count: 2 },
      { typed: 'C 100u 63V 105', count: 1 },
      { typed: 'R 10 1W', count: 9 },
    ],
    fitted: [{ typed: 'C 100u 35V 105', count: 6 }],
    years: 2,
    kinds: [
      {
        perYear: 8,
        parts: [
          { typed: can, share: 0.25 },
          { typed: 'D 600V 3A', share: 0.5 },
        ],
      },
      { perYear: 100, parts: [{ typed: 'U no ZZ9 dip8', share: 1 }] },
    ],
  };

  it('counts what it stands for: no less volts, no other kind; what comes in is not counted twice', () => {
    expect(expectedDemand(shop)(can)).toEqual({ now: 2, fitted: 3, comesIn: 2, mean: 5 });
    expect(expectedDemand(shop)('C 100u 63V 105').now).toBe(3);
    expect(expectedDemand(shop)(can, 3).mean).toBe(2 + 3 * 3);
  });

  it('is nothing for what nobody wants, and never less in a shop that wants more', () => {
    expect(expectedDemand(shop)('C 4700u 16V').mean).toBe(0);
    const more = { ...shop, fitted: [...shop.fitted, { typed: can, count: 4 }] };
    expect(expectedDemand(more)(can).mean).toBeGreaterThan(expectedDemand(shop)(can).mean);
  });
});
