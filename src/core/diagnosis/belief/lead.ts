import { sumOf } from '../../statistics';
import { type Sheet } from '../../sheet';
import { type Posterior, type Suspect } from './posterior';

/** What is likeliest to be wrong: listed faults that no test tells apart, or something else in a block. */
export interface Lead {
  readonly stated: number;
  readonly faults: ReadonlySet<string>;
  /** The block, where it is something that the sheet does not list. */
  readonly block?: string;
}

/**
 * Suspects as they are told: what may be unlisted in a block taken together, under the likeliest of its effects.
 * Likeliest first.
 */
export function told(suspects: readonly Suspect[]): Suspect[] {
  const found = new Map<string, Suspect>();
  for (const suspect of suspects) {
    const key = suspect.fault.mode === 'unlisted' ? suspect.fault.part : suspect.fault.id;
    const known = found.get(key);
    found.set(
      key,
      known
        ? { ...known, prior: known.prior + suspect.prior, probability: known.probability + suspect.probability }
        : suspect,
    );
  }
  return [...found.values()].sort((a, b) => b.probability - a.probability);
}

/**
 * The likeliest explanation, what has been put right left out. A listed fault is told with all that no test tells
 * from it, something else in its block among them: which of them it is, only a repair shows.
 *
 * @param groups for each fault, those that no test tells from it; each stands by itself where absent
 */
export function leadOf(
  { suspects }: Pick<Posterior, 'suspects'>,
  { parts }: Sheet,
  groups?: ReadonlyMap<string, ReadonlySet<string>>,
): Lead {
  const open = suspects.filter(({ cured }) => !cured);
  const chances = new Map(open.map(({ fault, probability }) => [fault.id, probability]));
  const blocks = new Map<string, Lead>();
  for (const { fault, probability } of open) {
    if (fault.mode !== 'unlisted') continue;
    const { block } = parts.get(fault.part)!;
    const { stated, faults } = blocks.get(block) ?? { stated: 0, faults: [] };
    blocks.set(block, { block, stated: stated + probability, faults: new Set([...faults, fault.id]) });
  }
  const leads = [
    ...open
      .filter(({ fault }) => fault.mode !== 'unlisted')
      .map(({ fault: { id } }): Lead => {
        const faults = groups?.get(id) ?? new Set([id]);
        return { stated: sumOf(faults, (one) => chances.get(one) ?? 0), faults };
      }),
    ...blocks.values(),
  ];
  return leads.reduce((best, one) => (one.stated > best.stated ? one : best), { stated: 0, faults: new Set<string>() });
}
