import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../../behaviour';
import { type SignState } from '../../measure';
import { type Symptom } from '../../picture';
import { outlookOf } from './outlook';

const plasma = predictionsOf(shippedSheets().get('halvane-hp-42')!);
const outlook = (
  symptoms: Symptom[],
  signs: Readonly<Record<string, SignState>> = {},
  closed = new Map<string, number>(),
) => outlookOf({ predictions: plasma, complaint: { symptoms, signs }, closed, hourlyRate: 18 });

describe('what a complaint points at', () => {
  it('are the blocks that feed the dark half', () => {
    const [first, second] = outlook(['upper_dark']).blocks;
    expect([first!.block, second!.block].sort()).toEqual(['floating', 'upper']);
    expect(outlook(['upper_dark']).blocks.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1);
  });

  it('moves with a sign: a pop and a stop point away from the supply chip to the transistors', () => {
    const quiet = outlook(['brief']).blocks.find(({ block }) => block === 'sustain_y')!.chance;
    const popped = outlook(['brief'], { pop: 'yes' }).blocks.find(({ block }) => block === 'sustain_y')!.chance;
    expect(popped).toBeGreaterThan(2 * quiet);
  });

  it('moves with what this shop has closed', () => {
    const without = outlook(['upper_dark']).blocks.find(({ block }) => block === 'upper')!.chance;
    const chips = outlook(['upper_dark'], {}, new Map([['IC701.leaky', 12]])).blocks.find(
      ({ block }) => block === 'upper',
    )!.chance;
    expect(chips).toBeGreaterThan(without);
  });

  it('remembers what this shop has met, where it is still likely', () => {
    const closed = new Map([
      ['C547.dry', 4],
      ['F801.open', 2],
    ]);
    expect(outlook(['upper_dark'], {}, closed).met).toEqual({
      title: 'Upper floating capacitor C547 dried out',
      count: 4,
      of: 6,
    });
    expect(outlook(['upper_dark'], {}, new Map([['SRC.dead', 1]])).met).toBeUndefined();
  });

  it('reckons money and minutes: cracked glass costs more than a capacitor', () => {
    expect(outlook(['cracked_glass']).money).toBeGreaterThan(20 * outlook(['upper_dark']).money);
    expect(outlook(['upper_dark']).minutes).toBeGreaterThan(10);
    expect(outlook(['upper_dark']).moneyMost).toBeGreaterThanOrEqual(outlook(['upper_dark']).money);
    expect(outlook([]).boards).toBe(141);
  });
});
