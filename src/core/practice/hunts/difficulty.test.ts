import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { difficultyOf, grades } from './difficulty';
import { drawHunt, huntFor } from './drawHunt';

const sheet = shippedSheets().get('pellisar-tc-14')!;
const of = (fault: string, trouble: 'one' | 'several' = 'one') =>
  difficultyOf(huntFor(sheet, sheet.faults.get(fault)!, trouble, 7));

describe('how hard a hunt is', () => {
  it('counts at how many of the checks a fault shows', () => {
    const [supply, colour] = [of('IC801.dead'), of('R104.drifted')];
    expect(supply.checks).toBe(colour.checks);
    expect(supply.shown).toBeGreaterThan(3 * colour.shown);
    expect(colour.shown).toBeGreaterThan(0);
    expect(colour.shown).toBeLessThan(colour.checks / 4);
  });

  it('is that of its cause alone, whatever else is wrong', () => {
    expect(of('R104.drifted', 'several').weight).toBe(of('R104.drifted').weight);
  });

  it('is about as often of each grade', () => {
    const hunts = Array.from({ length: 120 }, (_, index) => drawHunt([...shippedSheets().values()], 700 + index));
    for (const grade of grades) {
      const share = hunts.filter((hunt) => difficultyOf(hunt).grade === grade).length / hunts.length;
      expect(share).toBeGreaterThan(0.1);
      expect(share).toBeLessThan(0.32);
    }
  });
});
