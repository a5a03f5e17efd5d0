import { formatQuantity } from '@/core/quantity';
import { type RailRow, type railsWalk } from '@/core/setup';
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
export function askedWords(asks: ReturnType<typeof railsWalk>['asks']): string {
  if (asks.do === 'done') return 'All that can be set is set.';
  if (asks.do === 'read') return `Read ${asks.row.step.title}.`;
  return `Turn ${asks.move.control} until it reads ${formatQuantity(asks.move.aim, 'V', 4)}.`;
}
