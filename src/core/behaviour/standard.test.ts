import { classify, deviation, type NumberStandard } from '../measure';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, type Context, liveCold, Predictions } from '.';

const plasma = new Predictions(compileSheet(shippedSheets().get('halvane-hp-42')!));
const tube = new Predictions(compileSheet(shippedSheets().get('pellisar-tc-14')!));
const cold: Context = { ...liveCold, power: 'proven' };

function numberOf(predictions: Predictions, id: string, context: Context = liveCold): NumberStandard {
  const standard = predictions.standard(predictions.checks.get(id)!, context);
  if (standard.kind !== 'number') throw new Error(`${id} is no number`);
  return standard;
}

describe('limits of volts', () => {
  it('follow the label and its tolerance, in the direction of the rail', () => {
    const vscan = numberOf(plasma, 'vscan-dc');
    expect(vscan.nominal).toBe(-168);
    expect([-168, -163.5, -172.9].map((value) => classify(vscan, value, 'settled'))).toEqual([
      'within',
      'within',
      'within',
    ]);
    expect([-160, -180, -2, 168].map((value) => classify(vscan, value, 'settled'))).toEqual([
      'low',
      'high',
      'dead',
      'odd',
    ]);
    expect(deviation(vscan, -121.4)).toBeCloseTo(-0.277, 3);
  });

  it('are wide while a lamp is in series, since good sets sag too', () => {
    const plain = numberOf(plasma, 'vs-dc');
    const lamp = numberOf(plasma, 'vs-dc', { ...liveCold, lamp: true });
    expect(classify(plain, 150, 'settled')).toBe('low');
    expect(classify(lamp, 150, 'settled')).toBe('within');
    expect(classify(lamp, 40, 'settled')).toBe('low');
  });

  it('expect nothing where a good set has nothing', () => {
    const off = numberOf(plasma, 'vs-dc', cold);
    expect(classify(off, 0.4, 'settled')).toBe('within');
    expect(classify(off, 60, 'settled')).toBe('high');
  });

  it('call any rail that rose and fell brief', () => {
    expect(classify(numberOf(plasma, 'vs-dc'), 187, 'brief')).toBe('brief');
  });

  it('keep a frequency to the tolerance of its point', () => {
    const line = numberOf(tube, 'hdrive-hz');
    expect([15_625, 15_800, 17_000, 0].map((value) => classify(line, value, 'settled'))).toEqual([
      'within',
      'within',
      'high',
      'dead',
    ]);
  });
});

describe('limits of parts', () => {
  it('let a capacitor have any ESR under its limit', () => {
    const esr = numberOf(plasma, 'C547-esr', cold);
    expect([0.05, 0.31, 0.4, 2.9, Infinity].map((value) => classify(esr, value, 'settled'))).toEqual([
      'within',
      'within',
      'high',
      'high',
      'open',
    ]);
  });

  it('let a fuse or a resistor of an ohm read its leads too', () => {
    const fuse = numberOf(plasma, 'F801-ohms', cold);
    expect([0, 0.1, 0.5, 40, Infinity].map((value) => classify(fuse, value, 'settled'))).toEqual([
      'within',
      'within',
      'within',
      'high',
      'open',
    ]);
    const feed = numberOf(tube, 'R421-ohms', cold);
    expect([1.1, 1.6, 12].map((value) => classify(feed, value, 'settled'))).toEqual(['within', 'within', 'high']);
  });

  it('take a resistor beyond its tolerance and that of the meter for drifted', () => {
    const load = numberOf(tube, 'R201-ohms', cold);
    expect([11_900, 12_600, 12_800, 27_000, 9_000].map((value) => classify(load, value, 'settled'))).toEqual([
      'within',
      'within',
      'high',
      'high',
      'low',
    ]);
  });

  it('want a ceramic capacitor open, and take open for right', () => {
    const entry = numberOf(plasma, 'C701-ohms', cold);
    expect([Infinity, 5e6, 20_000, 0.5].map((value) => classify(entry, value, 'settled'))).toEqual([
      'within',
      'within',
      'low',
      'dead',
    ]);
  });

  it('tell a junction from a short, a leak and an open', () => {
    const drop = numberOf(tube, 'Q402-diode', cold);
    expect([0.5, 0.01, 0.2, Infinity].map((value) => classify(drop, value, 'settled'))).toEqual([
      'within',
      'dead',
      'low',
      'open',
    ]);
  });

  it('want the rings of a good transformer or more', () => {
    const rings = numberOf(tube, 'T402-rings', cold);
    expect([14, 22, 10, 2, 0].map((value) => classify(rings, value, 'settled'))).toEqual([
      'within',
      'within',
      'within',
      'low',
      'dead',
    ]);
  });

  it('give the cold resistance of a rail much room, since loads vary', () => {
    const rail = numberOf(tube, 'bplus-ohms', cold);
    expect([14_000, 6_000, 30_000, 2_000, 0.6].map((value) => classify(rail, value, 'settled'))).toEqual([
      'within',
      'within',
      'within',
      'low',
      'dead',
    ]);
  });
});

describe('what a part reads with each fault', () => {
  const read = (predictions: Predictions, check: string, fault: string): number => {
    const found = predictions.expectation(
      predictions.model.sheet.faults.get(fault),
      predictions.checks.get(check)!,
      cold,
    );
    return found.kind === 'number' ? found.components[0]!.value : NaN;
  };
  const chance = (predictions: Predictions, check: string, fault: string | undefined, choice: string): number => {
    const found = predictions.expectation(
      fault === undefined ? undefined : predictions.model.sheet.faults.get(fault),
      predictions.checks.get(check)!,
      cold,
    );
    return found.kind === 'choice' ? (found.chances.get(choice) ?? 0) : NaN;
  };

  it('follows from its kind and the way it failed', () => {
    expect(read(plasma, 'F801-ohms', 'F801.open')).toBe(Infinity);
    expect(read(plasma, 'F801-ohms', 'Q801.short')).toBe(Infinity);
    expect(read(tube, 'R201-ohms', 'R201.drifted')).toBeGreaterThan(20_000);
    expect(read(tube, 'Q402-diode', 'Q402.short')).toBeLessThan(0.05);
    expect(read(tube, 'T402-rings', 'T402.short')).toBe(2);
    expect(read(plasma, 'C701-ohms', 'C701.short')).toBeLessThan(2);
    expect(read(tube, 'emission', 'TUBE.worn')).toBeCloseTo(0.45);
    expect(read(plasma, 'RT801-ohms', 'RT801.cracked')).toBe(Infinity);
  });

  it('is seen by a look with the chance of its kind, less what is missed', () => {
    expect(chance(plasma, 'look-scan', 'C547.dry', 'C547')).toBeCloseTo(0.5 * 0.75);
    expect(chance(plasma, 'look-glass', 'PANEL.cracked', 'PANEL')).toBeCloseTo(0.9 * 0.95);
    expect(chance(plasma, 'look-scan', undefined, 'fine')).toBeGreaterThan(0.95);
  });

  it('answers to a press where a joint, a latch or a crack is at fault, and hardly else', () => {
    expect(chance(tube, 'press-field', 'IC501.joint', 'answers')).toBeCloseTo(0.8);
    expect(chance(tube, 'press-field', 'IC501.dead', 'answers')).toBeLessThan(0.05);
  });

  it('is cured by trying another of what is at fault', () => {
    expect(chance(plasma, 'try-lead', 'LEAD.open', 'cured')).toBeGreaterThan(0.95);
    expect(chance(plasma, 'try-lead', 'F801.open', 'cured')).toBeLessThan(0.05);
  });
});
