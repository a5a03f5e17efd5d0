import { isElectrolytic } from '../netlist';
import { type Change, type System } from '../solve';

/** One way a part may fail. */
export interface CircuitFault {
  /** Name of the element; small or capital letters are one. */
  readonly ref: string;
  readonly mode: CircuitFaultMode;
  /** For a drift: what the resistance is multiplied by. */
  readonly factor?: number;
}

export const faultModes = [
  'open',
  'short',
  'value',
  'dry',
  'open-b',
  'open-c',
  'open-e',
  'short-be',
  'short-bc',
  'short-ce',
  'open-d',
  'open-s',
  'short-gs',
  'short-gd',
  'short-ds',
] as const;
export type CircuitFaultMode = (typeof faultModes)[number];

/** What an opened connection still conducts, and what a short adds, in siemens. */
const opened = 1e-9;
const shorted = 100;

const terminalLetters = { q: ['c', 'b', 'e'], m: ['d', 'g', 's'] } as const;

/** The drifts of a resistor, each half as much again as the one before; what lies between is near one of them. */
const drifts = [0.4, 0.65, 1.5, 2.2, 3.5];

/** A change of nothing. */
export const unchanged = ({ ground }: System): Change => ({ a: ground, b: ground, siemens: 1 });

/** Every part of a circuit open, shorted and drifted, every leg and every pair of legs. */
export function faultsOf({ circuit }: System): CircuitFault[] {
  // A capacitor that has dried out shows in nothing but ripple.
  const overTime = circuit.analyses.some(({ kind }) => kind === 'tran');
  return circuit.elements.flatMap((element): CircuitFault[] => {
    const ref = element.label;
    switch (element.kind) {
      case 'r':
        return [
          { ref, mode: 'open' },
          { ref, mode: 'short' },
          ...drifts.map((factor) => ({ ref, mode: 'value' as const, factor })),
        ];
      case 'd':
        return [
          { ref, mode: 'open' },
          { ref, mode: 'short' },
        ];
      case 'c':
        return [
          { ref, mode: 'short' },
          ...(overTime && isElectrolytic(element) ? [{ ref, mode: 'dry' as const }] : []),
        ];
      case 'q':
        return (['open-b', 'open-c', 'open-e', 'short-be', 'short-bc', 'short-ce'] as const).map((mode) => ({
          ref,
          mode,
        }));
      case 'm':
        return (['open-d', 'open-s', 'short-gs', 'short-gd', 'short-ds'] as const).map((mode) => ({ ref, mode }));
      default:
        return [];
    }
  });
}

/**
 * A fault as the change of one conductance.
 *
 * @throws Error when the circuit has no such part, or the part no such fault
 */
export function changeFor(system: System, { ref, mode, factor }: CircuitFault): Change {
  const element = system.elements.get(ref.toLowerCase());
  if (!element) throw new Error(`there is no element "${ref}"`);
  const none = () => new Error(`"${ref}" cannot be ${mode}`);
  if (element.kind === 'c' && mode === 'dry') return unchanged(system);
  if (element.kind === 'c' && mode === 'short') {
    const [a, b] = element.nodes.map((node) => system.indexOf(node)!) as [number, number];
    return { a, b, siemens: shorted };
  }
  const terminals = system.terminals.get(element.name);
  if (!terminals) throw none();
  const { outer, inner, between } = terminals;
  if (element.kind === 'r' || element.kind === 'd') {
    const [a, b] = outer as [number, number];
    if (mode === 'short') return { a, b, siemens: shorted };
    if (element.kind === 'd') {
      if (mode !== 'open') throw none();
      return {
        a,
        b,
        siemens: opened,
        without: system.devices.junctions.findIndex(({ name }) => name === element.name),
      };
    }
    if (mode === 'open') return { a, b, siemens: opened - 1 / element.value };
    if (mode === 'value' && factor !== undefined && factor > 0)
      return { a, b, siemens: 1 / (element.value * factor) - 1 / element.value };
    throw none();
  }
  const letters: readonly string[] = terminalLetters[element.kind as 'q' | 'm'] ?? [];
  const [kind, legs = ''] = mode.split('-');
  const at = [...legs].map((leg) => letters.indexOf(leg));
  if (at.length === 0 || at.includes(-1)) throw none();
  if (kind === 'short') return { a: outer[at[0]!]!, b: outer[at[1]!]!, siemens: shorted };
  const leg = at[0]!;
  if (outer[leg] === inner[leg])
    return { a: outer[leg]!, b: system.spare, siemens: opened, leg: system.legOf(element.name, leg) };
  const whole = between[leg]!;
  // The leg's own resistance stays in series with the open.
  return { a: outer[leg]!, b: inner[leg]!, siemens: 1 / (1 / whole + 1 / opened) - whole };
}
