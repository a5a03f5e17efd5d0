import { sumOf } from '@/core/statistics';
import { type MarkName } from '@/ui';

/** A laid-out line, plain enough to be sent to the browser. */
export interface Line {
  readonly width: number;
  readonly height: number;
  readonly blocks: readonly LineBlock[];
  readonly wires: readonly LineWire[];
  /** The block drawn as a plug. */
  readonly plug: string | undefined;
  /** Where the isolation barrier crosses it, from the left. */
  readonly barrier: number | undefined;
}

export interface LineBlock {
  readonly id: string;
  readonly title: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface LineWire {
  readonly net: string;
  readonly points: readonly (readonly [number, number])[];
}

/** A place on a wire where the meter has been. */
export interface Bead {
  readonly net: string;
  readonly mark: MarkName;
  readonly text: string;
  readonly x: number;
  readonly y: number;
  /** The figure stands under the bead, not over it. */
  readonly below: boolean;
}

type Place = Pick<Bead, 'x' | 'y' | 'below'>;

/** Half the width of a bead's figure, and how far it reaches from the bead. */
const figure = { half: 23, far: 20 };

/** What a bead takes up: with its figure when it was read, else little more than itself. */
function roomOf({ x, y, below }: Place, read: boolean) {
  if (!read) return { left: x - 5, right: x + 5, top: y - 5, bottom: y + 5 };
  return {
    left: x - figure.half,
    right: x + figure.half,
    top: below ? y - 8 : y - figure.far,
    bottom: below ? y + figure.far : y + 8,
  };
}

type Box = ReturnType<typeof roomOf>;

/** The area two boxes share. */
const shared = (a: Box, b: Box) =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top));

/** The first candidate that covers nothing, else the one that covers least. */
function leastCrowded(candidates: readonly Place[], covered: (place: Place) => number): Place | undefined {
  let best: Place | undefined;
  let least = Infinity;
  for (const candidate of candidates) {
    const area = covered(candidate);
    if (area < least) [best, least] = [candidate, area];
    if (area === 0) break;
  }
  return best;
}

/**
 * Places a bead on each net: on the longest level stretch of its wires where neither it nor its
 * figure lies on a block, another bead or another figure. Those that were read choose first.
 *
 * @param read nets with a figure to show
 */
export function placeBeads(
  wires: readonly LineWire[],
  blocks: readonly LineBlock[],
  read: ReadonlySet<string>,
): Map<string, Place> {
  const stretches = new Map<string, { from: number; to: number; y: number }[]>();
  for (const { net, points } of wires) {
    const level = stretches.get(net) ?? [];
    stretches.set(net, level);
    points.slice(1).forEach(([x, y], index) => {
      const [fromX, fromY] = points[index]!;
      if (y !== fromY) return;
      const last = level[level.length - 1];
      if (last?.y === y && last.to === fromX) last.to = x;
      else level.push({ from: Math.min(x, fromX), to: Math.max(x, fromX), y });
    });
  }
  const taken: Box[] = blocks.map(({ x, y, width, height }) => ({
    left: x,
    right: x + width,
    top: y,
    bottom: y + height,
  }));
  const places = new Map<string, Place>();
  const inTurn = [...stretches].sort(([a], [b]) => Number(read.has(b)) - Number(read.has(a)));
  for (const [net, level] of inTurn) {
    const longestFirst = [...level].sort((a, b) => b.to - b.from - (a.to - a.from));
    const candidates = longestFirst.flatMap(({ from, to, y }) =>
      [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.1, 0.9].flatMap((share): Place[] =>
        [false, true].map((below) => ({ x: from + (to - from) * share, y, below })),
      ),
    );
    const place = leastCrowded(candidates, (one) => {
      const room = roomOf(one, read.has(net));
      return sumOf(taken, (box) => shared(box, room));
    });
    if (!place) continue;
    taken.push(roomOf(place, read.has(net)));
    places.set(net, place);
  }
  return places;
}

/** An SVG path through the points of a wire. */
export function wirePath(wire: LineWire): string {
  return wire.points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' ');
}
