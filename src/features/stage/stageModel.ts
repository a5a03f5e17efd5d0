import {
  checkCircuit,
  type Circuit,
  type CircuitFault,
  type FaultMode,
  type Ladder,
  ladderOf,
  NetlistError,
  NoConvergence,
  operatingPoint,
  type OverTime,
  readNetlist,
  scaled,
  System,
  turnable,
  writeNetlist,
} from '@/core/circuit';
import { type StageReading } from '@/core/inside';
import { formatQuantity, parseQuantity, QuantityError, type Unit } from '@/core/quantity';
import { type StageSuspect } from '@/workers/circuit';

/** What a netlist under edit comes to. */
export interface StageModel {
  readonly circuit: Circuit;
  readonly ladder: Ladder;
  /** Expected volts by node. */
  readonly volts: ReadonlyMap<string, number>;
  readonly point: Float64Array;
  /** How it runs through time, where the netlist asks for it. */
  readonly overTime: OverTime | undefined;
}

/** Reads and solves a netlist as it is typed; a message where it cannot be taken. */
export function modelOf(text: string): StageModel | string {
  try {
    const circuit = readNetlist(text);
    checkCircuit(circuit);
    const system = new System(circuit);
    const point = operatingPoint(system);
    const ladder = ladderOf(system, point);
    return {
      circuit,
      ladder,
      point,
      volts: new Map(ladder.rungs.map(({ node, volts }) => [node, volts])),
      overTime: circuit.analyses.find((one) => one.kind === 'tran'),
    };
  } catch (error) {
    if (error instanceof NetlistError || error instanceof NoConvergence) return error.message;
    throw error;
  }
}

/** Values turned for a try: factors by name of the part, and parameters of the netlist. */
export interface Turned {
  readonly factors: ReadonlyMap<string, number>;
  readonly parameters: ReadonlyMap<string, number>;
}

export const nothingTurned: Turned = { factors: new Map(), parameters: new Map() };

export const isTurned = ({ factors, parameters }: Turned) => factors.size + parameters.size > 0;

/** The stage with the values turned. @throws NetlistError where a parameter makes a value impossible */
function turnedCircuit(text: string, { factors, parameters }: Turned, { circuit }: StageModel): Circuit {
  return scaled(parameters.size > 0 ? readNetlist(text, parameters) : circuit, factors);
}

/** The netlist with the values turned. @throws NetlistError where a parameter makes a value impossible */
export const writtenTurned = (text: string, turned: Turned, model: StageModel): string =>
  writeNetlist(turnedCircuit(text, turned, model));

/** Where the nodes would stand with the values turned; undefined where they would not settle. */
export function whatIf(text: string, turned: Turned, model: StageModel): ReadonlyMap<string, number> | undefined {
  try {
    const system = new System(turnedCircuit(text, turned, model));
    return system.voltsAt(operatingPoint(system, { from: model.point }));
  } catch (error) {
    if (error instanceof NetlistError || error instanceof NoConvergence) return undefined;
    throw error;
  }
}

/** A part whose value can be turned. */
export interface Knob {
  readonly name: string;
  readonly label: string;
  readonly value: number;
  readonly unit: Unit;
}

const unitOf: Readonly<Record<string, Unit>> = { r: 'Ω', c: 'F', l: 'H', v: 'V', i: 'A' };

export function knobsOf({ elements }: Circuit): Knob[] {
  return elements.flatMap((element): Knob[] => {
    const value = turnable(element);
    return value === undefined || value === 0
      ? []
      : [{ name: element.name, label: element.label, value, unit: unitOf[element.kind]! }];
  });
}

/** The readings with one more; it replaces the last of the same node and measure. */
export function withReading(readings: readonly StageReading[], reading: StageReading): StageReading[] {
  return [...readings.filter(({ node, measure }) => node !== reading.node || measure !== reading.measure), reading];
}

/**
 * Reads `kg 61.3` or `out ripple 1.8`: a node and its volts; a message where it is neither.
 *
 * @param nets nodes by what the sheet calls them
 */
export function readStageReading(
  line: string,
  { volts, overTime }: StageModel,
  nets: Readonly<Record<string, string>> = {},
): StageReading | string {
  const [name = '', ...words] = line.trim().split(/\s+/);
  const node = nets[name.toLowerCase()] ?? name.toLowerCase();
  const nodes = [...volts.keys()].filter((one) => one !== '0');
  if (!nodes.includes(node)) return `there is no node "${name}"; there are ${nodes.join(', ')}`;
  const rest = words.filter((word) => !/^ripple$/i.test(word));
  const measure = rest.length < words.length ? 'ripple' : 'volts';
  if (measure === 'ripple' && !overTime)
    return 'this stage says nothing over time: give its netlist a .tran line to weigh ripple';
  if (rest.length === 0) return `${name} needs its volts, like "${name} ${volts.get(node)!.toPrecision(3)}"`;
  try {
    const { value, unit } = parseQuantity(rest.join(' '));
    if (unit !== undefined && unit !== 'V') return `a node is read in volts, like "${name} 12.4"`;
    if (measure === 'ripple' && value < 0) return 'ripple is read peak to peak: it is never below 0';
    return { node, measure, volts: value };
  } catch (error) {
    if (error instanceof QuantityError) return error.message;
    throw error;
  }
}

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
  const [kind, pair = ''] = mode.split('-') as [FaultMode, string?];
  const named = [...pair].map((letter) => legs[letter] ?? letter);
  if (mode === 'value') return `${ref} drifted ${factor! > 1 ? 'high' : 'low'}`;
  if (mode === 'dry') return `${ref} dried out`;
  if (kind === 'short') return named.length === 0 ? `${ref} shorted` : `${ref} shorted, ${named.join(' to ')}`;
  return named.length === 0 ? `${ref} open, or its joint` : `${ref} open at the ${named[0]}, or its joint`;
}

/** A way for a part to have failed, the steps of one drift taken together. */
export interface PartSuspect {
  readonly words: string;
  /** Ohms it has drifted to, beside those it should have. */
  readonly drift?: { readonly ohms: number; readonly nominal: number };
  readonly probability: number;
  /** The likeliest of what was taken together. */
  readonly leading: StageSuspect;
  /** Others that no reading so far tells from it. */
  readonly alike: readonly string[];
}

/**
 * Suspects by part and way of failing, likeliest first.
 *
 * @param nothing chance that all is within tolerance; what is left is shared among the suspects
 */
export function partSuspects(
  suspects: readonly StageSuspect[],
  nothing: number,
  { elements }: Circuit,
): readonly PartSuspect[] {
  const together = new Map<string, StageSuspect[]>();
  for (const suspect of suspects) {
    const words = faultWords(suspect.fault);
    together.set(words, [...(together.get(words) ?? []), suspect]);
  }
  const found = [...together].map(([words, members]) => {
    const sum = members.reduce((all, { probability }) => all + probability, 0);
    const leading = members.reduce((best, one) => (one.probability > best.probability ? one : best));
    const element = elements.find(({ label }) => label === leading.fault.ref);
    const drift =
      leading.fault.mode === 'value' && element?.kind === 'r'
        ? {
            nominal: element.value,
            ohms:
              element.value *
              Math.exp(
                members.reduce((all, { fault, probability }) => all + probability * Math.log(fault.factor!), 0) / sum,
              ),
          }
        : undefined;
    return { words, probability: sum * (1 - nothing), leading, ...(drift ? { drift } : {}) };
  });
  found.sort((a, b) => b.probability - a.probability);
  return found.map((one) => ({
    ...one,
    alike: found.flatMap((other) =>
      other !== one && other.leading.group === one.leading.group && other.probability > 0.01 ? [other.words] : [],
    ),
  }));
}

/** `12 kΩ → about 26 kΩ`. */
export const driftText = ({ ohms, nominal }: NonNullable<PartSuspect['drift']>): string =>
  `${formatQuantity(nominal, 'Ω', 3)} → about ${formatQuantity(ohms, 'Ω', 2)}`;
