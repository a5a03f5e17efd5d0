import { provenBelow } from '../log';
import { type Check, type Context } from '../behaviour';
import { type Measure } from '../measure';
import { type Symptom } from '../picture';
import { type Volts } from '../quantity';
import { type Board, familyOf, type Net, type Part, type Sheet, type Store } from '../sheet';

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

/** Where a check is made: how the set stands, and whether an isolating transformer feeds it. */
export interface CautionScene {
  readonly context: Context;
  readonly isolated: boolean;
  /** Stores of charge as they were last measured. */
  readonly stores?: readonly { readonly store: string; readonly volts: number }[];
  /** The context the check needs, where another than the present one. */
  readonly wanted?: Context;
}

/** Volts from which pulses go beyond what a meter stands, and from which only a long probe is right. */
const pulses: Volts = 500;
const longProbe: Volts = 5000;
/** Ways of measuring for which a sampler is often taken. */
const waving: ReadonlySet<Measure> = new Set(['ac', 'ripple', 'hertz']);

/** A meter that drives a part of its own stands no more across it, in volts. */
const meterBelow: Volts = 2;
const driving: ReadonlySet<Measure> = new Set(['ohms', 'esr', 'diode', 'capacitance']);

/** Does the instrument drive a current or volts of its own into what it measures? */
export const drivesItself = (measure: Measure): boolean => driving.has(measure);

interface CautionedCheck {
  readonly sheet: Sheet;
  readonly check: Check;
  readonly net: Net | undefined;
  readonly board: Board | undefined;
  readonly parts: readonly Part[];
  readonly scene: CautionScene;
}

/** Is the point on the mains side: by its ground, or since the whole board hangs on the mains? */
export const onMains = ({ check, board }: Pick<CautionedCheck, 'check' | 'board'>): boolean =>
  check.ground === 'hot' || (check.ground !== 'floating' && check.point !== undefined && board?.side === 'hot');

/** Rules in the order in which they are said, the most serious first. */
const rules: readonly ((at: CautionedCheck) => string | false | undefined)[] = [
  ({ net, check }) =>
    net?.signal === 'eht' &&
    check.state === 'live' &&
    Math.abs(net.volts) >= longProbe &&
    'Kilovolts: only with a probe made for it, its lead clipped to the tube braid first. Never raise high voltage beyond the maker’s limit: X-radiation rises steeply with it.',
  ({ net, check }) =>
    net?.signal === 'eht' &&
    check.measure === 'dc' &&
    Math.abs(net.volts) < longProbe &&
    'A 10 MΩ meter loads this point and reads low: compare with a set that works, or use a probe of more ohms.',
  ({ check, net }) =>
    check.measure === 'ac' &&
    check.state === 'live' &&
    net !== undefined &&
    net.signal !== 'eht' &&
    Math.abs(net.volts) >= pulses &&
    'Pulses near a kilovolt: a 100:1 probe, never a meter.',
  (at) => {
    if (at.check.state !== 'live' || !onMains(at)) return undefined;
    const whole = at.check.ground === 'hot' ? 'Hot side' : 'The whole chassis is on the mains';
    return at.scene.isolated
      ? `${whole}: black lead on the mains-side ground, one hand. The isolating transformer is in; it does not make it harmless.`
      : `${whole}: isolating transformer in first (“isolation in”), black lead on the mains-side ground, one hand.`;
  },
  (at) =>
    at.check.state === 'cold' &&
    onMains(at) &&
    at.scene.context.power !== 'proven' &&
    'Hot side: the reservoir holds mains peak until it has been measured.',
  ({ check }) =>
    check.ground === 'floating' &&
    `This side floats: black lead on its own ground pad, never on the frame. ${
      waving.has(check.measure)
        ? 'An earthed sampler shorts it through its own lead: differential or isolated probe, or one on batteries.'
        : 'A meter on batteries.'
    }`,
  ({ check, scene }) =>
    check.state === 'live' &&
    check.danger >= 2 &&
    (scene.context.power === 'live' || scene.wanted?.power === 'live') &&
    'One hand only: this point is live.',
  ({ check, board }) =>
    check.state === 'live' &&
    check.measure === 'dc' &&
    /buffer/i.test(board?.title ?? '') &&
    'Close pins: one slip takes the driver chips. A sharp, insulated tip, on the test pad where there is one.',
  ({ parts, sheet, check }) =>
    sheet.technology === 'projection-lamp' &&
    check.state === 'cold' &&
    parts.some(({ kind }) => kind === 'lamp') &&
    'The lamp: an hour to cool, gloves and eye shield, it is under pressure. Burst means mercury: air the room, wipe it up, never a vacuum cleaner.',
  ({ sheet, check, net, parts }) =>
    sheet.technology === 'projection-lamp' &&
    check.state === 'live' &&
    (net?.id === 'strike' || parts.some(({ kind }) => kind === 'lamp' || kind === 'ballast')) &&
    'Kilovolts at strike: the clamp is placed before power. Never lit uncovered: ultraviolet, and it may burst.',
  ({ sheet, board }) =>
    familyOf(sheet.technology) === 'tube' &&
    board?.id === 'tube' &&
    'The neck snaps and the tube implodes: no force, eye shield.',
  ({ sheet, board }) =>
    sheet.technology === 'projection-tubes' &&
    board?.id === 'tube' &&
    'Never run without lens and coolant cell: they are the shield, and the face cracks dry.',
  ({ check }) =>
    check.measure === 'thermal' &&
    'Spray that does not burn, never on hot glass or a lamp: it cracks. Hot air from a hand’s width, one part at a time.',
  ({ check }) => check.measure === 'press' && 'Insulated stick, one hand, never alone.',
  ({ scene, sheet }) => {
    const moved = (scene.wanted?.unplugged ?? []).filter((id) => !scene.context.unplugged.includes(id));
    const commands = moved.flatMap((id) =>
      (sheet.connectors.get(id)?.carries ?? []).flatMap((net) => {
        const { signal, title } = sheet.nets.get(net)!;
        return signal === 'control' && !scene.context.strapped.includes(net)
          ? [`${id} takes “${title}” with it: strap that (“strap ${net}”), or cut its lead alone (“cut ${id} ${net}”).`]
          : [];
      }),
    );
    return commands[0];
  },
  ({ scene }) =>
    scene.context.power === 'live' &&
    scene.wanted !== undefined &&
    scene.wanted.unplugged.join() !== scene.context.unplugged.join() &&
    'Unplug before moving connectors. One that is pulled may cut a capacitor off from what drains it.',
  ({ check, scene }) =>
    check.state === 'cold' &&
    scene.context.power === 'live' &&
    'Unplug, discharge through a resistor with insulated leads, then measure to prove it. A set that does not start is the dangerous one: nothing drains it.',
  ({ check, parts, scene }) => {
    const charged = scene.stores?.find(
      ({ store, volts }) => Math.abs(volts) >= meterBelow && parts.some(({ id }) => id === store),
    );
    return (
      charged &&
      drivesItself(check.measure) &&
      `${charged.store} was left at ${charged.volts} V: below ${meterBelow} V before ohms or ESR are read, or the meter goes.`
    );
  },
  ({ check, scene, sheet }) =>
    check.state === 'cold' &&
    scene.context.power === 'unplugged' &&
    (familyOf(sheet.technology) === 'tube'
      ? 'Not proven: the tube recovers charge after a minute, so discharge it twice.'
      : 'Not proven: measure each store before touching.'),
];

/** The cautions that matter at the moment of a check, most serious first. */
export function cautionsFor(sheet: Sheet, check: Check, scene: CautionScene): string[] {
  const { point } = check;
  const parts = (point?.parts ?? []).flatMap((id) => sheet.parts.get(id) ?? []);
  const at: CautionedCheck = {
    sheet,
    check,
    net: point?.net === undefined ? undefined : sheet.nets.get(point.net),
    board: sheet.boards.get(point?.board ?? parts[0]?.board ?? ''),
    parts,
    scene,
  };
  return rules.flatMap((rule) => rule(at) || []);
}

/** What to do before a set is tried behind a lamp; undefined where nothing is. */
export const behindLampCaution = ({ technology }: Pick<Sheet, 'technology'>): string | undefined =>
  technology === 'crt-colour'
    ? 'Unplug the degauss coil while the lamp is in: cold, it alone lights the lamp like a short.'
    : undefined;
