import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { attempt, Refusal } from '../quantity';
import { traceOf, withTraced } from '../tracing';
import { followShort } from '.';

const board = [
  'R1 0.47',
  'L1',
  'R2 4k7',
  'C1 470u',
  'C2 100n',
  'C3 220u',
  'C4 100u',
  'D1 zener 13',
  'IC1 4',
  'R1.1 +12',
  'L1.1 +12',
  'R2.1 +12',
  'C1.1 +12',
  'C1.2 gnd',
  'C2.1 R1.2',
  'C2.2 gnd',
  'D1.k R1.2',
  'D1.a gnd',
  'C3.1 L1.2',
  'C3.2 gnd',
  'IC1.1 L1.2',
  'IC1.2 gnd',
  'C4.1 R2.2',
  'C4.2 gnd',
];
const followed = (...lines: readonly string[]) => {
  const trace = traceOf([...board, ...lines]);
  expect(trace.refused).toEqual([]);
  return followShort(trace, trace.short!);
};
const refs = ({ suspects }: { readonly suspects: readonly { readonly ref: string }[] }) =>
  suspects.map(({ ref }) => ref).sort();

describe('a rail that reads like a short', () => {
  it('is followed to all that hangs on it, but for what lies behind more ohms than it reads', () => {
    const found = followed('short +12 0.8');
    expect(refs(found)).toEqual(['C1', 'C2', 'C3', 'D1', 'IC1']);
    expect(found.tooFar).toEqual(['C4']);
    expect(found.suspects.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
    const way = (ref: string) => found.suspects.find((one) => one.ref === ref)!;
    expect(way('C1')).toMatchObject({ through: [], ohms: 0 });
    expect(way('D1')).toMatchObject({ through: ['R1'], ohms: 0.47 });
    expect(way('IC1')).toMatchObject({ through: ['L1'], ohms: 0 });
    expect(refs(followed('short +12 5k'))).toContain('C4');
  });

  it('is halved by what is lifted, and a lift that was misread does not rule the truth out', () => {
    const all = followed('short +12 0.8');
    const off = all.next!;
    expect(off.chance).toBeGreaterThan(0.2);
    expect(off.chance).toBeLessThan(0.8);
    const behind = followed('short +12 0.8', 'lifted L1 gone');
    expect(
      behind.suspects
        .slice(0, 2)
        .map(({ ref }) => ref)
        .sort(),
    ).toEqual(['C3', 'IC1']);
    const chip = followed('short +12 0.8', 'lifted L1 gone', 'lifted C3 still');
    expect(chip.suspects[0]!.ref).toBe('IC1');
    expect([all, behind, chip].map(({ explained }) => explained)).toEqual([true, true, true]);
    expect(followed('short +12', 'lifted L1 gone', 'lifted C3 still', 'lifted IC1 still').explained).toBe(false);
    const misread = followed('short +12 0.8', 'lifted L1 still', 'lifted IC1 gone');
    expect(misread.suspects.find(({ ref }) => ref === 'IC1')!.chance).toBeGreaterThan(0.2);
  });

  it('comes to every part that may be it by what is said to be lifted, in fewer lifts than there are parts', () => {
    for (const culprit of ['C1', 'C2', 'C3', 'D1', 'IC1']) {
      const lines = ['short +12 0.8'];
      let lifts = 0;
      for (; lifts < 6; lifts += 1) {
        const { next } = followed(...lines);
        if (!next) break;
        lines.push(`lifted ${next.ref} ${next.takesOff.includes(culprit) ? 'gone' : 'still'}`);
      }
      expect(lifts).toBeLessThan(5);
      expect(followed(...lines).suspects[0]!.ref).toBe(culprit);
    }
  });

  it('is the same whatever the order in which its board was traced', () => {
    const whole = followed('short +12 0.8');
    const parts = board.slice(0, 9);
    fc.assert(
      fc.property(fc.shuffledSubarray(board.slice(9), { minLength: board.length - 9 }), (beeps) => {
        const trace = traceOf([...parts, ...beeps, 'short +12 0.8']);
        const found = followShort(trace, trace.short!);
        expect(found.suspects.map(({ ref, chance }) => [ref, chance.toFixed(9)])).toEqual(
          whole.suspects.map(({ ref, chance }) => [ref, chance.toFixed(9)]),
        );
      }),
      { numRuns: 30 },
    );
  });

  it.each([
    ['short', 'short +12 0.8, or short off'],
    ['short gnd', 'the ground is no short'],
    ['short +12 red', '"red" is no ohms'],
    ['short Q9.c', 'there is no "Q9.c" here'],
    ['lifted C1 gone', 'nothing is followed'],
  ])('%s is refused', (line, message) => {
    const refused = attempt(() => withTraced(traceOf(board), line));
    expect(refused).toBeInstanceOf(Refusal);
    expect((refused as Refusal).message).toContain(message);
  });

  it('ends when it is said to, and a lift wants to know what came of it', () => {
    const trace = traceOf([...board, 'short +12', 'lifted C1 still', 'short off']);
    expect(trace.short).toBeUndefined();
    expect(traceOf([...board, 'short +12', 'lifted C1']).refused).toEqual([
      expect.stringContaining('is the short gone with C1 lifted') as unknown,
    ]);
    expect(traceOf([...board, 'short +12', 'lifted C9 gone']).refused).toEqual([
      expect.stringContaining('there is no part "C9"') as unknown,
    ]);
  });
});
