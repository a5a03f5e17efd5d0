import { type FaultMode, type PartKind } from '../sheet';

const byMode: Readonly<Record<FaultMode, number>> = {
  open: 0.2,
  short: 0.2,
  leaky: 0.15,
  dry: 0.5,
  drifted: 0.15,
  joint: 0.7,
  loose: 0.9,
  worn: 0.2,
  missing: 1,
  dirty: 0.5,
  stalled: 0.8,
  dead: 0.08,
  misset: 0.1,
  cracked: 0.9,
};

const byKind: Readonly<Partial<Record<PartKind, Partial<Record<FaultMode, number>>>>> = {
  fuse: { open: 0.8 },
  lamp: { cracked: 0.95, worn: 0.6, open: 0.5 },
  fusible: { open: 0.5 },
  film: { open: 0.4 },
  ic: { short: 0.3 },
  flyback: { leaky: 0.5, short: 0.3 },
};

/** The chance that a fault can be seen at all by a careful look at the part. */
export function visibility(kind: PartKind, mode: FaultMode): number {
  return byKind[kind]?.[mode] ?? byMode[mode];
}
