import { formatQuantity } from '../quantity';
import { sumOf } from '../statistics';
import { type CircuitFaultMode } from './elements';
import { type CircuitFault } from './faults';
import { type Circuit } from './netlist';

/** A fault of a circuit as it is weighed by what was measured. */
interface Weighed {
  readonly fault: CircuitFault;
  readonly probability: number;
  /** Faults of one group no reading so far tells apart. */
  readonly group: number;
}

/** A way for a part to have failed, the steps of one drift taken together. */
export interface PartSuspect<Suspect extends Weighed = Weighed> {
  readonly words: string;
  /** Ohms it has drifted to, beside those it should have. */
  readonly drift?: { readonly ohms: number; readonly nominal: number };
  readonly probability: number;
  /** The likeliest of what was taken together. */
  readonly leading: Suspect;
  /** Others that no reading so far tells from it. */
  readonly alike: readonly string[];
}

/** What a part has drifted from and to: `12 kΩ → about 26 kΩ`. */
export const driftText = ({ ohms, nominal }: NonNullable<PartSuspect['drift']>): string =>
  `${formatQuantity(nominal, 'Ω', 3)} → about ${formatQuantity(ohms, 'Ω', 2)}`;

const legs: Readonly<Record<string, string>> = {
  b: 'base',
  c: 'collector',
  e: 'emitter',
  d: 'drain',
  g: 'gate',
  s: 'source',
};

/** A fault in words: `R201 drifted high`, `Q2 shorted, collector to emitter`. */
export function faultWords({ ref, mode, factor }: CircuitFault): string {
  const [kind, pair = ''] = mode.split('-') as [CircuitFaultMode, string?];
  const named = [...pair].map((letter) => legs[letter] ?? letter);
  if (mode === 'value') return `${ref} drifted ${factor! > 1 ? 'high' : 'low'}`;
  if (mode === 'dry') return `${ref} dried out`;
  if (kind === 'short') return named.length === 0 ? `${ref} shorted` : `${ref} shorted, ${named.join(' to ')}`;
  return named.length === 0 ? `${ref} open, or its joint` : `${ref} open at the ${named[0]}, or its joint`;
}

/** Less likely than this a fault is not named beside another that reads the same. */
const worthNaming = 0.01;

/**
 * Suspects by part and way of failing, likeliest first.
 *
 * @param nothing chance that all is within tolerance; what is left is shared among the suspects
 */
export function partSuspects<Suspect extends Weighed>(
  suspects: readonly Suspect[],
  nothing: number,
  { elements }: Circuit,
): readonly PartSuspect<Suspect>[] {
  const together = new Map<string, Suspect[]>();
  for (const suspect of suspects) {
    const words = faultWords(suspect.fault);
    together.set(words, [...(together.get(words) ?? []), suspect]);
  }
  const found = [...together].map(([words, members]) => {
    const sum = sumOf(members, ({ probability }) => probability);
    const leading = members.reduce((best, one) => (one.probability > best.probability ? one : best));
    const element = elements.find(({ label }) => label === leading.fault.ref);
    const drift =
      leading.fault.mode === 'value' && element?.kind === 'r'
        ? {
            nominal: element.value,
            ohms:
              element.value *
              Math.exp(sumOf(members, ({ fault, probability }) => probability * Math.log(fault.factor!)) / sum),
          }
        : undefined;
    return { words, probability: sum * (1 - nothing), leading, ...(drift ? { drift } : {}) };
  });
  found.sort((a, b) => b.probability - a.probability);
  return found.map((one) => ({
    ...one,
    alike: found.flatMap((other) =>
      other !== one && other.leading.group === one.leading.group && other.probability > worthNaming
        ? [other.words]
        : [],
    ),
  }));
}
