import { describe, expect, it } from 'vitest';
import { driftText, Stage } from '.';

const divider = '* divider\n.param load=1k\nV1 a 0 12\nR1 a mid 2k\nR2 mid 0 {load}\n';
const none = new Map<string, number>();

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
});
