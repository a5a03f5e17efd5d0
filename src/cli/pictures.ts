import { existsSync, readFileSync, statSync } from 'node:fs';
import { type Metadata } from 'sharp';
import { type Corners } from '@/core/crosshatch';
import { type Raster } from '@/core/plane';
import { Refusal } from '@/core/quantity';

const mostBytes = 60e6;
const mostPixels = 60e6;

/** Kinds of pictures that are read. */
const readable: ReadonlySet<string | undefined> = new Set(['png', 'jpeg', 'webp']);

/**
 * A picture from a PNG, JPEG or WebP file, turned as the camera was held.
 *
 * @throws Refusal where there is none, or it is of another kind, too large or damaged
 */
export async function readPicture(file: string): Promise<Raster> {
  if (!existsSync(file) || !statSync(file).isFile()) throw new Refusal(`${file}: there is no such file`);
  const { size } = statSync(file);
  if (size > mostBytes)
    throw new Refusal(
      `${file}: ${Math.round(size / 1e6)} MB are more than the ${mostBytes / 1e6} MB that are read; make the picture smaller`,
    );
  const bytes = readFileSync(file);
  if (bytes.length === 0) throw new Refusal(`${file}: the file is empty`);
  // Only what reads pictures waits for it.
  const { default: sharp } = await import('sharp');
  const unknown = (): Partial<Metadata> => ({});
  const { format, width = 0, height = 0 } = await sharp(bytes).metadata().catch(unknown);
  if (!readable.has(format))
    throw new Refusal(`${file}: ${kindOf(bytes)} is not read here; save the picture as JPEG, PNG or WebP`);
  if (width * height > mostPixels)
    throw new Refusal(
      `${file}: a picture of ${Math.round((width * height) / 1e6)} million points is more than the ${mostPixels / 1e6} million that are read; make it smaller`,
    );
  try {
    const { data, info } = await sharp(bytes, { failOn: 'truncated' })
      .autoOrient()
      .toColourspace('srgb')
      .ensureAlpha()
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    return { width: info.width, height: info.height, data };
  } catch {
    throw new Refusal(`${file}: the ${format!.toUpperCase()} is damaged; save it anew`);
  }
}

function kindOf(bytes: Buffer): string {
  const head = bytes.toString('latin1', 0, 16);
  if (/ftyp(heic|heix|mif1|hevc)/.test(head)) return 'a HEIC picture';
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
