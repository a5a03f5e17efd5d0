import { formatQuantity } from '../quantity';
import { type PartKind } from '../parts';
import { type PartRole, type Sheet, type SheetChange } from '../sheet';
import { isRail, netOf, type Spot, traceOf, type TracedPart } from '../tracing';

/** A part that was traced, as it may go onto the sheet of its set. */
export interface ChassisPart {
  readonly ref: string;
  readonly change: Extract<SheetChange, { readonly kind: 'part' }>;
  /** What it lies between, as it was traced: `+18 and +12`. */
  readonly between: string;
}

const kinds: Partial<Record<TracedPart['kind'], PartKind>> = {
  resistor: 'resistor',
  coil: 'coil',
  fuse: 'fuse',
  trimmer: 'trimmer',
  diode: 'diode',
  zener: 'zener',
  npn: 'transistor',
  pnp: 'transistor',
  nfet: 'transistor',
  pfet: 'transistor',
  chip: 'ic',
  plug: 'connector',
};
/** A capacitor of so much is taken for a can. */
const canFrom = 1e-6;
/** A traced rail is the sheet's where its volts are as near as that, as a share. */
const near = 0.08;

/** The kind of part that a traced one is. */
export const kindOf = ({ kind, value }: TracedPart): PartKind =>
  kinds[kind] ?? (value !== undefined && value < canFrom ? 'film' : 'electrolytic');

/** The net of the sheet that a traced rail is: of its rails the one nearest in volts; undefined where none is near. */
export function netOfRail(rail: string, { nets }: Pick<Sheet, 'nets'>): string | undefined {
  const volts = Number(rail);
  const off = (of: number) => Math.abs(of - volts) / Math.abs(volts);
  const [nearest] = [...nets.values()]
    .filter(({ kind, volts: of }) => kind === 'rail' && off(of) <= near)
    .sort((a, b) => off(a.volts) - off(b.volts));
  return nearest?.id;
}

/** The rails that a trace speaks of, as it has them: `+12`. The lowest first, which a stage mostly makes of the others. */
export function tracedRails(lines: readonly string[]): readonly string[] {
  const { parts, facts } = traceOf(lines);
  return netOf(parts, facts)
    .nodes.map(({ name }) => name)
    .filter((name) => /^[+-]\d/.test(name))
    .sort((a, b) => Math.abs(Number(a)) - Math.abs(Number(b)));
}

/** Pins by which a transistor, or a chip, puts something out. */
const outputPins = /\.(?:[cesd]|\d+)$/;

/** Nodes of a trace that a stage may drive, each by the first of its pins that puts something out: `Q5.c`. */
export function tracedOutputs(lines: readonly string[]): readonly Spot[] {
  const { parts, facts } = traceOf(lines);
  const active = new Set(parts.filter(({ pins }) => pins.length > 2).map(({ ref }) => ref));
  return netOf(parts, facts).nodes.flatMap(({ name, spots }) => {
    const output = spots.find((spot) => outputPins.test(spot) && active.has(spot.split('.')[0]!));
    return isRail(name) || spots.length < 2 || output === undefined ? [] : [output];
  });
}

/**
 * The parts of a trace that its sheet does not have, with what each is to the rail that the traced stage makes or the
 * node it drives: it feeds it from another rail, lies from it to ground, senses it towards something within, or else
 * helps to drive it.
 *
 * @param made the rail that the stage makes, as it was traced: `+12`; or a spot of the node it drives, `Q5.c`
 * @param net the net of the sheet that it is
 * @param block the block that the parts belong to
 */
export function chassisParts(
  lines: readonly string[],
  sheet: Sheet,
  { made, net, block }: { readonly made: Spot; readonly net: string; readonly block: string },
): readonly ChassisPart[] {
  const { parts, facts } = traceOf(lines);
  const traced = netOf(parts, facts);
  const node = traced.nodeOf.get(made)?.name ?? made;
  return parts
    .filter(({ ref }) => !sheet.parts.has(ref))
    .map((part): ChassisPart => {
      const nodes = [...new Set(part.pins.map((pin) => traced.nodeOf.get(`${part.ref}.${pin}`)!.name))];
      const { ref, value, kind } = part;
      const unit = kind === 'capacitor' ? 'F' : kind === 'coil' ? 'H' : kind === 'zener' ? 'V' : 'Ω';
      return {
        ref,
        between: nodes.map((name) => (name === node ? made : name)).join(' and '),
        change: {
          kind: 'part',
          part: ref,
          is: kindOf(part),
          // As a sheet writes it: in one word.
          value: value === undefined ? '' : formatQuantity(value, unit).replace(/\s+/g, ''),
          block,
          role: roleOf(nodes, node),
          net,
        },
      };
    });
}

/** What a part that lies between some nodes is to the one that is made. */
function roleOf(nodes: readonly string[], made: string): PartRole {
  const others = nodes.filter((name) => name !== made);
  if (others.length === nodes.length) return 'drives';
  if (others.some((name) => /^[+-]\d/.test(name))) return 'feeds';
  return others.every((name) => name === 'gnd') ? 'shunts' : 'senses';
}
