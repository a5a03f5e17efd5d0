import { describe, expect, it } from 'vitest';
import { greyWords } from './greyWords';

describe('the controls of the grey scale', () => {
  it('are trimmers of the neck board on a tube', () => {
    const words = greyWords('crt-colour');
    expect(words.control('red cut-off')).toBe('red cut-off');
    expect(words.amount(-0.17)).toBe('a sixth of a turn counter-clockwise');
    expect(words.settable(-0.17)).toBe(-0.17);
    expect(words.before).toContain('hundreds of volts');
  });

  it.each(['plasma', 'projection-lamp'] as const)('are registers of a menu on %s, set by whole steps', (technology) => {
    const words = greyWords(technology);
    expect([words.control('red cut-off'), words.control('blue drive')]).toEqual(['red offset', 'blue gain']);
    expect(words.amount(0.17)).toBe('4 steps up');
    expect(words.amount(-0.001)).toBe('1 step down');
    // What is learnt from it is what was really set.
    expect(words.settable(0.17)).toBeCloseTo(4 / 24, 9);
    expect(words.settable(-0.001)).toBeCloseTo(-1 / 24, 9);
  });
});
