import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { type Fault, openSheet, type Sheet } from '.';
import { mirroredFaults } from './mirrored';

const colour = shippedSheets().get('generic-crt-colour')!;
/** The sheet as somebody wrote it who forgot a fault. */
const without = (sheet: Sheet, id: string): Sheet => ({
  ...sheet,
  faults: new Map([...sheet.faults].filter(([one]) => one !== id)),
});
const effects = ({ sets, shorts, ripples, shows }: Fault) => ({ sets: [...sets], shorts, ripples, shows });

describe('what is listed of one channel', () => {
  it('is in the others what they list themselves, where they do', () => {
    const listed = new Set(
      [...colour.faults.values()].map((fault) => JSON.stringify([colour.parts.get(fault.part)!.block, effects(fault)])),
    );
    const mirrored = mirroredFaults(colour);
    expect(mirrored.length).toBeGreaterThan(40);
    const unknown = mirrored.filter(({ fault, block }) => !listed.has(JSON.stringify([block, effects(fault)])));
    expect(unknown.map(({ fault, into }) => `${fault.id} ${into}`)).toEqual([]);
  });

  it.each([
    ['G-LOAD.drifted', 'green_driver?', { cg: 0.5, kg: 0.5 }, []],
    ['GUN-R.leaky', 'tube?', { kr: 0.15, cr: 0.55 }, []],
    ['GUN-B.worn', 'tube?', {}, ['weak_blue']],
  ])('%s is thought of by its siblings, though no sheet lists it', (id, part, sets, shows) => {
    const taken = colour.faults.get(id)!;
    expect([Object.fromEntries(taken.sets), taken.shows]).toEqual([sets, shows]);
    const does = JSON.stringify(effects(taken));
    const like = (sheet: Sheet) =>
      [...openSheet(sheet).faults.values()].filter(
        (fault) => fault.part === part && JSON.stringify(effects(fault)) === does,
      );
    const forgotten = without(colour, id);
    const alone = (sheet: Sheet): Sheet => ({ ...sheet, siblings: [] });
    expect(like(forgotten)).toHaveLength(like(alone(forgotten)).length + 1);
    // Where it is listed, its siblings add nothing.
    expect(like(colour)).toHaveLength(like(alone(colour)).length);
    expect(like(forgotten).every(({ weight }) => weight > 0)).toBe(true);
  });

  it('is no matter of what acts on several channels, or on none', () => {
    const of = (id: string) => mirroredFaults(colour).filter(({ fault }) => fault.id === id);
    for (const { id, sets, opens } of colour.faults.values()) {
      const channels = new Set([...sets.keys()].flatMap((net) => /^[kcebv]([rgb])$/.exec(net)?.[1] ?? []));
      if (channels.size > 1 || opens.length > 0) expect([id, of(id).length]).toEqual([id, 0]);
    }
    expect(of('FUSE.open')).toEqual([]);
  });
});
