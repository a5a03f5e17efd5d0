import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { openSheet } from '../sheet';
import { dealtWith, methodFor, repairActions, repairRefused } from '.';

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

  it('are made with the plug out, but for a trimmer that is set and a source that is plugged in', () => {
    const actions = repairActions(shippedSheets().get('generic-plasma')!);
    const live = actions.filter((action) => repairRefused(action, true) === undefined);
    expect(live.map(({ id }) => id)).toEqual(expect.arrayContaining(['adjust:VS-VR', 'replace:SRC']));
    expect(live.every(({ method, id }) => method === 'adjust' || id === 'replace:SRC')).toBe(true);
    expect(actions.every((action) => repairRefused(action, false) === undefined)).toBe(true);
  });

  it.each([...shippedSheets().values()].map((sheet) => [sheet.title, sheet] as const))(
    'of an opened %s are recorded by what is listed, few enough for a line, and deal with all the rest',
    (_, sheet) => {
      const open = openSheet(sheet);
      for (const { id, cures, listed } of repairActions(open)) {
        expect(listed.length).toBeLessThanOrEqual(200);
        expect(dealtWith(open, { action: id, cures: listed })).toEqual(new Set(cures));
      }
      // A line that was recorded before anything unlisted was thought of deals with it all the same.
      const board = repairActions(open).find(({ method, cures }) => method === 'swap' && cures.length > 0);
      if (board) expect(dealtWith(open, { action: board.id, cures: [] })).toEqual(new Set(board.cures));
    },
  );
});
