import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { methodFor, repairActions } from '.';

describe('repairs', () => {
  it.each([...shippedSheets().values()].map((sheet) => [sheet.title, sheet] as const))(
    'of %s reach every fault',
    (_, sheet) => {
      const cured = new Set(repairActions(sheet).flatMap(({ cures }) => cures));
      expect([...sheet.faults.keys()].filter((id) => !cured.has(id))).toEqual([]);
    },
  );

  it('take the least work for a fault, and replacing cures all of a part', () => {
    const actions = new Map(repairActions(shippedSheets().get('pellisar-tc-14')!).map((action) => [action.id, action]));
    expect(methodFor('joint')).toBe('resolder');
    expect(actions.get('resolder:IC501')!.cures).toEqual(['IC501.joint']);
    expect(actions.get('replace:IC501')!.cures).toEqual(['IC501.short', 'IC501.dead', 'IC501.joint']);
    expect(actions.get('resolder:IC501')!.minutes).toBeLessThan(actions.get('replace:IC501')!.minutes);
    expect(actions.get('replace:T402')!.money).toBe(24);
  });
});
