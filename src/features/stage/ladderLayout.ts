import { type Hanging, type Ladder, type Rung, standingOf } from '@/core/circuit';
import { formatQuantity } from '@/core/quantity';

export const size = { width: 880, height: 590, left: 46, right: 20, top: 30, bottom: 16 };
/** Volts around which the scale turns from even steps to even ratios. */
const bend = 3;
/** The scale grows by whole steps of this, so that it stands still while a value is turned. */
const scaleStep = 0.4;

const bent = (volts: number) => Math.asinh(volts / bend);

/** Lowest and highest of what is to be seen, on the bent scale. */
export interface Scale {
  readonly low: number;
  readonly high: number;
}

/** The scale that shows a ladder, what was measured, and as much as a fault or a try would move. */
export function scaleFor(
  ladder: Ladder,
  measured: ReadonlyMap<string, number>,
  predicted: ReadonlyMap<string, number> | undefined,
): Scale {
  const still = [ladder.lowest, ladder.highest, ...measured.values()];
  const [low, high] = [bent(Math.min(...still)), bent(Math.max(...still))];
  const moved = predicted ? [...predicted.values()] : [];
  const beyond = (by: number) => (by > 0 ? Math.ceil(by / scaleStep) * scaleStep : 0);
  return {
    low: low - beyond(low - bent(Math.min(...moved, Infinity))),
    high: high + beyond(bent(Math.max(...moved, -Infinity)) - high),
  };
}

/** A label or a line by its middle and half its size. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly tall: number;
}

const apart = (a: Box, b: Box) => Math.abs(a.x - b.x) >= a.half + b.half || Math.abs(a.y - b.y) >= a.tall + b.tall;

/** The first of the wanted places that lies on nothing, else the last; it is taken from then on. */
function placed(taken: Box[], wanted: readonly Box[]): Box {
  const free = wanted.find((box) => taken.every((one) => apart(one, box))) ?? wanted[wanted.length - 1]!;
  taken.push(free);
  return free;
}

/** Where everything of a ladder stands. */
export interface LadderLayout {
  readonly ticks: readonly number[];
  readonly hanging: readonly { readonly part: Hanging; readonly ends: readonly number[]; readonly box: Box }[];
  readonly named: readonly NamedRung[];
  readonly pitch: number;
  x(slot: number): number;
  y(volts: number): number;
}

/** A rung with its label and what was read of it. */
export interface NamedRung {
  readonly rung: Rung;
  readonly left: number;
  readonly right: number;
  readonly level: number;
  readonly read: number | undefined;
  readonly text: string;
  readonly label: Box;
  readonly mark: 'unread' | ReturnType<typeof standingOf>;
}

/** Lays a ladder out so that no label lies on a rung or on another. */
export function layoutLadder(
  ladder: Ladder,
  measured: ReadonlyMap<string, number>,
  { low, high }: Scale,
): LadderLayout {
  const { rungs, parts } = ladder;
  const y = (volts: number) =>
    size.height - size.bottom - ((bent(volts) - low) / (high - low || 1)) * (size.height - size.top - size.bottom);
  const pitch = (size.width - size.left - size.right) / Math.max(1, parts.length);
  const x = (slot: number) => size.left + (slot + 0.5) * pitch;
  const expected = new Map(rungs.map(({ node, volts }) => [node, volts]));
  const ticks = [-200, -100, -50, -20, -10, -5, 0, 1, 2, 5, 10, 20, 50, 100, 200, 400].filter(
    (volts) => bent(volts) >= low - 0.01 && bent(volts) <= high + 0.01,
  );
  const reach = ({ from, to }: Rung) => ({ left: x(from) - pitch * 0.42, right: x(to) + pitch * 0.42 });
  const taken = rungs.map((rung): Box => {
    const { left, right } = reach(rung);
    return { x: (left + right) / 2, y: y(rung.volts), half: (right - left) / 2, tall: 1.5 };
  });
  const hanging = parts.map((part) => {
    const ends = part.nodes.map((node) => y(expected.get(node)!));
    const middle = (Math.min(...ends) + Math.max(...ends)) / 2;
    const at = { x: x(part.slot), half: 3.2 * part.label.length + 4, tall: 8 };
    const box = placed(
      taken,
      [0, 12, -12, 18, -18, 26, -26, 34].map((shift) => ({ ...at, y: middle + shift })),
    );
    return { part, ends, box };
  });
  const named = rungs.map((rung): NamedRung => {
    const { node, volts } = rung;
    const { left, right } = reach(rung);
    const read = measured.get(node);
    const text = node === '0' ? 'ground' : `${node} ${formatQuantity(read ?? volts, 'V', 3).replace(' V', '')}`;
    const half = 3.1 * text.length + 2;
    const within = (at: number) => Math.min(size.width - half, Math.max(size.left + half, at));
    const level = y(volts);
    const label = placed(
      taken,
      [
        [left + half, -9],
        [left + half, 9],
        [right - half, -9],
        [right - half, 9],
        [left - half - 4, 0],
        [right + half + 4, 0],
        [left + half, -19],
        [left + half, 19],
        [left - half - 4, 12],
        [right + half + 4, 12],
      ].map(([at, shift]) => ({ x: within(at!), y: level + shift!, half, tall: 6 })),
    );
    return {
      rung,
      left,
      right,
      level,
      read,
      text,
      label,
      mark: read === undefined ? ('unread' as const) : standingOf(read, volts),
    };
  });
  return { ticks, hanging, named, pitch, x, y };
}
