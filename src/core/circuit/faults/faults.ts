import { type Failure, kindOf } from '../elements';
import { type Change, type System } from '../solve';

/** One way a part of a circuit may fail. */
export interface CircuitFault extends Failure {
  /** Name of the element; small or capital letters are one. */
  readonly ref: string;
}

/** What an opened connection still conducts, and what a short adds, in siemens. */
const opened = 1e-9;
const shorted = 100;

/** A change of nothing. */
export const unchanged = ({ ground }: System): Change => ({ a: ground, b: ground, siemens: 1 });

/** Every part of a circuit open, shorted and drifted, every leg and every pair of legs. */
export function faultsOf({ circuit }: System): CircuitFault[] {
  const overTime = circuit.analyses.some(({ kind }) => kind === 'tran');
  return circuit.elements.flatMap((element) =>
    (kindOf(element).failures?.(element, overTime) ?? []).map((failure) => ({ ref: element.label, ...failure })),
  );
}

/**
 * A fault as the change of one conductance.
 *
 * @throws Error when the circuit has no such part, or the part no such fault
 */
export function changeFor(system: System, { ref, mode, factor }: CircuitFault): Change {
  const element = system.elements.get(ref.toLowerCase());
  if (!element) throw new Error(`there is no element "${ref}"`);
  const { failures, legs: letters = '' } = kindOf(element);
  // Ripple may be asked for of any capacitor, whether or not the netlist runs through time.
  if (!failures?.(element, true).some((one) => one.mode === mode) || (mode === 'value' && !(factor! > 0)))
    throw new Error(`"${ref}" cannot be ${mode}`);
  if (mode === 'dry') return unchanged(system);
  const { outer, inner, between } = system.terminals.get(element.name)!;
  const [a, b] = outer as [number, number];
  const [, legs] = mode.split('-');
  if (legs === undefined) {
    if (mode === 'short') return { a, b, siemens: shorted };
    if (element.kind !== 'r') return { a, b, siemens: opened, without: system.deviceOf(element.name) };
    const whole = 1 / element.value;
    return { a, b, siemens: mode === 'open' ? opened - whole : whole / factor! - whole };
  }
  const at = [...legs].map((leg) => letters.indexOf(leg));
  if (at.length === 2) return { a: outer[at[0]!]!, b: outer[at[1]!]!, siemens: shorted };
  const leg = at[0]!;
  if (outer[leg] === inner[leg])
    return { a: outer[leg]!, b: system.spare, siemens: opened, leg: system.legOf(element.name, leg) };
  const whole = between[leg]!;
  // The leg's own resistance stays in series with the open.
  return { a: outer[leg]!, b: inner[leg]!, siemens: 1 / (1 / whole + 1 / opened) - whole };
}
