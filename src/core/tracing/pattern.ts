import { type Circuit, type Element } from '../circuit';
import { type Spot, type TracedKindName, tracedKinds, type TracedPart } from './part';
import { type TracedPattern } from './tracedPattern';

/** Letters of elements that stand on a board as parts. */
function kindOfElement(element: Element): TracedKindName | undefined {
  switch (element.kind) {
    case 'r':
      return 'resistor';
    case 'c':
      return 'capacitor';
    case 'l':
      return 'coil';
    case 'd':
      return element.model.values.has('bv') ? 'zener' : 'diode';
    case 'q':
      return element.model.type.toLowerCase() === 'pnp' ? 'pnp' : 'npn';
    case 'm':
      return element.model.type.toLowerCase().startsWith('p') ? 'pfet' : 'nfet';
    default:
      return undefined;
  }
}

/** What is marked on it; undefined for a kind that is not marked with a value. */
function valueOf(element: Element): number | undefined {
  if (element.kind === 'r' || element.kind === 'c' || element.kind === 'l') return element.value;
  return element.kind === 'd' ? element.model.values.get('bv') : undefined;
}

/** The pins of a kind in the order of an element’s nodes. */
const pinOrder: Partial<Record<TracedKindName, readonly string[]>> = {
  npn: ['c', 'b', 'e'],
  pnp: ['c', 'b', 'e'],
  nfet: ['d', 'g', 's'],
  pfet: ['d', 'g', 's'],
};

/** What kind of stage a pattern is, by its title: a series regulator is one at any volts. */
export const stageKindOf = ({ title }: Pick<TracedPattern, 'title'>): string => title.split(/,|:| of /)[0]!;

/** A circuit as a board has it: its sources are rails, what is no part of its own is left out. */
export function patternOf(id: string, { title, elements }: Circuit): TracedPattern {
  const rails = new Map([['0', 'gnd']]);
  for (const element of elements)
    if (element.kind === 'v' && element.nodes[1] === '0') {
      const volts = element.dc;
      // What feeds a base or a gate is a signal and no rail.
      if (Math.abs(volts) >= 4) rails.set(element.nodes[0]!, `${volts < 0 ? '' : '+'}${volts}`);
    }
  const parts: TracedPart[] = [];
  const groups = new Map<string, Spot[]>();
  for (const [node, rail] of rails) groups.set(node, [rail]);
  for (const element of elements) {
    const kind = kindOfElement(element);
    if (!kind) continue;
    const { label: ref } = element;
    const pins = pinOrder[kind] ?? tracedKinds[kind].pins;
    parts.push({ ref, kind, pins: tracedKinds[kind].pins, value: valueOf(element) });
    pins.forEach((pin, at) => {
      const node = element.nodes[at]!;
      groups.set(node, [...(groups.get(node) ?? []), `${ref}.${pin}`]);
    });
  }
  // Two names of one voltage are one rail to the meter on a board.
  return { id, title, parts, nodes: [...groups.values()].filter((spots) => spots.length > 1) };
}
