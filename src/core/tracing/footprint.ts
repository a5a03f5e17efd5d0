import { type Point } from '../plane';
import { isBody, nearPins, type Spot, type TracedPart } from './part';

/** How the pins of a part are shown on a board: each by itself, or in one row or two, of which only ends are shown. */
type Footprint = 'each' | 'row' | 'rows';

/** Chips of so many pins at least stand in two rows. */
const fewestInRows = 6;

function footprintOf(part: TracedPart): Footprint {
  const { ref, pins } = part;
  if (!isBody(part)) return 'each';
  return /^(?:IC|U)\d/.test(ref) && pins.length >= fewestInRows && pins.length % 2 === 0 ? 'rows' : 'row';
}

/** The pins that are shown of a part, in the order they are asked for; of a row its ends, of two rows three corners. */
export function shownPins(part: TracedPart): readonly string[] {
  const pins = nearPins(part);
  const last = pins[pins.length - 1]!;
  switch (footprintOf(part)) {
    case 'each':
      return pins;
    case 'row':
      return [pins[0]!, last];
    case 'rows':
      return [pins[0]!, pins[pins.length / 2 - 1]!, last];
  }
}

const between = (a: Point, b: Point, share: number): Point => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
});

/**
 * Where all pins of a part on this board lie, from those that were shown; nothing as long as one of them is missing.
 * Two rows are counted round, as chips are: down the one and back up the other.
 */
export function pinPlaces(part: TracedPart, shown: readonly Point[]): ReadonlyMap<Spot, Point> {
  const { ref } = part;
  const pins = nearPins(part);
  const [first, second, third] = shown;
  if (!first || shown.length < shownPins(part).length) return new Map();
  const at = (pin: number): Point => {
    if (footprintOf(part) === 'each') return shown[pin]!;
    if (footprintOf(part) === 'row') return between(first, second!, pin / (pins.length - 1));
    const half = pins.length / 2;
    const across = { x: third!.x - first.x, y: third!.y - first.y };
    const along = (step: number) => between(first, second!, step / (half - 1));
    if (pin < half) return along(pin);
    const opposite = along(pins.length - 1 - pin);
    return { x: opposite.x + across.x, y: opposite.y + across.y };
  };
  return new Map(pins.map((pin, index) => [`${ref}.${pin}`, at(index)]));
}

/** What was shown of another part of its make, moved so that the first pin lies where this one’s does. */
export const laidLike = (first: Point, shown: readonly Point[]): readonly Point[] =>
  shown.map(({ x, y }) => ({ x: first.x + x - shown[0]!.x, y: first.y + y - shown[0]!.y }));

/** A part turned by a quarter, clockwise, about its first pin. */
export const turnedQuarter = ([first, ...others]: readonly Point[]): readonly Point[] =>
  first ? [first, ...others.map(({ x, y }) => ({ x: first.x - (y - first.y), y: first.y + (x - first.x) }))] : [];
