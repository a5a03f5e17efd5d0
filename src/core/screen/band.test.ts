import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { gaussian, seeded } from '../statistics';
import { type Driver } from '../sheet';
import { partText, placeBand, stepsFor } from '.';

const board = (half: Driver['half'], lines: number, ribbons: number): Driver => ({
  id: half,
  title: half,
  drives: 'rows',
  half,
  lines,
  ribbons,
});
const halves = [board('first', 384, 4), board('second', 384, 4)];
const whole = [board('both', 480, 6)];

describe('a band on the screen', () => {
  it.each([
    ['two boards', halves, 8],
    ['one board', whole, 6],
  ] as const)(
    'as wide as a ribbon is that ribbon, on %s, pointed at within half a hundredth',
    (_, drivers, ribbons) => {
      const random = seeded(3);
      for (let ribbon = 0; ribbon < ribbons; ribbon += 1) {
        const off = () => Math.max(-0.005, Math.min(0.005, 0.002 * gaussian(random)));
        const parts = placeBand({ from: ribbon / ribbons + off(), to: (ribbon + 1) / ribbons + off() }, drivers);
        const perBoard = ribbons / drivers.length;
        const number = (ribbon % perBoard) + 1;
        expect(parts).toMatchObject([
          { driver: { id: drivers[Math.floor(ribbon / perBoard)]!.id }, kind: 'ribbon', ribbons: [number, number] },
        ]);
      }
    },
  );

  it('of one line is that output, every line of the screen', () => {
    for (let row = 0; row < 768; row += 1) {
      const [part] = placeBand({ from: row / 768, to: (row + 1) / 768 }, halves);
      const inBoard = row % 384;
      expect(part).toMatchObject({
        driver: { half: row < 384 ? 'first' : 'second' },
        kind: 'line',
        ribbons: [Math.floor(inBoard / 96) + 1, Math.floor(inBoard / 96) + 1],
        outputs: [(inBoard % 96) + 1, (inBoard % 96) + 1],
      });
    }
  });

  it.each([
    [0.62, 0.7, ['outputs 1 to 58 of ribbon 2 of 4']],
    [0.3, 0.34, ['outputs 39 to 69 of ribbon 3 of 4']],
    [0.55, 0.9, ['output 39 of ribbon 1 to output 19 of ribbon 4']],
    [0.125, 0.375, ['ribbons 2 to 3 of 4']],
    [0.75, 1, ['ribbon 3 and all after it, of 4']],
    [0, 0.5, ['all of its ribbons']],
    [0.375, 0.625, ['ribbon 4 of 4', 'ribbon 1 of 4']],
    [0.34, 0.3, ['outputs 39 to 69 of ribbon 3 of 4']],
    [0.37, 0.502, ['ribbon 4 of 4']],
  ])('from %f to %f is %j', (from, to, said) => {
    const parts = placeBand({ from, to }, halves);
    expect(parts.map(partText)).toEqual(said);
    for (const part of parts) expect(stepsFor(part)[0]).toMatch(/seat/);
  });

  it('that may end where data stops, from either end, is looked for there', () => {
    const lastStep = (from: number, to: number) => stepsFor(placeBand({ from, to }, halves)[0]!).at(-1);
    expect(lastStep(0.25, 0.5)).toMatch(/it stops at the chip of ribbon 3 or/);
    expect(lastStep(0, 0.25)).toMatch(/at the other end it stops at the chip of ribbon 2,/);
    expect(lastStep(0.125, 0.375)).toMatch(/share and the others do not/);
  });

  it('tells on shipped sheets which half it lies in', () => {
    for (const id of ['generic-plasma', 'halvane-hp-42']) {
      const { drivers, signs } = shippedSheets().get(id)!;
      const rows = drivers.filter(({ drives }) => drives === 'rows');
      expect(placeBand({ from: 0.6, to: 0.7 }, rows).map(({ driver }) => driver.sign)).toEqual(['band_low']);
      expect(rows.every(({ sign }) => signs.has(sign!))).toBe(true);
    }
  });
});
