import { type BenchState } from '@/core/log';
import { type JointArea } from '@/core/intermittent';

/** Cells less likely than this share of the likeliest are not painted. */
const faint = 0.08;

/** The cells that are painted, with their share of the likeliest. */
export function likelyCells({ chances, columns, rows }: JointArea) {
  const most = chances.reduce((best, chance) => Math.max(best, chance), 0);
  return Array.from(chances, (chance, cell) => ({
    x: (cell % columns) / columns,
    y: Math.floor(cell / columns) / rows,
    share: chance / most,
  })).filter(({ share }) => share >= faint);
}

/** `upper left`, `middle`, `lower right`. */
export function placeWords(x: number, y: number): string {
  const third = (share: number, names: readonly [string, string, string]) => names[Math.min(2, Math.floor(share * 3))]!;
  const [down, across] = [third(y, ['upper', 'middle', 'lower']), third(x, ['left', 'middle', 'right'])];
  return down === across ? 'The middle' : `${down[0]!.toUpperCase()}${down.slice(1)} ${across}`;
}

/** Why the set answers to no stick and soaks nothing now, and what to do; undefined where it may. */
export const whyNotLive = ({ context }: Pick<BenchState, 'context'>): string | undefined =>
  context.power === 'live' ? undefined : 'By its record the set is off: it answers to nothing (Alt P when power is on)';
