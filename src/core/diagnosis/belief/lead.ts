import { sumOf } from '../../statistics';
import { isDamage } from '../../picture';
import { isUnlisted, type Sheet } from '../../sheet';
import { type Observation } from './case';
import { evidenceIn } from './evidence';
import { type Posterior, type Suspect } from './posterior';
import { type SuspectSet } from './several';

/** What is likeliest to be wrong: listed faults that no test tells apart, or something else in a block. */
export interface Lead {
  readonly stated: number;
  readonly faults: ReadonlySet<string>;
  /** The block, where it is something that the sheet does not list. */
  readonly block?: string;
}

/** Suspects, and what they are weighed by. */
type Weighed = Pick<Posterior, 'suspects' | 'hypotheses' | 'weights' | 'logs' | 'observations'>;

/** A suspect as it is told. */
export interface ToldSuspect extends Suspect {
  /**
   * Nothing that was read of the part itself speaks for it: it is told as no likelier than such suspects prove to be, by so
   * much less than it is reckoned.
   */
  readonly unread?: number;
}

/**
 * Suspects of whose own part nothing was read are right about seven times in eight where the reckoning comes to 97 %
 * and more, on simulated sets that are not as their sheet has them: what nobody thought of speaks against them.
 */
const unread = { from: 0.85, slope: 0.3 };

/** Is a suspect told as less likely than it is reckoned, where its part was not read? */
const isTempered = ({ probability, cured }: Suspect): boolean => !cured && probability > unread.from;

/** As likely as a suspect of whose own part nothing was read proves to be. */
const whileUnread = (chance: number): number =>
  chance <= unread.from ? chance : unread.from + unread.slope * (chance - unread.from);

/**
 * Suspects as they are told: what may be unlisted in a block taken together, under the likeliest of its effects, and
 * none as all but certain that was neither seen nor measured itself. Likeliest first.
 */
export function told(posterior: Weighed): ToldSuspect[] {
  const { suspects } = posterior;
  const found = new Map<string, Suspect>();
  for (const suspect of suspects) {
    const { part, id } = suspect.fault;
    const key = isUnlisted(suspect.fault) ? part : id;
    const known = found.get(key);
    found.set(
      key,
      known
        ? { ...known, prior: known.prior + suspect.prior, probability: known.probability + suspect.probability }
        : suspect,
    );
  }
  const all = [...found.values()];
  const isSeen = all.some(isTempered) ? speaksForPart(posterior) : () => true;
  return all
    .map((suspect): ToldSuspect => {
      const { fault, probability } = suspect;
      if (!isTempered(suspect) || isSeen(fault.id)) return suspect;
      const toldAt = whileUnread(probability);
      return { ...suspect, probability: toldAt, unread: probability - toldAt };
    })
    .sort((a, b) => b.probability - a.probability);
}

/**
 * The chance that a repair is the cure, held back as far as the suspect it deals with is.
 *
 * @param suspects as they are told
 * @param cures the ids of the faults it deals with
 * @param chance as it is reckoned
 */
export function toldChance(suspects: readonly ToldSuspect[], cures: readonly string[], chance: number): number {
  const held = suspects.flatMap(({ fault, unread: less }) =>
    less !== undefined && cures.includes(fault.id) ? [less] : [],
  );
  return Math.max(0, chance - Math.max(0, ...held));
}

/** The likeliest set of several faults, as sure as it is told; undefined where none is likely at all. */
export function toldTogether(posterior: Weighed & Pick<Posterior, 'together'>): SuspectSet | undefined {
  const [first] = posterior.together;
  if (!first || first.probability <= unread.from) return first;
  const isSeen = speaksForPart(posterior);
  return first.faults.some(({ id }) => isSeen(id)) ? first : { ...first, probability: whileUnread(first.probability) };
}

/**
 * The likeliest explanation, what has been put right left out. A listed fault is told with all that no test tells
 * from it, something else in its block among them: which of them it is, only a repair shows.
 *
 * @param groups for each fault, those that no test tells from it; each stands by itself where absent
 */
export function leadOf(posterior: Weighed, { parts }: Sheet, groups?: ReadonlyMap<string, ReadonlySet<string>>): Lead {
  const open = posterior.suspects.filter(({ cured }) => !cured);
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
  const none: Lead = { stated: 0, faults: new Set<string>() };
  const lead = leads.reduce((best, one) => (one.stated > best.stated ? one : best), none);
  if (lead.stated <= unread.from) return lead;
  const isSeen = speaksForPart(posterior);
  return [...lead.faults].some(isSeen) ? lead : { ...lead, stated: whileUnread(lead.stated) };
}

/** From so many bits on, a reading of a part speaks for its being at fault. */
const speaks = 1;

/** Does what was seen or measured of the part of a fault itself speak for it? Cracked glass is seen in the picture. */
function speaksForPart(posterior: Weighed): (faultId: string) => boolean {
  const evidenceOf = evidenceIn(posterior);
  const faults = new Map(posterior.suspects.map(({ fault }) => [fault.id, fault]));
  return (id) => {
    const fault = faults.get(id);
    if (!fault) return false;
    const { part, shows } = fault;
    const damage = shows.filter(isDamage);
    const isOf = ({ check, answer }: Observation) =>
      check.point?.parts.includes(part) === true ||
      (answer.kind === 'picture' && answer.symptoms.some((symptom) => damage.includes(symptom)));
    return evidenceOf(id).some(
      ({ observation, bits }) => observation.entry !== undefined && bits >= speaks && isOf(observation),
    );
  };
}
