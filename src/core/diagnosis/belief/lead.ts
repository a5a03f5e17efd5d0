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
 * The likeliest explanation, what has been put right left out.
 *
 * @param groups for each listed fault, those that no test tells from it; each stands by itself where absent
 */
export function leadOf(
  { suspects }: Pick<Posterior, 'suspects'>,
  { parts }: Sheet,
  groups?: ReadonlyMap<string, ReadonlySet<string>>,
): Lead {
  const open = suspects.filter(({ cured }) => !cured);
  const chances = new Map(open.map(({ fault, probability }) => [fault.id, probability]));
  let lead: Lead = { stated: 0, faults: new Set() };
  const offer = (one: Lead) => {
    if (one.stated > lead.stated) lead = one;
  };
  const blocks = new Map<string, Lead>();
  for (const { fault, probability } of open) {
    if (fault.mode === 'unlisted') {
      const { block } = parts.get(fault.part)!;
      const before = blocks.get(block);
      blocks.set(block, {
        block,
        stated: (before?.stated ?? 0) + probability,
        faults: new Set([...(before?.faults ?? []), fault.id]),
      });
      continue;
    }
    const group = groups?.get(fault.id) ?? new Set([fault.id]);
    let stated = 0;
    for (const id of group) stated += chances.get(id) ?? 0;
    offer({ stated, faults: group });
  }
  for (const block of blocks.values()) offer(block);
  return lead;
}
