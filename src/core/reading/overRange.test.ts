import { describe, expect, it } from 'vitest';
import { compileSheet, liveCold, Predictions } from '../behaviour';
import { shippedSheets } from '../../sheets';
import { checksSwept, readsOpen, waveReading } from '.';

const predictions = new Predictions(compileSheet(shippedSheets().get('pellisar-tc-14')!));
const cold = { ...liveCold, power: 'proven' } as const;
const opens = (id: string, range?: number) => readsOpen(predictions, predictions.checks.get(id)!, cold, range);

describe('a meter beyond its range', () => {
  const ohms = [...predictions.checks.values()].find(
    (check) => check.measure === 'ohms' && check.point?.net === undefined,
  )!.id;

  it('reads an open part in ohms, but not in a range that ends near what is right', () => {
    expect(opens(ohms)).toBe(true);
    expect(opens(ohms, 20e6)).toBe(true);
    const standard = predictions.standard(predictions.checks.get(ohms)!, cold);
    expect(standard.kind === 'number' && opens(ohms, 2 * standard.nominal)).toBe(false);
  });

  it('reads no open anything in volts', () => expect(opens('kg-dc', 200)).toBe(false));

  it('reads an open junction, which is tested in one range', () => {
    const diode = [...predictions.checks.values()].find(({ measure }) => measure === 'diode')!;
    expect(opens(diode.id)).toBe(true);
  });
});

describe('one sweep', () => {
  it('reads every way of measuring at its place, and nothing elsewhere', () => {
    for (const sheet of shippedSheets().values()) {
      const { checks } = new Predictions(compileSheet(sheet));
      for (const check of checks.values()) {
        const swept = checksSwept(checks, check);
        expect(swept.every(({ where, point }) => where === check.where && point?.net === check.point?.net)).toBe(true);
        if (check.measure === 'ripple' || check.measure === 'hertz') expect(swept[0]).toBe(check);
      }
    }
  });

  it('has a figure for each, and none in ohms', () => {
    const wave = { low: 11, high: 13, peakToPeak: 2, mean: 12.2, rms: 0.6, hertz: 100 };
    expect(['ripple', 'hertz', 'dc', 'ac', 'ohms'].map((one) => waveReading(wave, one as 'dc'))).toEqual([
      2,
      100,
      12.2,
      0.6,
      undefined,
    ]);
  });
});
