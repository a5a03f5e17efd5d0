import { floatingNodes, readNetlist } from '../circuit';
import { attempt, Refusal, type Volts } from '../quantity';
import { madeRails } from './madeRails';
import { isRail, type Spot, type TracedPart } from './part';
import { isAlone, type TracedNet } from './net';
import { type Believed } from './library';

/** A value that nobody read, taken from the role the part plays. */
export interface GuessedValue {
  readonly ref: string;
  readonly value: number;
  /** The stage it was taken from; undefined for a usual value. */
  readonly from: string | undefined;
}

/** What a trace comes to as a circuit. */
export interface TracedCircuit {
  /** As `readNetlist` reads it. */
  readonly text: string;
  readonly guesses: readonly GuessedValue[];
  /** What is on the board and not in the circuit: chips, and parts with a pin that leads nowhere. */
  readonly left: readonly string[];
  /** Nodes of the netlist that nothing holds anywhere at rest. */
  readonly floating: ReadonlySet<string>;
}

/** Values where neither the board nor a role says one. */
const usual: Readonly<Record<string, number>> = {
  resistor: 10_000,
  trimmer: 10_000,
  capacitor: 1e-6,
  coil: 1e-3,
  zener: 6.2,
};

const models = {
  npn: '.model TNPN NPN(IS=1e-14 BF={gain} VAF=100)',
  pnp: '.model TPNP PNP(IS=1e-14 BF={gain} VAF=100)',
  nfet: '.model TNFET NMOS(VTO=3 KP=0.5)',
  pfet: '.model TPFET PMOS(VTO=-3 KP=0.5)',
  diode: '.model TDIODE D(IS=3e-9 N=1.8)',
} as const;

/** The parameter that is the current gain of the transistors. */
export const gainName = 'gain';
const usualGain = 100;

/** What a stage feeds, where nobody knows it, in watts. */
const usualLoad = 0.5;

/** A traced stage that makes a rail out of others, or drives a node. */
export interface TracedMaker extends TracedCircuit {
  /** The node it makes. */
  readonly made: string;
  /** Parameters of the text that are the volts of rails it is fed with, by rail as it was traced. */
  readonly fed: ReadonlyMap<string, string>;
}

/**
 * Writes what was traced as a netlist that can be solved: rails as sources at their volts, values as read, others from the
 * roles. A rail that the stage makes by itself has no source, but what it feeds.
 *
 * @param title on its first line
 * @param read what was read of the set, in volts by the name of a node: a rail that feeds it stands there, and so does a
 *   pin that leads off the board
 */
export function netlistOf(
  net: TracedNet,
  believed: Believed,
  title: string,
  read: ReadonlyMap<string, Volts> = new Map(),
): TracedCircuit {
  const { cards, models, rails, guesses, left, driven } = cardsOf(net, believed, read);
  const made = madeRails(net, believed);
  const sources = [...rails, ...driven].map((one) =>
    made.has(one) ? loadOf(one, made.get(one)) : `V${nameOf(one)} ${nameOf(one)} 0 ${read.get(one) ?? Number(one)}`,
  );
  return grounded(title, [...sources, ...cards, ...models], { guesses, left });
}

/** A circuit of which every node can be solved: what floats is held at ground by as good as nothing. */
function grounded(
  title: string,
  cards: readonly string[],
  about: Pick<TracedCircuit, 'guesses' | 'left'>,
): TracedCircuit {
  const text = textOf(title, cards);
  const circuit = attempt(() => readNetlist(text));
  const groups = circuit instanceof Refusal ? [] : floatingNodes(circuit);
  const held = groups.map(([node], at) => `R${floats}${at + 1} ${node} 0 ${hardlyHeld} ; nothing holds it at rest`);
  return { ...about, text: textOf(title, [...cards, ...held]), floating: new Set(groups.flat()) };
}

/**
 * Writes what was traced as the stage that makes one of its rails, or drives a node: a rail is left to the circuit, with a
 * load that is a guess; a node hangs on what drives it. The other rails are parameters.
 *
 * @param title on its first line
 * @param made what it makes, as it was traced: a rail `+12`, or a spot of the node it drives, `Q5.c`
 */
export function makerOf(net: TracedNet, believed: Believed, title: string, made: Spot): TracedMaker {
  const { cards, models, rails, guesses, left } = cardsOf(net, believed, new Map());
  const node = net.nodeOf.get(made)?.name ?? made;
  const fed = rails.filter((one) => one !== node);
  const load = isRail(node) ? [loadOf(node, madeRails(net, believed).get(node))] : [];
  const circuit = grounded(
    title,
    [
      ...fed.map((one) => `.param ${nameOf(one)}=${Number(one)}`),
      ...fed.map((one) => `V${nameOf(one)} ${nameOf(one)} 0 {${nameOf(one)}}`),
      ...cards,
      ...load,
      ...models,
    ],
    { guesses, left },
  );
  return { ...circuit, made: nameOf(node), fed: new Map(fed.map((one) => [one, nameOf(one)])) };
}

const load = 'RLOAD';
/** What holds a node that floats, in ohms. */
const [floats, hardlyHeld] = ['FLOAT', 1e9];

const loadOf = (rail: string, ohms = Number((Number(rail) ** 2 / usualLoad).toPrecision(3))): string =>
  `${load}${nameOf(rail)} ${nameOf(rail)} 0 ${ohms} ; what it feeds, a guess`;

/** Is an element there only to hold a node that floats? */
export const isHold = (element: string): boolean => element.toUpperCase().startsWith(`R${floats}`);

/** Is an element what a rail feeds beyond the board? */
export const isLoad = (element: string): boolean => element.toUpperCase().startsWith(load);

const textOf = (title: string, cards: readonly string[]): string =>
  [`* ${title}`, ...cards, '.op', '.end', ''].join('\n');

/** What was traced, line by line: elements, their models, and the rails that they hang on. */
interface Cards extends Omit<TracedCircuit, 'text' | 'floating'> {
  readonly cards: readonly string[];
  readonly models: readonly string[];
  readonly rails: readonly string[];
  /** Pins that lead off the board, and were read. */
  readonly driven: readonly string[];
}

function cardsOf(net: TracedNet, believed: Believed, read: ReadonlyMap<string, Volts>): Cards {
  const [lead] = believed;
  const roles = new Map(
    lead?.roles && lead.chance > 0.5 ? lead.roles.played().map(({ part, role }) => [part.ref, role]) : [],
  );
  const guesses: GuessedValue[] = [];
  const left: string[] = [];
  const used = new Set<string>();
  const driven = new Set<string>();
  const needed = new Set<keyof typeof models>();
  const cards: string[] = [];
  const zeners: string[] = [];
  const node = (part: TracedPart, pin: string) => {
    const found = net.nodeOf.get(`${part.ref}.${pin}`)!;
    const isDriven = isAlone(found) && read.has(found.name);
    if (isDriven) driven.add(found.name);
    return { name: found.name === 'gnd' ? '0' : nameOf(found.name), alone: isAlone(found) && !isDriven };
  };
  const valueOf = (part: TracedPart): number => {
    if (part.value !== undefined) return part.value;
    const role = roles.get(part.ref)?.value;
    const value = role ?? usual[part.kind]!;
    guesses.push({ ref: part.ref, value, from: role === undefined ? undefined : lead?.pattern?.title });
    return value;
  };
  for (const part of net.parts.values()) {
    // The contacts of a plug are nodes by themselves.
    if (part.kind === 'plug') continue;
    const pins = part.pins.map((pin) => node(part, pin));
    if (part.kind === 'chip' || pins.some(({ alone }) => alone)) {
      left.push(part.ref);
      continue;
    }
    for (const { name } of pins) used.add(name);
    const [one, two, three] = pins.map(({ name }) => name);
    const ref = part.ref.toLowerCase();
    switch (part.kind) {
      case 'resistor':
      case 'capacitor':
      case 'coil': {
        const letter = { resistor: 'R', capacitor: 'C', coil: 'L' }[part.kind];
        cards.push(`${named(letter, ref)} ${one} ${two} ${valueOf(part)}`);
        break;
      }
      case 'fuse':
        cards.push(`${named('R', ref)} ${one} ${two} 0.1`);
        break;
      case 'trimmer': {
        // Where its wiper stands nobody said: midway.
        const half = valueOf(part) / 2;
        cards.push(`R_${ref}_1 ${one} ${two} ${half}`, `R_${ref}_2 ${two} ${three} ${half}`);
        break;
      }
      case 'zener':
        zeners.push(`.model TZ${ref} D(IS=1e-12 BV=${valueOf(part)} IBV=1e-3)`);
        cards.push(`${named('D', ref)} ${one} ${two} TZ${ref}`);
        break;
      case 'diode':
        needed.add('diode');
        cards.push(`${named('D', ref)} ${one} ${two} TDIODE`);
        break;
      case 'npn':
      case 'pnp':
        needed.add(part.kind);
        cards.push(`${named('Q', ref)} ${two} ${one} ${three} T${part.kind.toUpperCase()}`);
        break;
      case 'nfet':
      case 'pfet':
        needed.add(part.kind);
        cards.push(`${named('M', ref)} ${two} ${one} ${three} ${three} T${part.kind.toUpperCase()}`);
    }
  }
  return {
    cards,
    models: [
      ...(needed.has('npn') || needed.has('pnp') ? [`.param ${gainName}=${usualGain}`] : []),
      ...[...needed].map((kind) => models[kind]),
      ...zeners,
    ],
    rails: net.nodes.flatMap(({ name }) => (isRail(name) && name !== 'gnd' && used.has(nameOf(name)) ? [name] : [])),
    driven: [...driven].filter((one) => used.has(nameOf(one))),
    guesses,
    left,
  };
}

/** `+12` is no name of a node in a netlist: `p12`; what is minus, `m12`; a pin by itself, `q5_b`. */
const nameOf = (name: string): string => name.replace(/^\+/, 'p').replace(/^-/, 'm').replaceAll('.', '_').toLowerCase();

/** An element’s name begins with its letter. */
const named = (letter: string, ref: string): string =>
  ref.startsWith(letter.toLowerCase()) ? ref : `${letter}_${ref}`;

/** The part that an element of the netlist is, or is half of. */
export const partNamed = (element: string): string =>
  element
    .replace(/^[A-Za-z]_/, '')
    .replace(/_[12]$/, '')
    .toUpperCase();

/** What a node is called in the netlist. */
export const netlistNode = (name: string): string => (name === 'gnd' ? '0' : nameOf(name));
