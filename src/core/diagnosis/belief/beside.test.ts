import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { sumOf } from '../../statistics';
import { alike, besideOthers } from './beside';
import { priorOf } from './prior';

const sheet = shippedSheets().get('generic-crt-colour')!;
const prior = priorOf(sheet);
const named = (...ids: string[]) => ids.map((id) => sheet.faults.get(id)!);
const ofWay = (id: string, ...but: string[]) => {
  const { way } = alike(sheet.faults.get(id)!, sheet.parts)!;
  return [...sheet.faults.values()].filter(
    (fault) => alike(fault, sheet.parts)?.way === way && !but.includes(fault.id),
  );
};

describe('a fault beside others', () => {
  it('is there by itself as often as its prior says, where there are none', () => {
    const [fault] = named('R-Q.short');
    expect(besideOthers([], prior, sheet)(fault!)).toBe(prior.get('R-Q.short'));
  });

  it('has gone the same way the likelier the more have: over all of them by the chance of one more', () => {
    const chanceOf = (...found: string[]) => {
      const others = ofWay('V15-C.dry', ...found);
      const beside = besideOthers(named(...found), prior, sheet);
      return sumOf(others, beside) - 0.08 * sumOf(others, ({ id }) => prior.get(id)!);
    };
    expect(chanceOf('V15-C.dry')).toBeCloseTo(0.3, 6);
    expect(chanceOf('V15-C.dry', 'V-BOOST.dry')).toBeCloseTo(1 - 0.7 ** 2, 6);
  });

  it('goes at one blow less often than by age, and has a chance where none is left to go the same way', () => {
    const sharedOf = (id: string) => {
      const others = ofWay(id, id);
      return (
        sumOf(others, besideOthers(named(id), prior, sheet)) - 0.08 * sumOf(others, ({ id: one }) => prior.get(one)!)
      );
    };
    expect(sharedOf('R-Q.short')).toBeCloseTo(0.1, 6);
    for (const fault of sheet.faults.values()) expect(besideOthers([fault], prior, sheet)(fault)).toBeGreaterThan(0);
  });
});
