import { type Measure, instrumentFor } from '@/core/measure';
import { describe, expect, it } from 'vitest';
import { type Check, compileSheet, liveCold, Predictions } from '@/core/behaviour';
import { seeded } from '@/core/statistics';
import { measureWaveform } from '@/core/reading';
import { shippedSheets } from '@/sheets';
import { meterLine, readMeterLine, standInReadings } from '..';

const sheets = [...shippedSheets().values()].map((sheet) => new Predictions(compileSheet(sheet)));
const cold = { ...liveCold, power: 'proven' } as const;

/** Every check of a measure of the shipped sheets, with what the stand-in sends of a good set. */
const sent = (measure: Measure) =>
  sheets.flatMap((predictions) =>
    [...predictions.checks.values()]
      .filter((check) => check.measure === measure)
      .flatMap((check, index) => {
        const expected = predictions.expectation(undefined, check, check.state === 'cold' ? cold : liveCold);
        if (expected.kind !== 'number' || expected.components.length > 1) return [];
        const readings = standInReadings(check, expected, seeded(index), 12);
        return [{ check, value: expected.components[0]!.value, readings }];
      }),
  );
const last = <T>(items: readonly T[]) => items[items.length - 1]!;

describe('stand-ins for instruments', () => {
  it('send lines that read back with their unit and range', () => {
    for (const { readings } of [...sent('dc').slice(0, 20), ...sent('ripple')])
      for (const [index, reading] of readings.entries()) {
        const back = readMeterLine(meterLine(reading));
        expect(back).toMatchObject({ unit: reading.unit, ...('range' in reading ? { range: reading.range } : {}) });
        if (index > 0) expect(back.at).toBeGreaterThan(readings[index - 1]!.at);
      }
  });

  it('of a multimeter end near what the sheet expects, in a range that holds it', () => {
    for (const { value, readings } of sent('dc')) {
      expect(Math.abs(last(readings).value - value)).toBeLessThan(0.03 * Math.abs(value) + 0.05);
      expect(last(readings).range).toBeGreaterThanOrEqual(Math.min(50_000, Math.abs(value)));
    }
  });

  it('charge the capacitors of a rail through the meter, and no part by itself', () => {
    for (const { check, value, readings } of sent('ohms').filter((one) => Number.isFinite(one.value))) {
      const early = readings[9]!.value / value;
      if (check.point?.net === undefined) expect(early).toBeGreaterThan(0.95);
      else expect(early).toBeLessThan(0.85);
      expect(Math.abs(last(readings).value / value - 1)).toBeLessThan(0.03);
    }
  });

  it.each(['esr', 'diode', 'rings'] as const)(
    'of a tester for %s search, then show whole steps of a digit',
    (measure) => {
      const digit = { esr: 0.01, diode: 0.001, rings: 1 }[measure];
      for (const { value, readings } of sent(measure)) {
        expect(readings[0]!.value).toBe(Infinity);
        const shown = last(readings).value;
        if (!Number.isFinite(value)) {
          expect(shown).toBe(Infinity);
          continue;
        }
        expect(Math.abs(shown / digit - Math.round(shown / digit))).toBeLessThan(1e-6);
        expect(Math.abs(shown - value)).toBeLessThanOrEqual(2 * digit + 0.03 * value);
      }
    },
  );

  it('of a sampler draw what the sheet expects', () => {
    for (const { value, readings } of sent('ripple')) {
      const wave = measureWaveform(readings);
      expect(Math.abs(wave.peakToPeak / value - 1)).toBeLessThan(0.08);
      expect(Math.abs(wave.mean - 12)).toBeLessThan(0.2 * value);
    }
    for (const { value, readings } of sent('hertz'))
      expect(Math.abs(measureWaveform(readings).hertz! / value - 1)).toBeLessThan(0.03);
  });

  it('of a sampler show no period where nothing turns', () => {
    const check = sent('hertz')[0]!.check;
    const still = {
      kind: 'number',
      scale: 'linear',
      components: [{ chance: 1, value: 0, sigma: 1, shape: 'settled' }],
    };
    expect(measureWaveform(standInReadings(check, still as never, seeded(1))).hertz).toBeUndefined();
  });

  it('are one for each way of measuring', () => {
    const checks: Check[] = sheets.flatMap(({ checks: all }) => [...all.values()]);
    const used = new Set(checks.filter(({ unit }) => unit !== '').map(({ measure }) => instrumentFor(measure)));
    expect([...used].sort()).toEqual(['ESR tester', 'capacitance meter', 'junction tester', 'multimeter', 'sampler']);
    expect(instrumentFor('rings')).toBe('ring tester');
  });
});
