import { type FaultMode, type Part, type PartKind } from '../sheet';

/**
 * How often part kinds fail in each way, relative to a resistor going open.
 *
 * Engineering judgement from the bench, not data of any set; a sheet multiplies these by its own
 * weights and the shop's closed jobs take over as they grow.
 */
const rates: Readonly<Partial<Record<PartKind, Partial<Record<FaultMode, number>>>>> = {
  ballast: { dead: 1.2, open: 0.6, joint: 0.6 },
  battery: { dead: 2 },
  bridge: { short: 1.5, open: 0.6 },
  ceramic: { short: 1.2, leaky: 0.5, open: 0.3 },
  coil: { open: 0.3, leaky: 1.5, drifted: 0.6, dead: 0.5 },
  connector: { loose: 1.5, joint: 2, dirty: 1.5 },
  diode: { short: 1.2, open: 0.5, leaky: 0.5 },
  electrolytic: { dry: 4, short: 0.5, leaky: 0.8, open: 0.4 },
  fan: { stalled: 2, worn: 1.5, dead: 0.6, dirty: 1.2 },
  film: { open: 0.6, short: 0.6, leaky: 0.5, drifted: 0.4 },
  flex: { loose: 1, open: 0.8, cracked: 0.6 },
  flyback: { short: 1.5, leaky: 1.5, open: 0.4 },
  fuse: { open: 2 },
  fusible: { open: 1.8, drifted: 0.8 },
  ic: { dead: 1.2, short: 0.9, joint: 0.9, open: 0.4 },
  lamp: { worn: 6, cracked: 1.2, open: 1.5, loose: 0.6 },
  lead: { open: 0.7 },
  mosfet: { short: 1.6, open: 0.4, joint: 0.8 },
  motor: { worn: 1.5, stalled: 0.8, dead: 0.6 },
  optics: { dirty: 1.5, cracked: 0.4, misset: 0.6, worn: 0.8 },
  optocoupler: { leaky: 0.6, dead: 0.6 },
  panel: { cracked: 0.8 },
  relay: { worn: 1 },
  resistor: { open: 1, drifted: 1, short: 0.02 },
  screw: { loose: 1, missing: 0.3, misset: 0.6 },
  socket: { loose: 0.8, dirty: 1.2, joint: 1 },
  source: { dead: 1.2 },
  switch: { worn: 1.2, dirty: 1.2 },
  thermistor: { cracked: 0.8, short: 0.4, open: 0.6 },
  transformer: { open: 0.3, short: 0.5, joint: 1 },
  transistor: { short: 1.4, open: 0.7, leaky: 0.6, joint: 1 },
  trimmer: { misset: 0.8, dirty: 0.9, open: 0.3 },
  tube: { worn: 1.5, leaky: 0.8, open: 0.3 },
  yoke: { open: 0.4, short: 0.4, missing: 0.1 },
  zener: { short: 1, open: 0.4, drifted: 0.5 },
};

const unlisted = 0.3;

/** The relative rate of one way of failing; heat doubles what heat brings about. */
export function faultRate(part: Pick<Part, 'kind' | 'heat'>, mode: FaultMode): number {
  const rate = rates[part.kind]?.[mode] ?? unlisted;
  const heated = part.heat && (mode === 'joint' || mode === 'dry' || mode === 'open' || mode === 'drifted');
  return heated ? rate * 2 : rate;
}
