import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { photographed, usualBadness } from '@/core/crosshatch';
import { photographedField } from '@/core/setup';
import { seeded } from '@/core/statistics';
import { crosshatch } from './crosshatch';
import { grey } from './setup';
import { burnIn, tube } from './tube';

const folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-pictures-'));
const file = (name: string, content: string | Buffer) => {
  writeFileSync(path.join(folder, name), content);
  return path.join(folder, name);
};
const png = ({ width, height, data }: { width: number; height: number; data: Uint8Array | Uint8ClampedArray }) => {
  const picture = new PNG({ width, height });
  picture.data = Buffer.from(data);
  return PNG.sync.write(picture);
};

interface Printed {
  readonly crossings: readonly { row: number; column: number; x: number; y: number; certainty: number; red?: object }[];
  readonly corners?: readonly { x: number; y: number }[];
  readonly geometry: { terms: Record<string, { percent: number; spread: number }>; without?: string; off: number };
  readonly move: { control: string; said: string } | null;
  readonly convergence?: { moves: readonly object[] };
}

describe('crosshatch', () => {
  const made = photographed({ across: 15, down: 11 }, 1000, seeded(7), {
    askew: 8,
    shape: 0.015,
    colours: 0.006,
    noise: 0.02,
    fill: 0.92,
  });
  const shot = file('crosshatch.png', png(made.picture));
  const corners = made.corners.flatMap(({ x, y }) => [x, y]).join();

  it('prints crossings, errors of shape, colours and what to move', async () => {
    const { crossings, geometry, move, convergence } = (await crosshatch.run([
      shot,
      '--corners',
      corners,
    ])) as unknown as Printed;
    expect(crossings).toHaveLength(165);
    expect(crossings.at(-1)).toMatchObject({ row: 10, column: 14 });
    const sure = crossings.filter(({ certainty }) => certainty > 0.5);
    expect(sure.length).toBeGreaterThan(160);
    for (const { row, column, x, y } of sure)
      expect(
        Math.hypot(x - made.crossings[row * 15 + column]!.x, y - made.crossings[row * 15 + column]!.y),
      ).toBeLessThan(3);
    expect(Object.keys(geometry.terms)).toContain('width');
    expect(geometry.without).toBeUndefined();
    expect(move!.said).toMatch(/by \d+\.\d % of the width/);
    expect(convergence!.moves.length).toBeGreaterThan(0);
  });

  it('finds the corners of the glass, in a JPEG of a camera that was held upright as well', async () => {
    const held = file(
      'held.jpg',
      await sharp(made.picture.data, { raw: { width: made.picture.width, height: made.picture.height, channels: 4 } })
        .rotate(90)
        .jpeg({ quality: 92 })
        .withMetadata({ orientation: 8 })
        .toBuffer(),
    );
    for (const picture of [shot, held]) {
      const { corners: found, geometry } = (await crosshatch.run([picture])) as unknown as Printed;
      found!.forEach(({ x, y }, i) =>
        expect(Math.hypot(x - made.corners[i]!.x, y - made.corners[i]!.y)).toBeLessThan(0.005 * made.wide),
      );
      expect(Object.keys(geometry.terms)).toContain('width');
    }
  });

  it('says what it cannot tell where the glass does not stand out from its frame', async () => {
    const { picture, crossings } = photographed({ across: 15, down: 11 }, 1000, seeded(6), {
      ...usualBadness,
      fill: 1.2,
    });
    expect(crossings.length).toBeGreaterThan(0);
    const { geometry } = (await crosshatch.run([file('over.png', png(picture))])) as unknown as Printed;
    expect(Object.keys(geometry.terms)).not.toContain('width');
    expect(geometry.without).toMatch(/size, place, tilt/);
  });

  it.each([
    ['nothing', [], /name one picture/],
    ['no such file', [path.join(folder, 'none.png')], /there is no such file/],
    ['a folder', [folder], /there is no such file/],
    ['an empty file', [file('empty.png', '')], /the file is empty/],
    [
      'words',
      [file('a.jpg', 'no picture at all')],
      /what is in it is not read here; save the picture as JPEG, PNG or WebP/,
    ],
    [
      'HEIC',
      [file('a.heic', Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1', 'latin1'))],
      /a HEIC picture is not read here/,
    ],
    ['half a PNG', [file('half.png', png(made.picture).subarray(0, 4000))], /the PNG is damaged/],
    [
      'a grey field',
      [file('grey.png', png({ width: 700, height: 500, data: new Uint8Array(700 * 500 * 4).fill(90) }))],
      /no crosshatch in the picture/,
    ],
    ['other lines', [shot, '--across', '17'], /not 17 and 11/],
    ['lines that are none', [shot, '--across', 'many'], /--across is a number from 3 to 60, not "many"/],
    ['half the corners', [shot, '--corners', '1,2,3,4'], /eight numbers/],
    ['corners the other way round', [shot, '--corners', '0,0,0,700,900,700,900,0'], /clockwise/],
    ['two tubes', [shot, '--tubes', '2'], /--tubes is 1 or 3/],
    ['an option of its own', [shot, '--lines', '4'], /--lines/],
  ])('refuses %s in one line', async (_, words, message) => {
    await expect(async () => crosshatch.run(words)).rejects.toThrow(message);
  });

  it('refuses 60 MB and more before it reads them', async () => {
    await expect(async () => crosshatch.run([file('huge.png', Buffer.alloc(61e6))])).rejects.toThrow(
      /61 MB are more than the 60 MB/,
    );
  });
});

describe('grey', () => {
  it('names the next turn by meter, by eye and judges guns', () => {
    const meter =
      'by: meter\nbars:\n  dark: { red: 1.3, green: 1, blue: 1 }\n  bright: { x: 0.3127, y: 0.329, Y: 80 }\n';
    expect(grey.run([file('meter.yaml', meter)])).toMatchObject({
      done: false,
      next: { control: 'red cut-off', rail: 'dark red', now: 1.3 },
    });
    const touched = `${meter}touches:\n  - control: red cut-off\n    turn: -0.25\n    bars: { dark: { red: 1, green: 1, blue: 1 }, bright: { red: 1.01, green: 1, blue: 1 } }\n`;
    expect(grey.run([file('done.yaml', touched)])).toMatchObject({ done: true });
    const eye = 'by: eye\nsteps:\n  - { bar: dark, looks: greenish }\n';
    expect(grey.run([file('eye.yaml', eye)])).toMatchObject({ look: { bar: 'bright' } });
    const guns =
      'by: cathodes\nleast: 55\nred: { cutOff: 130, white: 70 }\ngreen: { cutOff: 130, white: 70 }\nblue: { cutOff: 120, white: 50 }\n';
    expect(grey.run([file('guns.yaml', guns)])).toMatchObject({ weakest: 'blue' });
  });

  it.each([
    ['by: nose', /by is meter, eye, cathodes/],
    ['by: meter', /bars are missing/],
    ['by: meter\nbars: { dark: { red: 1 }, bright: 3 }', /bars\.dark is \{ red, green, blue \}/],
    ['by: meter\nbars: { dark: { x: 0.7, y: 0.4, Y: 3 }, bright: 3 }', /together below 1/],
    ['by: eye\nsteps: [{ bar: dark, looks: rosy }]', /steps\[0\] is \{ bar: dark or bright, looks: reddish/],
    ['by: eye\nsteps: [{ control: green drive, turn: 1 }]', /steps\[0\]\.control is one of red cut-off/],
    ['by: eye\nsteps: [{ control: red drive }]', /steps\[0\]\.turn is how far it was turned/],
    [
      'by: cathodes\nleast: 5\nred: { cutOff: 60, white: 70 }\ngreen: { cutOff: 90, white: 70 }\nblue: { cutOff: 90, white: 70 }',
      /red\.white is below its cutOff|pulled down/,
    ],
    ['by: cathodes\nleast: 5\nred: { cutOff: 60 }', /line \d+/],
    [':', /line|by is missing/],
  ])('refuses %s with where and what would be right', (text, message) => {
    expect(() => grey.run([file('bad.yaml', text)])).toThrow(message);
  });
});

describe('tube', () => {
  it('judges the guns of a file and says what makes a colour weak', () => {
    const text = `good: 3100
guns:
  red: { emission: 900, cutOff: 110, starved: 560, cathode: 60 }
  green: { emission: 3200, cutOff: 112, cathode: 61 }
  blue: { emission: 3000, cutOff: 107, cathode: 59 }`;
    const { guns, weak } = tube.run([file('tube.yaml', text)]) as unknown as {
      guns: { gun: string; worn: number; by: { against: string }[] }[];
      weak: { gun: string; because: string }[];
    };
    expect(guns.find(({ gun }) => gun === 'red')).toMatchObject({
      worn: expect.toSatisfy((worn: number) => worn > 0.95),
    });
    expect(guns.find(({ gun }) => gun === 'red')!.by.map(({ against }) => against)).toContain('its own full heater');
    expect(weak.find(({ gun }) => gun === 'red')!.because).toBe('the gun');
    for (const [bad, message] of [
      ['guns: {}', /guns are red, green and blue, or only/],
      ['guns: { red: { cutOff: 110 } }', /guns.red.emission is missing/],
      ['guns: { red: { emission: -4 } }', /guns.red.emission is 0 or more/],
      ['guns: { only: { emission: 4 }, red: { emission: 4 } }', /leave it out/],
    ] as const)
      expect(() => tube.run([file('bad-tube.yaml', bad)])).toThrow(message);
  });
});

describe('burn-in', () => {
  it('is read off a photograph, its field found', async () => {
    const burn = { left: 0.3, right: 0.6, top: 0.1, bottom: 0.2, loss: 0.2 };
    const { raster } = photographedField([burn], 480, seeded(4));
    const { zones } = (await burnIn.run([
      file('field.png', png({ ...raster, data: new Uint8Array(raster.data) })),
    ])) as unknown as {
      zones: { said: string; loss: { all: number } }[];
    };
    expect(zones).toHaveLength(1);
    expect(zones[0]!.said).toMatch(/^top: (19|20|21) % darker$/);
    await expect(async () => burnIn.run([])).rejects.toThrow('name one picture');
  });
});
