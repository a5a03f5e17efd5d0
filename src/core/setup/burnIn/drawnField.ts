import { type Corners, screenOf } from '../../crosshatch';
import { type Raster } from '../../plane';
import { gaussian, type Random } from '../../statistics';

/** A burn as it truly is: an oblong of the screen, in shares of it, and the share of light lost there. */
export interface Burn {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly loss: number;
}

/**
 * Photographs an even field on a burnt tube: askew, darker to its edges by the lens, uneven by the tube itself, with the
 * noise of the camera.
 */
export function photographedField(
  burns: readonly Burn[],
  width: number,
  random: Random,
): { readonly raster: Raster; readonly corners: Corners } {
  const height = Math.round(width * 0.75);
  const draw = (most: number) => most * (2 * random() - 1);
  const near = (x: number, y: number) => ({ x: width * (x + draw(0.03)), y: height * (y + draw(0.03)) });
  const corners: Corners = [near(0.1, 0.1), near(0.9, 0.1), near(0.9, 0.9), near(0.1, 0.9)];
  const onScreen = screenOf(corners);
  const [slopeX, slopeY, lens, tube] = [draw(0.1), draw(0.1), 0.15 + 0.2 * random(), 0.1 * random()];
  const tint = [0.95, 1, 1.05].map((of) => of * (1 + draw(0.05)));
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const { x: u, y: v } = onScreen({ x: x + 0.5, y: y + 0.5 });
      const seen = u >= 0 && u <= 1 && v >= 0 && v <= 1;
      const lost = burns.reduce(
        (left, { left: from, right, top, bottom, loss }) =>
          u >= from && u <= right && v >= top && v <= bottom ? left * (1 - loss) : left,
        1,
      );
      const out = ((x / width - 0.5) ** 2 + (y / height - 0.5) ** 2) * 2;
      const even = 0.4 * (1 + slopeX * (u - 0.5) + slopeY * (v - 0.5)) * (1 - lens * out) * (1 - tube * (u - 0.5) ** 2);
      for (let channel = 0; channel < 3; channel += 1) {
        const light = seen ? even * lost * tint[channel]! * (1 + 0.02 * gaussian(random)) : 0.002;
        const written = light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;
        data[4 * (y * width + x) + channel] = 255 * written;
      }
      data[4 * (y * width + x) + 3] = 255;
    }
  return { raster: { width, height, data }, corners };
}
