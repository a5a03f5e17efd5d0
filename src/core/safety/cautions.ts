import { provenBelow } from '../log';
import { type Check, type Context } from '../behaviour';
import { type Symptom } from '../picture';
import { familyOf, type Sheet, type Store } from '../sheet';

/** The discharge tool a bench is taken to have: a wire-wound resistor with insulated leads. */
export const dischargeTool = { ohms: 2200, watts: 25 };

/** The standing note: what Tovrik does not stand above. */
export const deference =
  "Local codes and licensed practice come first, and the maker's service literature decides. Figures here are measurements, not permission.";

/** Stores that still have to be measured, the most energetic first. */
export function storesToProve(
  sheet: Sheet,
  proven: readonly { readonly store: string; readonly volts: number }[],
): Store[] {
  const low = new Set(proven.filter(({ volts }) => Math.abs(volts) < provenBelow).map(({ store }) => store));
  return [...sheet.stores.values()]
    .filter((store) => !low.has(store.id))
    .sort((a, b) => b.farads * b.volts ** 2 - a.farads * a.volts ** 2);
}

/** How a tube's anode is discharged, step by step; none where the set has no tube. */
export function anodeSteps({ technology }: Sheet): readonly string[] {
  return familyOf(technology) === 'tube'
    ? [
        'Clip the high-voltage probe, or its resistor, to the braid of the tube first.',
        'Under the anode cap with the other end, one hand, and hold it there for some seconds.',
        'Measure. Wait a minute: the glass gives charge back. Discharge and measure once more.',
      ]
    : [];
}

/** What to mind at a change of power. */
export function powerCaution(power: 'live' | 'unplugged'): string {
  return power === 'live'
    ? 'Where the history is unknown: lamp in series, hands off, eyes on the set. A dot or a single bright line is switched off at once.'
    : 'The reservoir holds mains peak until it has been discharged through a resistor and measured, longest in a set that does not start.';
}

/** A picture that must not be left standing. */
export function pictureCaution(symptoms: readonly Symptom[]): string | undefined {
  const burning: readonly Symptom[] = ['dot', 'horizontal_line', 'vertical_line'];
  return symptoms.some((symptom) => burning.includes(symptom))
    ? 'Turn the brightness down or switch off at once: a dot or a single bright line burns the phosphor.'
    : undefined;
}

/**
 * The cautions that matter at the moment of a check, most serious first.
 *
 * @param context of the bench now, not the one the check needs
 */
export function cautionsFor(sheet: Sheet, check: Check, context: Context): string[] {
  const found: string[] = [];
  const tube = familyOf(sheet.technology) === 'tube';
  const net = check.point?.net === undefined ? undefined : sheet.nets.get(check.point.net);
  if (net?.signal === 'eht') {
    found.push(
      'Tens of kilovolts: only with a probe made for it, its lead clipped to the tube braid first. Never raise high voltage beyond the maker’s limit: X-radiation rises steeply with it.',
    );
  } else if (check.ground === 'hot' && check.state === 'live') {
    found.push(
      'Hot side: black lead on the mains-side ground, isolating transformer in, one hand. The transformer does not make it harmless.',
    );
  } else if (check.ground === 'hot') {
    found.push('Hot side: the reservoir holds mains peak until it has been measured.');
  }
  if (check.ground === 'floating')
    found.push('This side floats: black lead on its own ground pad, never on the frame.');
  if (check.state === 'live' && check.danger === 2) found.push('One hand only: this point is live.');
  if (check.measure === 'press') found.push('Insulated stick, one hand, never alone.');
  if (check.measure === 'swap' && context.power === 'live') found.push('Unplug before moving connectors.');
  if (check.state === 'cold' && context.power === 'live') {
    found.push(
      'Unplug, discharge through a resistor with insulated leads, then measure to prove it. A set that does not start is the dangerous one: nothing drains it.',
    );
  } else if (check.state === 'cold' && context.power === 'unplugged') {
    found.push(
      tube
        ? 'Not proven: the tube recovers charge after a minute, so discharge it twice.'
        : 'Not proven: measure each store before touching.',
    );
  }
  return found;
}
