import { replay } from '../../log';
import { sum, sumOf } from '../../statistics';
import { type Case } from '../belief';
import { adviseOn } from './advice';

/** A block the complaint points at. */
export interface Pointed {
  readonly block: string;
  readonly title: string;
  readonly chance: number;
  /** Its likeliest fault. */
  readonly most: string;
}

/** What a complaint points at and what finding out would take. */
export interface Outlook {
  readonly blocks: readonly Pointed[];
  /** Expected minutes to the cure when going straight for repairs; probing shortens it. */
  readonly minutes: number;
  /** Likely money for parts: expected, and what nine of ten such sets stay under. */
  readonly money: number;
  readonly moneyMost: number;
  /** What the boards would fetch. */
  readonly boards: number;
  /** The likeliest fault that this shop has met on such sets before. */
  readonly met: { readonly title: string; readonly count: number; readonly of: number } | undefined;
}

/** What a set that nothing was measured on is likely to be, and what it would take. */
export function outlookOf(told: Pick<Case, 'predictions' | 'complaint' | 'closed' | 'hourlyRate'>): Outlook {
  const { predictions, closed } = told;
  const { sheet } = predictions.model;
  const advice = adviseOn({ ...told, bench: replay([], []) });
  const blocks = new Map<string, { chance: number; most: string; top: number }>();
  for (const { fault, probability } of advice.posterior.suspects) {
    const block = sheet.parts.get(fault.part)!.block;
    const known = blocks.get(block) ?? { chance: 0, most: fault.title, top: 0 };
    blocks.set(block, {
      chance: known.chance + probability,
      most: probability > known.top ? fault.title : known.most,
      top: Math.max(known.top, probability),
    });
  }
  // What a part costs is told; another board is dearer and seldom needed.
  const priced = advice.repairs
    .filter(({ action }) => action.method !== 'swap' && action.method !== 'recap')
    .map(({ action, chance }) => ({ money: action.money, chance }))
    .sort((a, b) => a.money - b.money);
  const all = sumOf(priced, ({ chance }) => chance) || 1;
  let reached = 0;
  const most = priced.find(({ chance }) => (reached += chance / all) >= 0.9)?.money ?? 0;
  const known = advice.posterior.suspects.find(
    ({ fault, probability }) => closed.has(fault.id) && probability > 0.02,
  )?.fault;
  return {
    met: known && {
      title: known.title,
      count: closed.get(known.id)!,
      of: sum(closed.values()),
    },
    blocks: [...blocks]
      .map(([block, { chance, most: fault }]) => ({
        block,
        title: sheet.blocks.get(block)!.title,
        chance,
        most: fault,
      }))
      .sort((a, b) => b.chance - a.chance),
    minutes: Math.min(
      advice.repairNow,
      (advice.probes[0]?.saves ?? 0) > 0 ? advice.repairNow - advice.probes[0]!.saves : advice.repairNow,
    ),
    money: sumOf(priced, ({ money, chance }) => money * (chance / all)),
    moneyMost: most,
    boards: sumOf(sheet.boards.values(), (board) => board.value),
  };
}
