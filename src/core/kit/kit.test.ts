import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { writePart } from '../supply';
import { kitOf } from '.';

const plasma = shippedSheets().get('halvane-hp-42')!;
const colour = shippedSheets().get('pellisar-tc-14')!;
const bought = (kit: ReturnType<typeof kitOf>) => kit.purchases.map(({ typed, count, refs }) => [count, typed, refs]);

describe('what is replaced while a set is open', () => {
  it('is what measures bad, the kit of its block besides, or all of the kit; each takes more than the one before', () => {
    const found = [{ ref: 'C551' }];
    const [bad, block, all] = (['bad', 'block', 'all'] as const).map((policy) => kitOf(plasma, found, policy));
    expect(bad!.places.map(({ ref }) => ref)).toEqual(['C551']);
    for (const [less, more] of [
      [bad!, block!],
      [block!, all!],
    ] as const) {
      const refs = more.places.map(({ ref }) => ref);
      expect(refs).toEqual(expect.arrayContaining(less.places.map(({ ref }) => ref)));
      expect(more.minutes).toBeGreaterThanOrEqual(less.minutes);
      expect(more.money).toBeGreaterThanOrEqual(less.money);
    }
    expect(all!.places.map(({ ref }) => ref).sort()).toEqual(
      [...new Set([...plasma.kit.flatMap(({ refs }) => refs), 'C551'])].sort(),
    );
  });

  it('is bought the same part once, with the room there is', () => {
    const { purchases } = kitOf(plasma, [{ ref: 'C547' }, { ref: 'C551' }], 'bad');
    expect(purchases).toEqual([
      {
        typed: 'C 100µF 35V electrolytic 105°C lowesr',
        note: '8 mm can, 3.5 mm pitch',
        count: 2,
        refs: ['C547', 'C551'],
      },
    ]);
  });

  it('takes the values of a line one by one, in the order of its places', () => {
    expect(bought(kitOf(colour, [{ ref: 'C511' }, { ref: 'C512' }], 'bad'))).toEqual([
      [1, 'C 100µF 50V electrolytic', ['C511']],
      [1, 'C 1000µF 35V electrolytic 105°C', ['C512']],
    ]);
  });

  it('keeps a part’s own value where the kit says so, a step of volts up where it says that', () => {
    const sheet = shippedSheets().get('generic-plasma')!;
    const [place] = kitOf(sheet, [{ ref: 'VSET-C' }], 'bad').places;
    const own = sheet.parts.get('VSET-C')!.value;
    if (place!.part) expect(place!.part.figures.volts).toBeGreaterThan(Number(/(\d+)\s*V/.exec(own)![1]));
    else expect(place!.value).toContain('105');
  });

  it('warns of a polarity that is printed the wrong way, and of none that has none', () => {
    const places = kitOf(plasma, [{ ref: 'C532' }, { ref: 'C547' }], 'bad').places;
    expect(places.map(({ misprinted }) => misprinted)).toEqual([true, false]);
    expect(places[0]!.warnings.join()).toContain('follow the ground plane');
  });

  it('takes a part that no sheet knows by the mark it was surveyed with', () => {
    const kit = kitOf(plasma, [{ ref: 'C77', kind: 'electrolytic', mark: '470u 25V' }, { ref: 'X1' }], 'bad');
    expect(writePart(kit.places[0]!.part!)).toBe('C 470µF 25V electrolytic');
    expect(kit.places[1]!.part).toBeUndefined();
    expect(kit.purchases).toHaveLength(1);
  });
});
