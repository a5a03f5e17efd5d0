import { existsSync, readFileSync, statSync } from 'node:fs';
import { PNG } from 'pngjs';
import { type Corners } from '@/core/crosshatch';
import { type Raster } from '@/core/plane';
import { Refusal } from '@/core/quantity';

const mostBytes = 60e6;

/**
 * A picture from a PNG file.
 *
 * @throws Refusal where there is none, or it is of another kind, too large or damaged
 */
export function readPicture(file: string): Raster {
  if (!existsSync(file) || !statSync(file).isFile()) throw new Refusal(`${file}: there is no such file`);
  const { size } = statSync(file);
  if (size > mostBytes)
    throw new Refusal(
      `${file}: ${Math.round(size / 1e6)} MB are more than the ${mostBytes / 1e6} MB that are read; make the picture smaller`,
    );
  const bytes = readFileSync(file);
  if (bytes.length === 0) throw new Refusal(`${file}: the file is empty`);
  if (bytes.toString('latin1', 1, 4) !== 'PNG')
    throw new Refusal(`${file}: ${kindOf(bytes)} is not read here; save the picture as PNG`);
  try {
    const { width, height, data } = PNG.sync.read(bytes);
    return { width, height, data };
  } catch {
    throw new Refusal(`${file}: the PNG is damaged; save it anew`);
  }
}

function kindOf(bytes: Buffer): string {
  const head = bytes.toString('latin1', 0, 16);
  if (head.startsWith('\xff\xd8')) return 'a JPEG';
  if (/ftyp(heic|heix|mif1|hevc)/.test(head)) return 'a HEIC picture';
  if (head.startsWith('RIFF')) return 'a WebP picture';
  return 'what is in it';
}

/**
 * Corners as they are typed after --corners; undefined where nothing is.
 *
 * @throws Refusal with what would be right
 */
export function cornersOf(word: string | undefined): Corners | undefined {
  if (word === undefined) return undefined;
  const values = word.split(',').map(Number);
  if (values.length !== 8 || values.some((value) => !Number.isFinite(value)))
    throw new Refusal(
      '--corners are eight numbers, x and y of top left, top right, bottom right, bottom left: 210,180,1830,175,1845,1390,200,1400',
    );
  const [a, b, c, d] = [0, 2, 4, 6].map((at) => ({ x: values[at]!, y: values[at + 1]! }));
  return [a!, b!, c!, d!];
}
