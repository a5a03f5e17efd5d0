import {
  checkCircuit,
  type CircuitFault,
  type FaultMode,
  type Ladder,
  ladderOf,
  NetlistError,
  NoConvergence,
  operatingPoint,
  readNetlist,
  System,
} from '@/core/circuit';
import { parseQuantity, QuantityError } from '@/core/quantity';

/** What a netlist under edit comes to. */
export interface StageModel {
  readonly ladder: Ladder;
  /** Expected volts by node. */
  readonly volts: ReadonlyMap<string, number>;
}

/** Reads and solves a netlist as it is typed; a message where it cannot be taken. */
export function modelOf(text: string): StageModel | string {
  try {
    const circuit = readNetlist(text);
    checkCircuit(circuit);
    const system = new System(circuit);
    const ladder = ladderOf(system, operatingPoint(system));
    return { ladder, volts: new Map(ladder.rungs.map(({ node, volts }) => [node, volts])) };
  } catch (error) {
    if (error instanceof NetlistError || error instanceof NoConvergence) return error.message;
    throw error;
  }
}

/** Reads `kg 61.3`: a node and its volts; a message where it is neither. */
export function readStageReading(line: string, { volts }: StageModel): { node: string; volts: number } | string {
  const [name = '', ...rest] = line.trim().split(/\s+/);
  const node = name.toLowerCase();
  if (!volts.has(node) || node === '0')
    return `there is no node "${name}"; there are ${[...volts.keys()].filter((one) => one !== '0').join(', ')}`;
  if (rest.length === 0) return `${name} needs its volts, like "${name} ${volts.get(node)!.toPrecision(3)}"`;
  try {
    const { value, unit } = parseQuantity(rest.join(' '));
    return unit === undefined || unit === 'V' ? { node, volts: value } : `a node is read in volts, like "${name} 12.4"`;
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
  if (mode === 'value') return `${ref} drifted ${factor! > 1 ? 'high' : 'low'}, around ×${factor}`;
  if (kind === 'short') return named.length === 0 ? `${ref} shorted` : `${ref} shorted, ${named.join(' to ')}`;
  return named.length === 0 ? `${ref} open` : `${ref} open at the ${named[0]}`;
}
