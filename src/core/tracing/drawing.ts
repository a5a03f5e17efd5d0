import { mean } from '../statistics';
import { isAlone, type TracedNet } from './net';
import { isBody, isRail, type TracedPart } from './part';

/** The side of a symbol that a pin leaves it by. */
export type PinSide = 'above' | 'below' | 'left' | 'right';

/** A pin of a symbol: where it leaves, and what it is on. */
export interface DrawnPin {
  readonly pin: string;
  readonly side: PinSide;
  /** The rail or ground it is on; undefined on any other node. */
  readonly rail: string | undefined;
}

/** A part as it is drawn: high ends above, low ends below. */
export interface DrawnPart {
  readonly part: TracedPart;
  readonly pins: readonly DrawnPin[];
}

/** A wire between pins of one node that is no rail; spots, the one it comes from first. */
export interface DrawnWire {
  readonly node: string;
  readonly from: string;
  readonly to: string;
}

/** What is drawn of a traced net: parts that hang on something, and wires between them. */
export interface Drawing {
  readonly parts: readonly DrawnPart[];
  readonly wires: readonly DrawnWire[];
}

/** Turns of evening out until the heights stand. */
const evenings = 60;

/** The height of a node: of a rail its volts, of any other the mean of what its parts lead to. */
function heightsOf({ nodes, nodeOf, parts }: TracedNet): ReadonlyMap<string, number> {
  const volts = (name: string) => (name === 'gnd' ? 0 : Number(name));
  const rails = nodes.filter(({ name }) => isRail(name)).map(({ name }) => volts(name));
  const middle = rails.length > 0 ? mean(rails) : 0;
  const heights = new Map(nodes.map(({ name }) => [name, isRail(name) ? volts(name) : middle]));
  const neighbours = new Map<string, string[]>(nodes.map(({ name }) => [name, []]));
  for (const { ref, pins } of parts.values()) {
    const at = pins.map((pin) => nodeOf.get(`${ref}.${pin}`)!.name);
    for (const one of at) neighbours.get(one)!.push(...at.filter((other) => other !== one));
  }
  for (let turn = 0; turn < evenings; turn += 1)
    for (const [name, others] of neighbours)
      if (!isRail(name) && others.length > 0) heights.set(name, mean(others.map((other) => heights.get(other)!)));
  return heights;
}

/** Sides of pins that do not depend on the circuit. */
const sides: Partial<Record<TracedPart['kind'], Readonly<Record<string, PinSide>>>> = {
  npn: { b: 'left', c: 'above', e: 'below' },
  pnp: { b: 'left', e: 'above', c: 'below' },
  nfet: { g: 'left', d: 'above', s: 'below' },
  pfet: { g: 'left', s: 'above', d: 'below' },
};

function sideOf(part: TracedPart, pin: string, index: number, heightAt: (pin: string) => number): PinSide {
  const fixed = sides[part.kind]?.[pin];
  if (fixed) return fixed;
  if (isBody(part)) return index < part.pins.length / 2 ? 'left' : 'right';
  if (pin === 'w') return 'left';
  const other = part.pins.find((one) => one !== pin && one !== 'w')!;
  const [here, there] = [heightAt(pin), heightAt(other)];
  if (here === there) return index === 0 ? 'above' : 'below';
  return here > there ? 'above' : 'below';
}

/** Where wires of a node begin: at what gives, best from below. */
const givesFrom: readonly PinSide[] = ['below', 'right', 'left', 'above'];

/** What is drawn of a net, rails above and the ground below: every rail at its pins, all else by wires. */
export function drawingOf(net: TracedNet): Drawing {
  const heights = heightsOf(net);
  const nodeAt = (part: TracedPart, pin: string) => net.nodeOf.get(`${part.ref}.${pin}`)!;
  const hangs = (part: TracedPart) => part.pins.some((pin) => !isAlone(nodeAt(part, pin)));
  const parts = [...net.parts.values()].filter(hangs).map((part): DrawnPart => {
    const heightAt = (pin: string) => heights.get(nodeAt(part, pin).name)!;
    const pins = part.pins.map((pin, index): DrawnPin => {
      const { name } = nodeAt(part, pin);
      return { pin, side: sideOf(part, pin, index, heightAt), rail: isRail(name) ? name : undefined };
    });
    return { part, pins };
  });
  const sideAt = new Map(parts.flatMap(({ part, pins }) => pins.map(({ pin, side }) => [`${part.ref}.${pin}`, side])));
  const wires = net.nodes
    .filter((node) => !isRail(node.name) && !isAlone(node))
    .flatMap(({ name, spots }) => {
      const [from, ...others] = [...spots].sort(
        (a, b) => givesFrom.indexOf(sideAt.get(a)!) - givesFrom.indexOf(sideAt.get(b)!),
      );
      return others.map((to): DrawnWire => ({ node: name, from: from!, to }));
    });
  return { parts, wires };
}
