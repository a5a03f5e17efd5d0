import { describe, expect, it } from 'vitest';
import { planesOf, type Raster } from '../../plane';
import { seeded } from '../../statistics';
import { burnInOf } from './burnIn';
import { fieldCorners } from './fieldCorners';
import { photographedField } from './drawnField';
import { zoneLoss, zonePlace } from './said';

const read = ({ raster }: { readonly raster: Raster }) => {
  const planes = planesOf(raster);
  return burnInOf(planes, fieldCorners(planes));
};

describe('burn-in on a photograph of an even field', () => {
  it('is not seen where there is none, however uneven lens and tube are', () => {
    for (let seed = 1; seed <= 6; seed += 1) expect(read(photographedField([], 480, seeded(seed))).zones).toEqual([]);
  });

  it('is found where it is, as deep as it is', () => {
    for (let seed = 1; seed <= 8; seed += 1) {
      const random = seeded(seed);
      const [left, top] = [0.06 + 0.6 * random(), 0.06 + 0.6 * random()];
      const burn = {
        left,
        right: left + 0.08 + 0.2 * random(),
        top,
        bottom: top + 0.08 + 0.2 * random(),
        loss: 0.05 + 0.25 * random(),
      };
      const [zone, ...more] = read(photographedField([burn], 480, random)).zones;
      expect(more).toEqual([]);
      expect(Math.abs(zone!.loss.all - burn.loss)).toBeLessThan(0.015);
      for (const side of ['left', 'right', 'top', 'bottom'] as const)
        expect(Math.abs(zone![side] - burn[side])).toBeLessThan(0.025);
    }
  });

  it('is said by its place and its colours', () => {
    const zone = {
      left: 0.03,
      right: 0.97,
      top: 0.04,
      bottom: 0.11,
      covers: 0.06,
      loss: { all: 0.12, red: 0.1, green: 0.1, blue: 0.2 },
    };
    expect(zonePlace(zone)).toBe('right across the top');
    expect(zoneLoss(zone)).toBe('12 % darker: red 10 %, green 10 %, blue 20 %');
    expect(zonePlace({ ...zone, right: 0.2 })).toBe('top left');
    expect(zonePlace({ ...zone, left: 0.4, right: 0.6, top: 0.4, bottom: 0.6 })).toBe('the middle');
  });

  it('refuses what cannot be judged, with what would be right', () => {
    const even = (value: number): Raster => ({
      width: 320,
      height: 240,
      data: new Uint8ClampedArray(4 * 320 * 240).fill(value),
    });
    const corners = [
      { x: 0, y: 0 },
      { x: 320, y: 0 },
      { x: 320, y: 240 },
      { x: 0, y: 240 },
    ] as const;
    expect(() => burnInOf(planesOf(even(20)), corners)).toThrow('expose longer');
    expect(() => burnInOf(planesOf(even(255)), corners)).toThrow('expose shorter');
    expect(() => fieldCorners(planesOf(even(8)))).toThrow('no bright field');
  });
});
