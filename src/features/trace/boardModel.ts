import { distanceOf, type Point, type Projection } from '@/core/plane';
import { mean } from '@/core/statistics';
import { isAlone, pinPlaces, type Spot, type Trace, type TracedNet, type TracedPart } from '@/core/tracing';

/** What a pin is drawn as: by what its node turned out to be. */
export type PinLook = 'ground' | 'rail' | 'node' | 'open';

export interface BoardPin {
  readonly spot: Spot;
  readonly at: Point;
  readonly look: PinLook;
  /** Its node’s name; nothing where it is alone. */
  readonly node: string;
}

/** All that the board shows, in shares of its width. */
export interface BoardView {
  readonly pins: readonly BoardPin[];
  /** What belongs together, each node by the shortest way over its pins. */
  readonly wires: readonly { readonly from: Point; readonly to: Point; readonly look: PinLook }[];
  /** Names stand in the middle of their part, or above it where a pin is there. */
  readonly names: readonly { readonly ref: string; readonly at: Point; readonly above: boolean }[];
  /** The pins to beep or to look at next, as far as they lie somewhere. */
  readonly next: readonly BoardPin[];
}

const middleOf = (points: readonly Point[]): Point => ({
  x: mean(points.map(({ x }) => x)),
  y: mean(points.map(({ y }) => y)),
});

/** Prim’s tree: the shortest lines that join all pins of a node. */
function joined(pins: readonly BoardPin[]): BoardView['wires'] {
  const [first, ...rest] = pins;
  if (!first) return [];
  const [reached, left] = [[first], new Set(rest)];
  const wires: BoardView['wires'][number][] = [];
  while (left.size > 0) {
    let best: { from: BoardPin; to: BoardPin; far: number } | undefined;
    for (const from of reached)
      for (const to of left) {
        const far = distanceOf(from.at, to.at);
        if (!best || far < best.far) best = { from, to, far };
      }
    wires.push({ from: best!.from.at, to: best!.to.at, look: best!.from.look });
    reached.push(best!.to);
    left.delete(best!.to);
  }
  return wires;
}

/** What the board shows of a trace. @param pointed where to put the leads next */
export function boardOf({ parts, board }: Trace, net: TracedNet, pointed: readonly Spot[]): BoardView {
  const laid = parts
    .map((part) => ({ part, places: pinPlaces(part, board.shown.get(part.ref) ?? []) }))
    .filter(({ places }) => places.size > 0);
  const pins = laid
    .flatMap(({ places }) => [...places])
    .map(([spot, at]): BoardPin => {
      const placed = net.nodeOf.get(spot)!;
      const { name } = placed;
      const look = name === 'gnd' ? 'ground' : /^[+-]/.test(name) ? 'rail' : isAlone(placed) ? 'open' : 'node';
      return { spot, at, look, node: look === 'open' ? '' : name };
    });
  const byNode = new Map<string, BoardPin[]>();
  for (const pin of pins) if (pin.node !== '') byNode.set(pin.node, [...(byNode.get(pin.node) ?? []), pin]);
  return {
    pins,
    wires: [...byNode.values()].flatMap(joined),
    names: laid.map(({ part, places }) => ({
      ref: part.ref,
      at: middleOf([...places.values()]),
      above: places.size % 2 === 1,
    })),
    next: pins.filter(({ spot }) => pointed.includes(spot)),
  };
}

/** Parts that lie nowhere yet, the one that was typed last first. */
export const unplacedOf = ({ parts, board }: Trace): readonly TracedPart[] =>
  parts.filter((part) => pinPlaces(part, board.shown.get(part.ref) ?? []).size === 0).reverse();

/** The pin nearest to a place, within a reach. */
export function pinNear(pins: readonly BoardPin[], place: Point, reach: number): BoardPin | undefined {
  const [nearest] = pins
    .map((pin) => ({ pin, far: distanceOf(pin.at, place) }))
    .filter(({ far }) => far <= reach)
    .sort((a, b) => a.far - b.far);
  return nearest?.pin;
}

/** How another part of its make was shown last; undefined where it is the first of them. */
export function shownLike(part: TracedPart, { parts, board }: Trace): readonly Point[] | undefined {
  const alike = parts.filter(
    ({ ref, kind, pins }) => ref !== part.ref && kind === part.kind && pins.length === part.pins.length,
  );
  const refs = new Set(alike.map(({ ref }) => ref));
  return [...board.shown].findLast(([ref]) => refs.has(ref))?.[1];
}

/** A photograph laid on another: heights as shares of the width, the width of the plane in pixels. */
export interface Laid {
  readonly projection: Projection;
  readonly seenHigh: number;
  readonly high: number;
  readonly width: number;
}

/** The transformation, as style sheets write it, of a picture that fills the plane to where it is laid. */
export function laidTransform({ projection, seenHigh, high, width }: Laid): string {
  const [a, b, c, d, e, f, g, h, i] = projection.figures as [number, ...number[]];
  const stretch = seenHigh / high;
  const columns = [
    [a, d, 0, g! / width],
    [b! * stretch, e! * stretch, 0, (h! * stretch) / width],
    [0, 0, 1, 0],
    [c! * width, f! * width, 0, i],
  ];
  return `matrix3d(${columns.flat().join(', ')})`;
}
