import { type Corners } from '../../crosshatch';
import { blurred, type Planes } from '../../plane';
import { Refusal } from '../../quantity';

/**
 * The corners of a bright field in a picture: the outermost places that are at least half as bright as most of it.
 *
 * @throws Refusal where there is no bright field
 */
export function fieldCorners({ red, green, blue, factor }: Planes): Corners {
  const { width, height } = green;
  const bright = Float32Array.from(green.values, (value, at) => Math.max(value, red.values[at]!, blue.values[at]!));
  const smooth = blurred({ width, height, values: bright }, 2, 2);
  const ordered = Float32Array.from(smooth.values).sort();
  const top = ordered[Math.floor(0.9 * ordered.length)]!;
  if (top < 0.1) throw new Refusal('there is no bright field in the picture: show a white or grey field in a dim room');
  const best = [Infinity, -Infinity, -Infinity, Infinity].map((sum) => ({ sum, x: 0, y: 0 }));
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      if (smooth.values[y * width + x]! < top / 2) continue;
      const sums = [x + y, x - y, x + y, x - y] as const;
      sums.forEach((sum, i) => {
        const better = i === 0 || i === 3 ? sum < best[i]!.sum : sum > best[i]!.sum;
        if (better) best[i] = { sum, x, y };
      });
    }
  return best.map(({ x, y }) => ({ x: (x + 0.5) * factor, y: (y + 0.5) * factor })) as unknown as Corners;
}
