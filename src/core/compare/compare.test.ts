import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compareSiblings } from '.';

const [rgb] = shippedSheets().get('pellisar-tc-14')!.siblings;
const compare = (values: Record<string, number>) => compareSiblings(rgb!, (point) => values[point.replace('-dc', '')]);
const chip = { vr: 2.65, vg: 2.64, vb: 2.66 };
const bases = { br: 2.64, bg: 2.63, bb: 2.64 };
const emitters = { er: 2.02, eg: 2.0, eb: 2.01 };

describe('three channels', () => {
  it('finds the one that leaves the others and the parts in between', () => {
    const found = compare({ kr: 125, kg: 61, kb: 123, cr: 124, cg: 61, cb: 122, ...emitters, ...bases, ...chip });
    expect(found.columns[found.oddColumn!]).toBe('Green');
    expect(found.between).toEqual(['R201', 'Q201']);
    expect(found.next).toBeUndefined();
  });

  it('follows the odd channel back as far as it is odd', () => {
    const found = compare({
      kr: 178,
      kg: 121,
      kb: 123,
      cr: 178,
      cg: 122,
      cb: 122,
      er: 0.01,
      eg: 2,
      eb: 2.01,
      br: 0.02,
      bg: 2.63,
      bb: 2.64,
      ...chip,
    });
    expect(found.columns[found.oddColumn!]).toBe('Red');
    expect(found.between).toEqual(['R102']);
  });

  it('says where to measure next while rows are missing', () => {
    expect(compare({ kr: 125, kg: 61, kb: 123 }).next).toBe('cr-dc');
    expect(compare({}).next).toBe('kr-dc');
  });

  it('raises no alarm where the three differ as good ones do', () => {
    const found = compare({ kr: 128, kg: 120, kb: 124, cr: 127, cg: 121, cb: 123, ...emitters, ...bases, ...chip });
    expect(found.oddColumn).toBeUndefined();
  });

  it('does not judge between two', () => {
    expect(compare({ kr: 125, kg: 61 }).oddColumn).toBeUndefined();
  });
});
