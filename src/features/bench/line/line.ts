import { type MarkName } from '@/ui';

/** A laid-out line, plain enough to be sent to the browser. */
export interface Line {
  readonly width: number;
  readonly height: number;
  readonly blocks: readonly LineBlock[];
  readonly wires: readonly LineWire[];
  /** The block drawn as a plug. */
  readonly plug: string | undefined;
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
}

/** The middle of the longest level stretch of a wire, where a bead has room for its figure. */
export function beadPlace(wire: LineWire): { x: number; y: number } {
  let best = { x: wire.points[0]?.[0] ?? 0, y: wire.points[0]?.[1] ?? 0 };
  let longest = -1;
  wire.points.slice(1).forEach(([x, y], index) => {
    const [fromX, fromY] = wire.points[index]!;
    const length = Math.abs(x - fromX);
    if (y === fromY && length > longest) {
      longest = length;
      best = { x: (x + fromX) / 2, y };
    }
  });
  return best;
}

/** An SVG path through the points of a wire. */
export function wirePath(wire: LineWire): string {
  return wire.points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' ');
}
