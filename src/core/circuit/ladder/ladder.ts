import { type System } from '../solve';
import { type Element } from '../elements';

/** A node of the ladder: a rung at its voltage, as wide as the parts that hang from it. */
export interface Rung {
  readonly node: string;
  readonly volts: number;
  /** Slots of the first and the last part on it. */
  readonly from: number;
  readonly to: number;
}

/** A part between its nodes. */
export interface Hanging {
  readonly label: string;
  readonly kind: Element['kind'];
  readonly slot: number;
  /** Nodes from the first terminal to the last. */
  readonly nodes: readonly string[];
}

/** Parts under one heading of the netlist, side by side: one channel of several. */
export interface Section {
  readonly title: string;
  readonly from: number;
  readonly to: number;
}

/** A stage with height for volts: rungs, and the parts between them side by side in the order of the netlist. */
export interface Ladder {
  readonly rungs: readonly Rung[];
  readonly parts: readonly Hanging[];
  readonly sections: readonly Section[];
  readonly lowest: number;
  readonly highest: number;
}

/** Within a twentieth of the volts, or a tenth of a volt, a node is where it should be. */
const within = { share: 0.05, volts: 0.1 };

/** How a measured node stands to its rung, both in volts. */
export function standingOf(measured: number, expected: number): 'within' | 'high' | 'low' {
  if (Math.abs(measured - expected) <= Math.max(within.share * Math.abs(expected), within.volts)) return 'within';
  return measured > expected ? 'high' : 'low';
}

/**
 * The potential ladder of a stage.
 *
 * @param point node voltages, as `operatingPoint` gives them
 */
export function ladderOf(system: System, point: Float64Array): Ladder {
  const hung = system.circuit.elements.filter(({ kind }) => 'rdqmjlcgisw'.includes(kind));
  const parts = hung.map((element, slot): Hanging => ({
    label: element.label,
    kind: element.kind,
    slot,
    // A bulk tied to its source and a capacitor's plates are nodes like others.
    nodes: [...new Set<string>(element.nodes)],
  }));
  const reach = new Map<string, { from: number; to: number }>();
  for (const { slot, nodes } of parts) {
    for (const node of nodes) {
      const known = reach.get(node);
      reach.set(node, { from: Math.min(known?.from ?? slot, slot), to: Math.max(known?.to ?? slot, slot) });
    }
  }
  const rungs = [...reach].map(([node, span]): Rung => ({
    node,
    volts: node === '0' ? 0 : point[system.indexOf(node)!]!,
    ...span,
  }));
  const volts = rungs.map((rung) => rung.volts);
  const sections: Section[] = [];
  hung.forEach(({ section }, slot) => {
    const last = sections[sections.length - 1];
    if (last?.title === section) sections[sections.length - 1] = { ...last, to: slot };
    else sections.push({ title: section, from: slot, to: slot });
  });
  return { rungs, parts, sections, lowest: Math.min(0, ...volts), highest: Math.max(0, ...volts) };
}
