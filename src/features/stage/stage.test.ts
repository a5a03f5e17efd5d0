import { describe, expect, it } from 'vitest';
import { dictionaryOf, faultWords, operatingPoint, readNetlist, Stage, System } from '@/core/circuit';
import { shippedStages } from '@/sheets/stages';
import { readStageReading } from './stageModel';

const model = (text: string) => Stage.open(text);

describe('the stages that ship', () => {
  it.each(shippedStages().map(({ id, text }) => [id, text] as const))(
    '%s stands, and every way to break it does',
    (_, text) => {
      expect(model(text).ladder.parts.length).toBeGreaterThan(3);
      const system = new System(readNetlist(text));
      const { entries } = dictionaryOf(system, operatingPoint(system));
      for (const { point } of entries) for (const volts of point) expect(Number.isFinite(volts)).toBe(true);
    },
  );

  it('stand where they were drawn: the cathodes of the driver level, the regulator at 112 V', () => {
    const texts = new Map(shippedStages().map(({ id, text }) => [id, text]));
    const driver = model(texts.get('rgb-driver')!).volts;
    expect(driver.get('kr')).toBeCloseTo(driver.get('kb')!, 6);
    expect(driver.get('kg')).toBeGreaterThan(100);
    expect(driver.get('kg')).toBeLessThan(150);
    expect(Math.abs(model(texts.get('series-regulator')!).volts.get('out')! - 112)).toBeLessThan(1);
  });
});

describe('typing on a stage', () => {
  const divider = model('* divider\nV1 a 0 12\nR1 a mid 10k\nR2 mid 0 5k');

  it('takes a node and its volts', () => {
    expect(readStageReading('MID 3.9', divider)).toEqual({ node: 'mid', measure: 'volts', volts: 3.9 });
    expect(readStageReading(' a  12,1 V ', divider)).toEqual({ node: 'a', measure: 'volts', volts: 12.1 });
  });

  it.each([
    ['kg 3', /no node "kg"; there are a, mid/],
    ['0 3', /no node "0"/],
    ['mid', /needs its volts, like "mid 4.00"/],
    ['mid 3mA', /volts|not a value/],
    ['mid three', /not a value/],
  ])('refuses "%s" with what would be right', (line, message) => {
    expect(() => readStageReading(line, divider)).toThrow(message);
  });

  it('says a fault in the words of the bench', () => {
    expect(faultWords({ ref: 'R304', mode: 'value', factor: 2.2 })).toBe('R304 drifted high');
    expect(faultWords({ ref: 'R304', mode: 'value', factor: 0.4 })).toBe('R304 drifted low');
    expect(faultWords({ ref: 'Q2', mode: 'short-ce' })).toBe('Q2 shorted, collector to emitter');
    expect(faultWords({ ref: 'M1', mode: 'open-d' })).toBe('M1 open at the drain, or its joint');
    expect(faultWords({ ref: 'D1', mode: 'short' })).toBe('D1 shorted');
  });

  it('gives the message of a netlist that cannot be taken instead of a ladder', () => {
    expect(() => model('* test\nR1 a b')).toThrow(/line 2: a value is missing/);
    expect(() => model('')).toThrow(/no element/);
  });
});
