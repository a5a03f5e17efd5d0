/** One figure a pixel, row by row from the top left. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** A picture as a browser or a decoder gives it: red, green, blue and opacity a pixel, 0 to 255. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** The three colours of a picture, made smaller by a whole factor so that scan lines and moiré of the camera average out. */
export interface Planes {
  readonly red: Plane;
  readonly green: Plane;
  readonly blue: Plane;
  /** Pixels of the picture a pixel of a plane. */
  readonly factor: number;
}

/** Width that a picture is worked at, in pixels, at most. */
const workedAt = 1200;

/** The planes of a picture, at most `workedAt` pixels on the longer side. */
export function planesOf({ width, height, data }: Raster): Planes {
  const factor = Math.max(1, Math.ceil(Math.max(width, height) / workedAt));
  const [across, down] = [Math.floor(width / factor), Math.floor(height / factor)];
  const channels = [0, 1, 2].map((channel): Plane => {
    const values = new Float32Array(across * down);
    for (let y = 0; y < down; y += 1)
      for (let inner = 0; inner < factor; inner += 1) {
        let from = ((y * factor + inner) * width * 4 + channel) | 0;
        for (let x = 0, to = y * across; x < across; x += 1, to += 1)
          for (let more = 0; more < factor; more += 1, from += 4) values[to]! += data[from]!;
      }
    const share = 1 / (255 * factor * factor);
    for (let at = 0; at < values.length; at += 1) values[at]! *= share;
    return { width: across, height: down, values };
  });
  return { red: channels[0]!, green: channels[1]!, blue: channels[2]!, factor };
}

/** The mean of some planes of one size. */
export function meanOf(planes: readonly Plane[]): Plane {
  const { width, height } = planes[0]!;
  const values = new Float32Array(width * height);
  for (const { values: some } of planes) for (let at = 0; at < values.length; at += 1) values[at]! += some[at]!;
  for (let at = 0; at < values.length; at += 1) values[at]! /= planes.length;
  return { width, height, values };
}

/** Each pixel the mean of those within `across` columns and `down` rows of it; at an edge, of those that are there. */
export function blurred(plane: Plane, across: number, down: number): Plane {
  return along(along(plane, across, 1), down, plane.width);
}

function along({ width, height, values }: Plane, reach: number, stride: number): Plane {
  if (reach < 1) return { width, height, values };
  const out = new Float32Array(values.length);
  const byRow = stride === 1;
  const [lines, length, jump] = byRow ? [height, width, width] : [width, height, 1];
  for (let line = 0; line < lines; line += 1) {
    const start = line * jump;
    let sum = 0;
    let count = 0;
    for (let at = 0; at < Math.min(reach, length); at += 1) {
      sum += values[start + at * stride]!;
      count += 1;
    }
    for (let at = 0; at < length; at += 1) {
      const enters = at + reach;
      const leaves = at - reach - 1;
      if (enters < length) {
        sum += values[start + enters * stride]!;
        count += 1;
      }
      if (leaves >= 0) {
        sum -= values[start + leaves * stride]!;
        count -= 1;
      }
      out[start + at * stride] = sum / count;
    }
  }
  return { width, height, values: out };
}

/** What a plane shows between its pixels; outside it, what its edge shows. */
export function sampled({ width, height, values }: Plane, x: number, y: number): number {
  const cx = Math.min(Math.max(x, 0), width - 1.001);
  const cy = Math.min(Math.max(y, 0), height - 1.001);
  const left = Math.floor(cx);
  const top = Math.floor(cy);
  const [fx, fy] = [cx - left, cy - top];
  const at = top * width + left;
  return (
    (values[at]! * (1 - fx) + values[at + 1]! * fx) * (1 - fy) +
    (values[at + width]! * (1 - fx) + values[at + width + 1]! * fx) * fy
  );
}
