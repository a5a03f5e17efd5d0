import { partKinds } from '../../parts';
import { formatQuantity, instruments, leadOhms, toleranceWidth } from '../../quantity';
import { type Component, type Expectation, number, settled } from '../expectation';
import { type MeasuredPart, type NumberWay } from '../way';

/** Ohms of a capacitor that neither leaks nor is shorted, once it has charged. */
const chargedOhms = 4e6;
/** A rail's load varies from set to set. */
const railOhms = 1e4;
/** A part of fewer ohms is a link, a winding or a fuse: its leads are part of what is read. */
const few = 20;
/** What leads and contacts add to few ohms, and how much that differs, in ohms. */
const usualLeads = 0.15;
const leadsSpread = 0.2;
/** Carbon resistors of the age these sets are, where nothing else is marked. */
const usualTolerance = { relative: 0.05 };
/** What is marked in nothing, as a chip from its supply pin to ground, reads this much more or less from set to set, in decades. */
const unmarkedSpread = 0.12;
/** What is not marked in ohms and reads more than this lets nothing through. */
const insulates = 1e6;

/** A resistor that has failed may read anything above its mark: this much of the time it is far from what is usual. */
const farOff = 0.25;

/** A failed part: as usual, or where it is marked in ohms at any degree about a value, spread by so many decades. */
function byDegrees({ kind }: MeasuredPart, usual: Component, about: number, decades: number): Expectation {
  if (partKinds[kind].marked !== 'Ω') return number('log', usual);
  return number('log', { ...usual, chance: usual.chance * (1 - farOff) }, settled(about, decades, farOff));
}

/** An open part reads what lies beside it: this much of the time that is finite, of a resistor and of anything else. */
const besideOpen = { resistor: farOff, other: 0.1 };
/** What lies beside an open part is so many times its own ohms at least, and this many ohms at most. */
const besideLeast = 10;
const besideMost = 2e7;

/** An open part as it reads in circuit. */
function opened({ kind }: MeasuredPart, good: number): Expectation {
  const chance = partKinds[kind].marked === 'Ω' ? besideOpen.resistor : besideOpen.other;
  const least = besideLeast * Math.max(good, 1);
  // Anything between the two about alike: as wide a spread as an even one has, or half a decade.
  const decades = Math.max(0.5, Math.log10(besideMost / least) / Math.sqrt(12));
  return number('log', settled(Infinity, 0.3, 1 - chance), settled(Math.sqrt(least * besideMost), decades, chance));
}

/** What a leak lets through, in ohms, and by how many decades that differs. */
const leak = { about: 2000, decades: 0.5 };

/** A part with a leak across it: read in parallel, so that few ohms hardly tell it. */
function leaking(good: number): Component {
  if (good === Infinity) return settled(leak.about, leak.decades);
  const share = good / (good + leak.about);
  return settled(leak.about * share, Math.hypot(0.012, leak.decades * share));
}

/** What a good part reads, in ohms. */
export function goodOhms({ kind, size, given }: MeasuredPart): number {
  if (given !== undefined) return given;
  const { ohms: atRest } = partKinds[kind];
  if (atRest === 'none') return Infinity;
  return atRest === 'charged' ? chargedOhms : (size ?? 0.1);
}

/** Is a part marked neither in ohms nor with how far it may be off? */
const isUnmarked = ({ kind, tolerance }: MeasuredPart): boolean =>
  partKinds[kind].marked !== 'Ω' && tolerance === undefined;

export const ohms: NumberWay = {
  kind: 'number',
  title: 'ohms',
  words: ['ohms'],
  example: '4k7',
  unit: 'Ω',
  instrument: 'multimeter',
  scale: 'log',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  positive: true,
  /** Cold resistance of a rail to its ground: a fixed load, or next to nothing where something joined to it is shorted. */
  ofNet: ({ given, shortedHere }) => number('log', shortedHere ? settled(0.7, 0.3) : settled(given ?? railOhms, 0.12)),
  /**
   * Resistance in circuit. Paths in parallel can only lower it, so a good part has a tail towards
   * low readings and none towards high ones.
   */
  ofPart(part, mode) {
    const good = goodOhms(part);
    // What lets nothing through when it is good tells no more than a short or a leak.
    if (good === Infinity && mode !== 'short' && mode !== 'leaky') return number('log', settled(Infinity, 0.3));
    if (mode === 'open' || mode === 'cracked' || mode === 'worn' || mode === 'missing') return opened(part, good);
    if (mode === 'short') return number('log', settled(0.4, 0.3));
    if (mode === 'leaky') return number('log', leaking(good));
    if (mode === 'drifted') return byDegrees(part, settled(good * 2.2, 0.12), good * 5, 0.5);
    if (good >= chargedOhms) return number('log', settled(good, 0.6));
    if (good < few) {
      const withLeads = good + usualLeads;
      const spread = Math.hypot(0.05, (leadsSpread / withLeads) * Math.LOG10E);
      return number('log', settled(good, 0.06, 0.55), settled(withLeads, spread, 0.45));
    }
    return number('log', settled(good, isUnmarked(part) ? unmarkedSpread : 0.012, 0.9), settled(good * 0.6, 0.16, 0.1));
  },
  netLimits: (_, nominal) => ({ deadBelow: 4, lowBelow: 0.35 * nominal, highAbove: 3 * nominal }),
  partLimits(part, nominal) {
    const { kind, tolerance = usualTolerance } = part;
    if (partKinds[kind].marked !== 'Ω') {
      if (nominal >= insulates) return { deadBelow: 4, lowBelow: 1e5, highAbove: Infinity };
      if (nominal < few)
        return { deadBelow: 0, lowBelow: nominal < 2 ? 0 : 0.6 * nominal, highAbove: nominal * 1.35 + 0.5 };
      if (isUnmarked(part))
        return { deadBelow: Math.min(4, 0.1 * nominal), lowBelow: nominal / 2, highAbove: nominal * 2 };
    }
    const width = toleranceWidth(tolerance, nominal) + instruments.multimeter.share * nominal + leadOhms;
    return {
      deadBelow: Math.min(4, 0.1 * nominal),
      lowBelow: Math.max(0, nominal - width),
      highAbove: nominal + width,
    };
  },
  lowProvesNothing: true,
  dead: 'shorted',
  expected({ nominal, lowBelow, highAbove }, onNet) {
    if (highAbove === Infinity) return `over ${formatQuantity(lowBelow, 'Ω', 2)}`;
    if (lowBelow === 0) return `under ${formatQuantity(highAbove, 'Ω', 2)}`;
    return onNet || highAbove >= 2 * nominal ? `about ${formatQuantity(nominal, 'Ω', 2)}` : undefined;
  },
  beyondRange: 'ranged',
};
