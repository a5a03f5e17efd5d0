import { type Circuit, type Stage, turnable, type Turned } from '@/core/circuit';
import { type StageReading } from '@/core/inside';
import { attempt, parseQuantity, Refusal, type Unit } from '@/core/quantity';

export const nothingTurned: Turned = { factors: new Map(), parameters: new Map() };

export const isTurned = ({ factors, parameters }: Turned) => factors.size + parameters.size > 0;

/** Where the nodes would stand with values turned; undefined where they would not settle. */
export function settledWith(stage: Stage, turned: Turned): ReadonlyMap<string, number> | undefined {
  const volts = attempt(() => stage.voltsWith(turned));
  return volts instanceof Refusal ? undefined : volts;
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
 * Reads `kg 61.3` or `out ripple 1.8`: a node and its volts.
 *
 * @param nets nodes by what the sheet calls them
 * @throws Refusal where it is neither
 */
export function readStageReading(
  line: string,
  { volts, overTime }: Stage,
  nets: Readonly<Record<string, string>> = {},
): StageReading {
  const [name = '', ...words] = line.trim().split(/\s+/);
  const node = nets[name.toLowerCase()] ?? name.toLowerCase();
  const nodes = [...volts.keys()].filter((one) => one !== '0');
  if (!nodes.includes(node)) throw new Refusal(`there is no node "${name}"; there are ${nodes.join(', ')}`);
  const rest = words.filter((word) => !/^ripple$/i.test(word));
  const measure = rest.length < words.length ? 'ripple' : 'volts';
  if (measure === 'ripple' && !overTime)
    throw new Refusal('this stage says nothing over time: give its netlist a .tran line to weigh ripple');
  if (rest.length === 0)
    throw new Refusal(`${name} needs its volts, like "${name} ${volts.get(node)!.toPrecision(3)}"`);
  const { value, unit } = parseQuantity(rest.join(' '));
  if (unit !== undefined && unit !== 'V') throw new Refusal(`a node is read in volts, like "${name} 12.4"`);
  if (measure === 'ripple' && value < 0) throw new Refusal('ripple is read peak to peak: it is never below 0');
  return { node, measure, volts: value };
}
