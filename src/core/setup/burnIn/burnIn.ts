import { Matrix, solve } from 'ml-matrix';
import { type Corners, pictureOf } from '../../crosshatch';
import { blurred, type Plane, type Planes, type Point, sampled } from '../../plane';
import { Refusal } from '../../quantity';
import { median, quantile, sumOf } from '../../statistics';

/** A part of the screen that gives less light than what is round it. */
export interface BurntZone {
  /** Where it lies, as shares of the screen from its left and its top. */
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  /** Share of the screen that it covers. */
  readonly covers: number;
  /** Share of the light that is lost there: of all, and of each colour. */
  readonly loss: Readonly<Record<'all' | 'red' | 'green' | 'blue', number>>;
}

export interface BurnIn {
  /** Those that lose most light, by loss and size, first. */
  readonly zones: readonly BurntZone[];
  /** Share of the light by which the rest of the field wavers: no loss near it is told. */
  readonly noise: number;
  /** Below this share no loss is called one. */
  readonly least: number;
}

/** Places that the screen is looked at in, across and down. */
const across = 160;
const down = 120;
/** The rim of the glass is left out: there the tube darkens by itself. */
const rim = 0.03;
/** No smaller loss is told from an uneven lamp or lens. */
const smallest = 0.02;
/** A zone covers at least so much of the screen. */
const leastCover = 0.0015;
/** Zones that are told at most. */
const mostZones = 12;

/** Light from what a picture holds of it: cameras write the 1/2.4th power of it (sRGB). */
const lightOf = (value: number): number => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);

/** The field as it lies on the screen, in logs of light. */
function fieldOf(plane: Plane, onPicture: (place: Point) => Point, factor: number): Float64Array {
  const field = new Float64Array(across * down);
  for (let y = 0; y < down; y += 1)
    for (let x = 0; x < across; x += 1) {
      const u = rim + ((1 - 2 * rim) * (x + 0.5)) / across;
      const v = rim + ((1 - 2 * rim) * (y + 0.5)) / down;
      const at = onPicture({ x: u, y: v });
      const light = lightOf(sampled(plane, at.x / factor - 0.5, at.y / factor - 0.5));
      field[y * across + x] = Math.log(Math.max(light, 1e-4));
    }
  return field;
}

/** Powers of across and down that the lamp, the lens and the tube’s own fall-off are made of: to the fourth together. */
const powers = Array.from({ length: 25 }, (_, i) => [i % 5, Math.floor(i / 5)] as const).filter(([a, b]) => a + b <= 4);
const basis = Array.from({ length: across * down }, (_, at) => {
  const x = (2 * ((at % across) + 0.5)) / across - 1;
  const y = (2 * (Math.floor(at / across) + 0.5)) / down - 1;
  return powers.map(([a, b]) => x ** a * y ** b);
});
const terms = powers.length;
/** Every so many places are enough to fit a smooth surface. */
const everyPlace = 3;

/**
 * The smooth field without its burns: a surface of the fourth power, fitted again and again with ever less weight for what
 * lies below it, since phosphor only loses light.
 */
function smoothOf(field: Float64Array): Float64Array {
  const some = Array.from(field.keys()).filter((at) => at % everyPlace === 0);
  let weights = some.map(() => 1);
  let figures: Float64Array = new Float64Array(terms);
  for (let pass = 0; pass < 12; pass += 1) {
    figures = fitted(field, some, weights);
    const off = some.map((at) => field[at]! - surface(figures, at));
    const width = Math.max(1.48 * median(off.map(Math.abs)), 0.003);
    weights = off.map((by) => (by >= 0 ? 1 / (1 + (by / (3 * width)) ** 2) : 1 / (1 + (by / (1.5 * width)) ** 2) ** 2));
  }
  return field.map((_, at) => surface(figures, at));
}

/** The surface through some places, in weighted least squares. */
function fitted(field: Float64Array, some: readonly number[], weights: readonly number[]): Float64Array {
  const normal = Array.from({ length: terms }, () => new Float64Array(terms));
  const right = new Float64Array(terms);
  some.forEach((at, k) => {
    const row = basis[at]!;
    for (let i = 0; i < terms; i += 1) {
      const weighted = weights[k]! * row[i]!;
      right[i]! += weighted * field[at]!;
      for (let j = 0; j < terms; j += 1) normal[i]![j]! += weighted * row[j]!;
    }
  });
  return Float64Array.from(
    solve(new Matrix(normal.map((row) => [...row])), Matrix.columnVector([...right])).to1DArray(),
  );
}

function surface(figures: Float64Array, at: number): number {
  const row = basis[at]!;
  let value = 0;
  for (let i = 0; i < terms; i += 1) value += figures[i]! * row[i]!;
  return value;
}

/** How much of the light is lost, place by place, and by how much the sound part of the field wavers. */
function lossOf(field: Float64Array): { readonly loss: Plane; readonly noise: number } {
  const smooth = smoothOf(field);
  const values = Float32Array.from(field, (log, at) => 1 - Math.exp(log - smooth[at]!));
  const loss = blurred({ width: across, height: down, values }, 1, 1);
  // Half of a sound field lies above its smooth surface: what is there is noise.
  const above = [...loss.values].filter((one) => one < 0).map((one) => -one);
  return { loss, noise: above.length > 0 ? 1.48 * median(above) : 0 };
}

/** The places that belong together and lose more than `least`. */
function groupsOf({ values }: Plane, least: number): number[][] {
  const seen = new Uint8Array(values.length);
  const groups: number[][] = [];
  for (let start = 0; start < values.length; start += 1) {
    if (seen[start] || values[start]! < least) continue;
    const group = [start];
    seen[start] = 1;
    for (const at of group) {
      const x = at % across;
      for (const next of [x > 0 ? at - 1 : -1, x < across - 1 ? at + 1 : -1, at - across, at + across])
        if (next >= 0 && next < values.length && !seen[next] && values[next]! >= least) {
          seen[next] = 1;
          group.push(next);
        }
    }
    groups.push(group);
  }
  return groups;
}

/**
 * Finds the parts of a screen that have burnt in, on a photograph of an even field. The field is laid flat by the corners of
 * the glass, what lamp, lens and glass make of it is taken off as a smooth surface, and what still lies below is loss.
 *
 * @throws Refusal where the corners do not go round, or the picture is too dark or too bright to tell
 */
export function burnInOf(planes: Planes, corners: Corners): BurnIn {
  const onPicture = pictureOf(corners);
  const colours = (['red', 'green', 'blue'] as const).map(
    (colour) => [colour, fieldOf(planes[colour], onPicture, planes.factor)] as const,
  );
  const lights = colours.map(([, field]) => field.map(Math.exp));
  const all = lights[0]!.map((_, at) => sumOf(lights, (light) => light[at]!) / 3);
  const middle = median([...all]);
  if (middle < 0.02) throw new Refusal('the field is too dark to judge: expose longer, or set it brighter');
  if (all.filter((light) => light > 0.97).length > all.length / 5)
    throw new Refusal('the field is white to its limit in the picture: expose shorter, so that it is a light grey');
  const { loss, noise } = lossOf(all.map(Math.log));
  const least = Math.max(smallest, 4 * noise);
  const ofColour = new Map(
    colours
      .filter(([, field]) => median([...field]) > Math.log(0.01))
      .map(([colour, field]) => [colour, lossOf(field).loss] as const),
  );
  const middleOf = (group: readonly number[], plane: Plane | undefined) =>
    plane ? Math.max(0, median(group.map((at) => plane.values[at]!))) : 0;
  const zones = groupsOf(loss, least)
    .filter((group) => group.length >= leastCover * across * down)
    .map((places): BurntZone => {
      // Half of the depth is where its edge truly lies: the picture blurs it.
      const deep = quantile(
        places.map((at) => loss.values[at]!),
        0.9,
      );
      const group = places.filter((at) => loss.values[at]! >= deep / 2);
      const inner = places.filter((at) => loss.values[at]! >= 0.75 * deep);
      const [xs, ys] = [group.map((at) => at % across), group.map((at) => Math.floor(at / across))];
      const share = (place: number, of: number) => rim + ((1 - 2 * rim) * place) / of;
      return {
        left: share(Math.min(...xs), across),
        right: share(Math.max(...xs) + 1, across),
        top: share(Math.min(...ys), down),
        bottom: share(Math.max(...ys) + 1, down),
        covers: ((1 - 2 * rim) ** 2 * group.length) / (across * down),
        loss: {
          all: middleOf(inner, loss),
          red: middleOf(inner, ofColour.get('red')),
          green: middleOf(inner, ofColour.get('green')),
          blue: middleOf(inner, ofColour.get('blue')),
        },
      };
    })
    .toSorted((a, b) => b.loss.all * b.covers - a.loss.all * a.covers)
    .slice(0, mostZones);
  return { zones, noise, least };
}

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
