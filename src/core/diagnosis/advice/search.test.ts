import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { type Context, contextKey, liveCold, predictionsOf } from '../../behaviour';
import { type Fault, openSheet } from '../../sheet';
import { switchingsWorth, worthSearching } from './search';

const predictions = predictionsOf(openSheet(shippedSheets().get('generic-crt-colour')!));
const fault = (id: string): Fault => predictions.model.sheet.faults.get(id)!;
const cold: Context = { ...liveCold, power: 'proven' };
const probe = (id: string, minutes: number, context = cold) => ({
  minutes,
  probe: { id, check: predictions.checks.get(id)!, context },
});
const left = (weights: Readonly<Record<string, number>>, mass: number, fading = 0) => ({
  sets: Object.keys(weights).map((id) => [fault(id)]),
  weights: Float64Array.from(Object.values(weights)),
  fading: new Float64Array(Object.keys(weights).length).fill(fading),
  mass,
});
const job = { predictions };
const chosen = (...by: Parameters<typeof worthSearching> extends [unknown, ...infer Rest] ? Rest : never) =>
  worthSearching(job, ...by)?.probe.id;

describe('looking for what is left in a set that seems cured', () => {
  const cans = { 'V15-C.dry': 0.5, 'VHI-C.dry': 0.5 };

  it('measures the part that may have gone too, while that costs less than its coming back', () => {
    expect(chosen(left(cans, 0.3), [probe('fuse-ohms', 2), probe('v15-esr', 3)])).toBe('v15-esr');
    expect(chosen(left(cans, 0.3), [probe('v15-esr', 30)])).toBeUndefined();
    expect(chosen(left(cans, 0.01), [probe('v15-esr', 0.1)])).toBeUndefined();
  });

  it('asks nothing that a good set and what is left answer alike', () => {
    expect(chosen(left(cans, 0.9), [probe('fuse-ohms', 1), probe('r-load-ohms', 1)])).toBeUndefined();
  });

  it('does not read what comes and goes while it is away, and presses for it', () => {
    const joint = { 'H-DRV-T.joint': 1 };
    const volts = probe('hbase-ac', 2, liveCold);
    const press = probe('press-line', 4, liveCold);
    expect(contextKey(volts.probe.context)).toBe(contextKey(press.probe.context));
    expect(chosen(left(joint, 0.3), [volts])).toBe('hbase-ac');
    expect(chosen(left(joint, 0.3, 1), [volts])).toBeUndefined();
    expect(chosen(left(joint, 0.3, 1), [volts, press])).toBe('press-line');
  });
});

describe('switching off and on again what seems cured', () => {
  const joint = { 'H-DRV-T.joint': 1 };

  it('is worth as many times as what comes and goes is likely to be left, and none for what would stay', () => {
    expect(switchingsWorth(job, left(joint, 0.5, 0))).toBe(0);
    expect(switchingsWorth(job, left(joint, 0.05, 1))).toBe(0);
    expect(switchingsWorth(job, left(joint, 0.1, 1))).toBe(1);
    expect(switchingsWorth(job, left(joint, 0.4, 1))).toBe(2);
    expect(switchingsWorth(job, left(joint, 1, 1))).toBeLessThanOrEqual(4);
  });

  it('is worth nothing for what no picture shows', () => {
    expect(switchingsWorth(job, left({ 'AMP.dead': 1 }, 0.4, 1))).toBe(0);
  });
});
