import { formatQuantity, readTurn, turnWords } from '@/core/quantity';
import { type RailApproach, type RailRow, type WalkAsks, type Watched } from '@/core/setup';
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
  if (asks.do === 'watch') return `Read ${asks.watched.title}, with the long probe.`;
  return `Turn ${asks.move.control} until it reads ${formatQuantity(asks.move.aim, 'V', 4)}.`;
}

type Turn = Extract<WalkAsks, { do: 'turn' }>;

/** A figure as it might be typed for what is asked. */
export function placeholderOf(asks: Exclude<WalkAsks, { do: 'done' }>): string {
  if (asks.do === 'watch') return formatQuantity(0.95 * asks.watched.limit, 'V', 3).replace(/\s*V$/, '');
  return formatQuantity(asks.do === 'turn' ? asks.move.aim : asks.row.target, 'V', 4).replace(/\s*V$/, '');
}

/** Where what follows a rail may stand at most, and where it is by now, in words. */
export function watchWords({ limit, guessed, about }: Watched): string {
  const most = `${guessed ? 'usually' : ''} ${formatQuantity(limit, 'V', 3)} at most`.trim();
  return about === undefined ? most : `${most}, by reckoning ${formatQuantity(about, 'V', 3)} now`;
}

/** How far it is, in words: `1.6 V more`. */
export function approachWords({ left, there, past }: RailApproach): string {
  const way = `${formatQuantity(Math.abs(left), 'V', 2)} ${left > 0 ? 'more' : 'less'}`;
  if (past) return `Past its limit: ${way}`;
  return there ? 'There: let go' : way;
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
