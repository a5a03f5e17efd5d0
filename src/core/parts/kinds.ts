import { type Minutes, type Unit, type Volts } from '../quantity';
import { faultModes, type FaultMode } from './faultModes';

/** All that is known of a kind of part before any one of it is measured. A kind is one row. */
export interface PartKindRow {
  /**
   * How often it fails in each way, relative to a resistor going open: engineering judgement from the
   * bench. A sheet multiplies these by its own weights, and the shop's closed jobs take over as they grow.
   */
  readonly rates: Readonly<Partial<Record<FaultMode, number>>>;
  /** Chance that a way of failing is seen, where it differs from the usual. */
  readonly visible?: Readonly<Partial<Record<FaultMode, number>>>;
  /** Bench work and price, in the shop's money, of a common replacement. */
  readonly replacing?: { readonly minutes: Minutes; readonly money: number };
  /** The unit of its main quantity, where it is marked with one. */
  readonly marked?: Unit;
  /** What a good one reads in ohms where that is not its mark: OL for what does not conduct at rest. */
  readonly ohms?: 'charged' | 'none';
  /** How far from its mark a good one may measure, below and above, as shares. */
  readonly tolerance?: { readonly below: number; readonly above: number };
  /** Forward drop of a good junction; a chip is read through its clamp diodes. */
  readonly drop?: Volts;
}

const rows = {
  ballast: { rates: { dead: 1.2, open: 0.6, joint: 0.6 }, replacing: { minutes: 30, money: 35 } },
  battery: { rates: { dead: 2 }, replacing: { minutes: 1, money: 1 } },
  bridge: { rates: { short: 1.5, open: 0.6 }, drop: 0.55 },
  ceramic: {
    rates: { short: 1.2, leaky: 0.5, open: 0.3 },
    replacing: { minutes: 8, money: 0.2 },
    marked: 'F',
    ohms: 'none',
    tolerance: { below: 0.2, above: 0.2 },
  },
  coil: { rates: { open: 0.3, leaky: 1.5, drifted: 0.6, dead: 0.5 } },
  connector: { rates: { loose: 1.5, joint: 2, dirty: 1.5 } },
  diode: { rates: { short: 1.2, open: 0.5, leaky: 0.5 }, drop: 0.55 },
  electrolytic: {
    rates: { dry: 4, short: 0.5, leaky: 0.8, open: 0.4 },
    replacing: { minutes: 8, money: 0.6 },
    marked: 'F',
    ohms: 'charged',
    // Made to −20 %; more than half above is leakage, or another beside it.
    tolerance: { below: 0.3, above: 0.5 },
  },
  fan: { rates: { stalled: 2, worn: 1.5, dead: 0.6, dirty: 1.2 }, replacing: { minutes: 15, money: 6 } },
  film: {
    rates: { open: 0.6, short: 0.6, leaky: 0.5, drifted: 0.4 },
    visible: { open: 0.4 },
    replacing: { minutes: 8, money: 0.8 },
    marked: 'F',
    ohms: 'none',
    tolerance: { below: 0.1, above: 0.1 },
  },
  flex: { rates: { loose: 1, open: 0.8, cracked: 0.6 }, replacing: { minutes: 120, money: 20 } },
  flyback: {
    rates: { short: 1.5, leaky: 1.5, open: 0.4 },
    visible: { leaky: 0.5, short: 0.3 },
    replacing: { minutes: 40, money: 25 },
  },
  fuse: { rates: { open: 2 }, visible: { open: 0.8 }, replacing: { minutes: 3, money: 0.4 } },
  fusible: { rates: { open: 1.8, drifted: 0.8 }, visible: { open: 0.5 }, marked: 'Ω' },
  ic: {
    rates: { dead: 1.2, short: 0.9, leaky: 0.4, joint: 0.9, open: 0.4 },
    visible: { short: 0.3 },
    replacing: { minutes: 30, money: 6 },
  },
  lamp: {
    rates: { worn: 6, cracked: 1.2, open: 1.5, loose: 0.6 },
    visible: { cracked: 0.95, worn: 0.6, open: 0.5 },
    replacing: { minutes: 8, money: 60 },
  },
  lead: { rates: { open: 0.7 }, replacing: { minutes: 1, money: 4 } },
  mosfet: { rates: { short: 1.6, open: 0.4, joint: 0.8 }, replacing: { minutes: 15, money: 3 } },
  motor: { rates: { worn: 1.5, stalled: 0.8, dead: 0.6 }, replacing: { minutes: 30, money: 40 } },
  optics: { rates: { dirty: 1.5, cracked: 0.4, misset: 0.6, worn: 0.8 }, replacing: { minutes: 60, money: 30 } },
  optocoupler: { rates: { worn: 0.7, leaky: 0.3, dead: 0.5 } },
  panel: { rates: { cracked: 0.8 }, replacing: { minutes: 240, money: 180 } },
  relay: { rates: { worn: 1 }, replacing: { minutes: 15, money: 3 } },
  resistor: { rates: { open: 1, drifted: 1, short: 0.02 }, replacing: { minutes: 7, money: 0.1 }, marked: 'Ω' },
  screw: { rates: { loose: 1, missing: 0.3, misset: 0.6 }, replacing: { minutes: 4, money: 0 } },
  socket: { rates: { loose: 0.8, dirty: 1.2, joint: 1 } },
  source: { rates: { dead: 1.2 }, replacing: { minutes: 3, money: 0 } },
  switch: { rates: { worn: 1.2, dirty: 1.2 } },
  thermistor: { rates: { cracked: 0.8, short: 0.4, open: 0.6 }, marked: 'Ω' },
  transformer: { rates: { open: 0.3, short: 0.5, joint: 1 }, replacing: { minutes: 25, money: 12 } },
  transistor: { rates: { short: 1.4, open: 0.7, leaky: 0.6, joint: 1 } },
  trimmer: { rates: { misset: 0.8, dirty: 0.9, open: 0.3 }, marked: 'Ω' },
  tube: { rates: { worn: 1.5, leaky: 0.8, open: 0.3 }, replacing: { minutes: 150, money: 40 } },
  /** Whatever a block has in it beside the parts its sheet lists. */
  unlisted: { rates: { unlisted: 1 }, replacing: { minutes: 12, money: 2 } },
  varistor: {
    rates: { short: 1.2, leaky: 0.6, open: 0.2 },
    visible: { short: 0.8, open: 0.6 },
    replacing: { minutes: 10, money: 0.5 },
    ohms: 'none',
  },
  yoke: { rates: { open: 0.4, short: 0.4, missing: 0.1 }, replacing: { minutes: 60, money: 15 } },
  zener: { rates: { short: 1, open: 0.4, drifted: 0.5 } },
} as const satisfies Record<string, PartKindRow>;

/** What a part is. */
export type PartKind = keyof typeof rows;

/** All kinds of part, by name. */
export const partKinds: Readonly<Record<PartKind, PartKindRow>> = rows;

/** Names of the kinds that a part on a sheet may be, in alphabetical order. */
export const partKindNames: readonly PartKind[] = (Object.keys(rows) as PartKind[]).filter(
  (name) => name !== 'unlisted',
);

/** A way of failing that its kind has no rate for. */
const unlistedRate = 0.3;

/** The relative rate of one way of failing; heat doubles what heat brings about. */
export function faultRate(
  { kind, heat }: { readonly kind: PartKind; readonly heat: boolean },
  mode: FaultMode,
): number {
  const rate = partKinds[kind].rates[mode] ?? unlistedRate;
  return heat && faultModes[mode].byHeat ? rate * 2 : rate;
}

/** The chance, 0 to 1, that a fault can be seen at all by a careful look at the part. */
export function visibility(kind: PartKind, mode: FaultMode): number {
  return partKinds[kind].visible?.[mode] ?? faultModes[mode].visible;
}

/** What a common replacement takes where the kind says nothing. */
const ordinary = { minutes: 12, money: 1.5 };

/** Bench work and price of a common replacement of a kind. */
export function replacing(kind: PartKind): { readonly minutes: Minutes; readonly money: number } {
  return partKinds[kind].replacing ?? ordinary;
}
