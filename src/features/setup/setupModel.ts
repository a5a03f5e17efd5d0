import { formatQuantity, readTurn, turnWords } from '@/core/quantity';
import { type RailRow, type WalkAsks } from '@/core/setup';
import { type MarkName } from '@/ui';

/** How far a rail is from its target, by size: a negative rail that is too strong is high. */
const beyond = ({ reads = 0, target }: RailRow): number => (reads - target) * Math.sign(target);

export function markOfRail(row: RailRow): MarkName {
  if (row.reads === undefined) return 'unread';
  if (Math.abs(row.reads - row.target) <= row.within) return 'within';
  return beyond(row) > 0 ? 'high' : 'low';
}

/** `3 V low, ±1.85 V allowed`. */
export function offWords(row: RailRow): string {
  const allowed = `±${formatQuantity(row.within, 'V', 3)} allowed`;
  if (row.reads === undefined) return `${formatQuantity(row.target, 'V', 4)}, ${allowed}`;
  const off = beyond(row);
  if (Math.abs(off) <= row.within) return `within, ${allowed}`;
  return `${formatQuantity(Math.abs(off), 'V', 3)} ${off > 0 ? 'high' : 'low'}, ${allowed}`;
}

/** What is asked for, as it is spoken. */
export function askedWords(asks: WalkAsks): string {
  if (asks.do === 'done') return 'All that can be set is set.';
  if (asks.do === 'read') return `Read ${asks.row.step.title}.`;
  return `Turn ${asks.move.control} until it reads ${formatQuantity(asks.move.aim, 'V', 4)}.`;
}

/** A rail on its way to the aim, while its control is turned. */
export interface Approach {
  /** What is left, by size: `1.6 V more`. */
  readonly words: string;
  /** Near enough to let go. */
  readonly there: boolean;
  /** Beyond what it may ever be taken to. */
  readonly past: boolean;
  /** Places on a scale from 0 to 1 with the aim in the middle: of the figure, of how far is near enough, and of the limit. */
  readonly at: number;
  readonly near: number;
  readonly limit: number | undefined;
}

type Turn = Extract<WalkAsks, { do: 'turn' }>;

/** This share of what a rail may be off is near enough to let go of its control. */
const nearEnough = 0.4;
/** The scale shows this much more than the way there, and at least so many of what it may be off. */
const scale = { more: 1.15, least: 4 };

/** How far a rail that reads so many volts is from the aim of its turn. */
export function approachOf({ row, move }: Turn, volts: number): Approach {
  const size = (value: number) => value * Math.sign(row.target);
  const left = size(move.aim) - size(volts);
  const near = nearEnough * row.within;
  const span = Math.max(scale.more * Math.abs(move.aim - move.now), scale.least * row.within);
  const placed = (value: number) => Math.min(1, Math.max(0, 0.5 + (value - size(move.aim)) / span / 2));
  const past = row.limit !== undefined && size(volts) > row.limit;
  const there = Math.abs(left) <= near;
  const way = `${formatQuantity(Math.abs(left), 'V', 2)} ${left > 0 ? 'more' : 'less'}`;
  return {
    words: past ? `Past its limit: ${way}` : there ? 'There: let go' : way,
    there: there && !past,
    past,
    at: placed(size(volts)),
    near: near / span / 2,
    limit: row.limit === undefined || row.limit > size(move.aim) + span ? undefined : placed(row.limit),
  };
}

/** Which way to turn, and how far where turns were counted; undefined where neither is known. */
export function turnSaid({ row, move }: Turn): string | undefined {
  if (move.turn !== undefined) return `about ${turnWords(move.turn)}`;
  if (row.clockwiseRaises === undefined) return undefined;
  return move.aim > move.now === row.clockwiseRaises ? 'clockwise' : 'counter-clockwise';
}

const turnTyped = /^(.*\S)\s+([+−-]?\d+\/\d+|[+−-]\d+(?:[.,]\d+)?)$/;

/**
 * What was typed after a turn, with the turn that was counted: `184.9 1/8`, `184.9 -1/4`.
 *
 * @throws Refusal where what stands last is no turn
 */
export function withTurn(typed: string): { readonly text: string; readonly turn: number | undefined } {
  const [, text, turn] = turnTyped.exec(typed.trim()) ?? [];
  return text === undefined || turn === undefined ? { text: typed, turn: undefined } : { text, turn: readTurn(turn) };
}
