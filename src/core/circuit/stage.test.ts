import { describe, expect, it } from 'vitest';
import { driftText, Stage, StageJudge } from '.';

const divider = '* divider\n.param load=1k\nV1 a 0 12\nR1 a mid 2k\nR2 mid 0 {load}\n';
const none = new Map<string, number>();

/** A follower from 15 V, its base held at 9.7 V by a zener. */
const follower = `* a follower
V1 in 0 15
R1 in base 470
D1 0 base Z
Q1 in base out N
RL out 0 160
.model N NPN(IS=1e-14 BF=100 VAF=100)
.model Z D(IS=1e-12 BV=9.7 IBV=1e-3)
.end
`;

describe('a stage', () => {
  it('is opened from its text, solved and laid out by height', () => {
    const stage = Stage.open(divider);
    expect(stage.nodes).toEqual(['a', 'mid']);
    expect(stage.volts.get('mid')).toBeCloseTo(4, 9);
    expect(stage.ladder.rungs.map(({ node }) => node)).toEqual(['a', 'mid', '0']);
    expect(stage.faults.map(({ ref, mode }) => `${ref} ${mode}`)).toContain('R2 open');
    expect(stage.dictionary().entries.length).toBe(stage.faults.length);
  });

  it('stands elsewhere with a value or a parameter turned, and can be written so', () => {
    const stage = Stage.open(divider);
    const twice = { factors: new Map([['r2', 2]]), parameters: none };
    expect(stage.voltsWith(twice).get('mid')).toBeCloseTo(6, 9);
    const turned = { factors: none, parameters: new Map([['load', 6000]]) };
    expect(stage.voltsWith(turned).get('mid')).toBeCloseTo(9, 9);
    expect(Stage.open(stage.written(turned)).volts.get('mid')).toBeCloseTo(9, 9);
    expect(stage.volts.get('mid')).toBeCloseTo(4, 9);
  });

  it('says what a part has drifted from and to', () => {
    expect(driftText({ nominal: 12_000, ohms: 24_300 })).toBe('12 kΩ → about 24 kΩ');
  });

  it('refuses what is no circuit, with the line', () => {
    expect(() => Stage.open('* t\nR1 a 0\n')).toThrow(/line 2: a value is missing/);
    expect(() => Stage.open('* t\nV1 a 0 1\nR1 b c 1k\n')).toThrow(/b/);
  });

  it('takes a node that a fault kills for dead also where it floats a little, and says where no one part explains it', () => {
    const judge = new StageJudge(Stage.open(follower), () => undefined);
    const read = (volts: Readonly<Record<string, number>>) =>
      judge.rank({ volts: new Map(Object.entries(volts)), ripple: new Map() });
    const shorted = read({ base: 0.06, out: 0.3 });
    expect(shorted.unexplained).toBe(false);
    expect(shorted.suspects[0]!.fault).toEqual({ ref: 'D1', mode: 'short' });
    expect(shorted.nothing).toBeLessThan(0.01);
    expect(read({ base: 9.7, out: 0.3 }).suspects[0]!.fault).toMatchObject({
      ref: 'Q1',
      mode: expect.stringMatching(/^open/) as string,
    });
    // Base down and output up: the zener shorted, and something else.
    expect(read({ base: 0.06, out: 14.2 })).toMatchObject({ unexplained: true, suspects: [] });
    expect(read(Object.fromEntries(judge.stage.volts))).toMatchObject({ unexplained: false });
  });
});
