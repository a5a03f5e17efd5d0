import { type FaultMode, partKinds, type PartKind } from '../parts';
import { type Measure } from '../measure';
import { type Sheet } from './sheet';
import { type Level } from './words';

/** What a part may be to a net: the supply comes through it, it lies from it to ground, it watches it, it makes it. */
export const partRoles = ['feeds', 'shunts', 'senses', 'drives'] as const;
export type PartRole = (typeof partRoles)[number];

/** What a failure does to nets, as a sheet writes it. */
interface PartEffect {
  readonly sets?: Readonly<Record<string, number | Level>>;
  readonly shorts?: readonly string[];
  readonly ripples?: readonly string[];
}

/** Ways of failing that leave no way through. */
const interrupts = new Set<FaultMode>(['open', 'dead', 'joint', 'loose', 'cracked', 'missing', 'stalled']);

/** What a way of failing does to the net; undefined where nothing is seen of it there. */
const effects: Readonly<Record<PartRole, (mode: FaultMode, net: string) => PartEffect | undefined>> = {
  feeds: (mode, net) =>
    interrupts.has(mode) ? { sets: { [net]: 'dead' } } : mode === 'short' ? undefined : { sets: { [net]: 'low' } },
  shunts(mode, net) {
    if (mode === 'short') return { shorts: [net] };
    if (mode === 'leaky') return { sets: { [net]: 'low' } };
    if (mode === 'dry' || mode === 'open') return { sets: { [net]: 0.9 }, ripples: [net] };
    return mode === 'drifted' || mode === 'worn' ? { sets: { [net]: 'low' } } : undefined;
  },
  senses: (mode, net) => ({
    sets: { [net]: mode === 'short' || mode === 'leaky' ? 'low' : mode === 'drifted' ? 1.15 : 'high' },
  }),
  drives: (mode, net) => ({ sets: { [net]: interrupts.has(mode) || mode === 'short' ? 'dead' : 'low' } }),
};

/**
 * The ways of failing of a kind of part with what each does to the net it is joined to, as a sheet writes them.
 *
 * @param leaves what ways of failing leave of nets, as ratios, where a circuit says so: 1 or nothing is all of it
 */
export function faultsOfPart(
  kind: PartKind,
  role: PartRole,
  net: string,
  leaves: Readonly<Partial<Record<string, Readonly<Record<string, number>>>>> = {},
): Readonly<Record<string, PartEffect>> {
  return Object.fromEntries(
    (Object.keys(partKinds[kind].rates) as FaultMode[]).flatMap((mode) => {
      const [effect, left] = [effects[role](mode, net), leaves[mode]];
      // A net that is held to ground is dead by that, whatever a circuit without its supply makes of it.
      if (left === undefined || effect?.shorts) return effect ? [[mode, effect]] : [];
      const sets = Object.fromEntries(Object.entries(left).filter(([, ratio]) => ratio !== 1));
      return [[mode, Object.keys(sets).length > 0 ? { sets } : {}]];
    }),
  );
}

/** How a part of a kind is measured by itself, cold. */
export function measureOfPart(kind: PartKind): Measure {
  if (kind === 'electrolytic') return 'esr';
  const { marked, drop, ohms } = partKinds[kind];
  if (marked === 'Ω' || ['fuse', 'coil', 'lead', 'transformer', 'yoke', 'flyback', 'switch'].includes(kind))
    return 'ohms';
  if (drop !== undefined || ['transistor', 'mosfet', 'zener'].includes(kind)) return 'diode';
  return marked === 'F' || ohms !== undefined ? 'ohms' : 'look';
}

/** The kind a reference and a value speak of: `R118 22R` is a resistor, `C9 100u` an electrolytic. */
export function kindOfReference(reference: string, value: string): PartKind | undefined {
  const letters = /^[a-z]+/i.exec(reference)?.[0].toUpperCase() ?? '';
  if (letters === 'C') return /[\d.]+\s*(?:u|µ|m)/i.test(value) && !/^0/.test(value) ? 'electrolytic' : 'film';
  const kinds: Readonly<Record<string, PartKind>> = {
    R: 'resistor',
    FR: 'fusible',
    RV: 'trimmer',
    VR: 'trimmer',
    TH: 'thermistor',
    Q: 'transistor',
    TR: 'transistor',
    D: 'diode',
    ZD: 'zener',
    IC: 'ic',
    U: 'ic',
    L: 'coil',
    T: 'transformer',
    F: 'fuse',
    RL: 'relay',
    SW: 'switch',
    S: 'switch',
    OC: 'optocoupler',
    PC: 'optocoupler',
    CN: 'connector',
    J: 'connector',
    P: 'connector',
  };
  return kinds[letters];
}

/** Kinds that mostly lie from a net to ground. */
const acrossNets: readonly PartKind[] = ['electrolytic', 'film', 'ceramic', 'zener', 'varistor'];

/** The low rail that most blocks hang on, as an example for who knows none of its names. */
export function usualRail({ nets, blocks }: Pick<Sheet, 'nets' | 'blocks'>): string {
  const users = (net: string) => [...blocks.values()].filter(({ needs }) => needs.includes(net)).length;
  const rails = [...nets.values()].filter(({ kind, volts }) => kind === 'rail' && volts > 0 && volts < 150);
  return rails.sort((a, b) => users(b.id) - users(a.id))[0]?.id ?? [...nets.keys()][0] ?? 'v12';
}

/** The line that would put a part nobody knows into a sheet, as an example. */
export function exampleOfPart(reference: string, value: string, sheet: Pick<Sheet, 'nets' | 'blocks'>): string {
  const net = usualRail(sheet);
  const kind = kindOfReference(reference, value);
  const role: PartRole = kind && acrossNets.includes(kind) ? 'shunts' : 'feeds';
  return ['part', reference, value, role, net].filter(Boolean).join(' ');
}
