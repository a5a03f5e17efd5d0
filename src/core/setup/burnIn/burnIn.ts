import { type Corners, pictureOf } from '../../crosshatch';
import { blurred, type Plane, type Planes, type Point, sampled } from '../../plane';
import { Refusal } from '../../quantity';
import { median, quantile, sumOf } from '../../statistics';
import { across, down, smoothOf } from './smoothField';

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
