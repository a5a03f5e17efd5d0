import { dictionaryOf, type Element, Stage } from '../circuit';
import { type FaultMode, type PartKind } from '../parts';
import { attempt, Refusal } from '../quantity';
import { leftUnder } from './netlistFailures';
import { readPartValue } from './partValue';
import { type Block } from './sections/block';
import { highestRatio } from './sections/states';

/** Where a part that no sheet lists lies in the netlist of its block. */
export interface InNetlist {
  /** The element that it is. */
  readonly element: string;
  /** What ways of failing leave of the nets that the block makes, as ratios; by way of failing, by net. */
  readonly leaves: Readonly<Partial<Record<FaultMode, Readonly<Record<string, number>>>>>;
}

const elementKinds: Readonly<Partial<Record<PartKind, Element['kind']>>> = {
  resistor: 'r',
  fusible: 'r',
  diode: 'd',
  zener: 'd',
  transistor: 'q',
  mosfet: 'm',
};

/** Ohms as far from one another as that, as a share, are not of one resistor. */
const near = 0.06;

/**
 * The element of a block’s netlist that a part is: of its kind and ohms, at the net it is joined to, and of no part that
 * the sheet lists.
 *
 * @returns undefined where there is none, or more than one
 */
export function inNetlist(
  { is, value, net }: { readonly is: PartKind; readonly value: string; readonly net: string },
  { stage: inside, makes }: Pick<Block, 'stage' | 'makes'>,
): InNetlist | undefined {
  const [kind, node] = [elementKinds[is], [...(inside?.nodes ?? [])].find(([, one]) => one === net)?.[0]];
  const stage = inside?.text === undefined ? undefined : attempt(() => Stage.open(inside.text!));
  if (kind === undefined || node === undefined || !inside || !stage || stage instanceof Refusal) return undefined;
  const listed = new Set([...inside.parts.keys()].map((element) => element.toLowerCase()));
  const ohms = kind === 'r' ? attempt(() => readPartValue(is, value).size) : undefined;
  const fitting = stage.circuit.elements.filter(
    (element) =>
      element.kind === kind &&
      (element.nodes as readonly string[]).includes(node.toLowerCase()) &&
      !listed.has(element.name) &&
      // One of many alike in a subcircuit is none by itself.
      !element.name.includes('.') &&
      (element.kind !== 'd' || element.model.values.has('bv') === (is === 'zener')) &&
      (element.kind !== 'r' || (typeof ohms === 'number' && Math.abs(element.value / ohms - 1) <= near)),
  );
  const [element, another] = fitting;
  if (!element || another) return undefined;
  const { system, point } = stage;
  const faults = stage.faults.filter(({ ref }) => ref.toLowerCase() === element.name);
  const failed = dictionaryOf(system, point, { faults });
  const made = [...inside.nodes].filter(([, one]) => makes.includes(one));
  const leaves: Partial<Record<FaultMode, Record<string, number>>> = {};
  for (const [at, one] of made) {
    const left = leftUnder(failed.entries, failed, system.indexOf(at)!);
    for (const [mode, ratio] of Object.entries(left) as [FaultMode, number][])
      leaves[mode] = { ...leaves[mode], ...(ratio === 1 ? {} : { [one]: Math.min(Math.max(ratio, 0), highestRatio) }) };
  }
  return { element: element.label, leaves };
}
