import { Stage } from '@/core/circuit';
import { followPath, type FollowedPath, followShort, type FollowedShort } from '@/core/job';
import { attempt, formatQuantity, Refusal, type Unit, type Volts } from '@/core/quantity';
import {
  type Believed,
  beptThroughText,
  byVolts,
  type ByVolts,
  contradictionText,
  isAlone,
  isRail,
  movesOf,
  netlistNode,
  netlistOf,
  netOf,
  nineOfTen,
  type NextBeep,
  nextBeep,
  type PatternLibrary,
  readByNode,
  stageKindOf,
  traceOf,
  type TracedNet,
  type TracedPart,
  type TracedPath,
  type TracedShort,
} from '@/core/tracing';
import { boardOf, type BoardView } from './boardModel';

/** A node as it is listed: its pins, and the volts it should stand at with how far they may be off. */
export interface NodeRow {
  readonly name: string;
  readonly spots: readonly string[];
  readonly volts: string | undefined;
  /** What it read with the set live. */
  readonly read: string | undefined;
}

/** All that the page shows of a trace. */
export interface TraceView {
  readonly board: BoardView;
  readonly parts: readonly TracedPart[];
  readonly rows: readonly NodeRow[];
  /** Pins that have no place yet. */
  readonly single: readonly string[];
  readonly beeps: number;
  readonly contradictions: readonly string[];
  /** What it is, with the chance; undefined as long as nothing leads. */
  readonly stage:
    | { readonly title: string; readonly chance: number; /** The very one that is known. */ readonly like?: string }
    | undefined;
  readonly roles: readonly { readonly ref: string; readonly role: string; readonly chance: number }[];
  readonly next: NextBeep | undefined;
  /** What the volts ask for, once no beep is left to ask: a rail that feeds it, a pin to read, or a part by itself. */
  readonly asks: { readonly feed: ByVolts['starved'][number] } | ByVolts['next'];
  readonly netlist: string;
  readonly net: TracedNet;
  readonly believed: Believed;
  /** Why no volts can be said yet. */
  readonly unsolved: string | undefined;
  readonly guessed: readonly string[];
  readonly left: readonly string[];
  /** What was read of the live set says of it; undefined where nothing was, or there is nothing to hold it against. */
  readonly live: ByVolts | undefined;
  /** The short that is followed; undefined where none is. */
  readonly short: (FollowedShort & TracedShort) | undefined;
  /** What goes from one pin to another and is followed; undefined where nothing is. */
  readonly path: (FollowedPath & TracedPath) | undefined;
}

/** Units of the values that may be guessed. */
const units: Partial<Record<TracedPart['kind'], Unit>> = {
  resistor: 'Ω',
  trimmer: 'Ω',
  capacitor: 'F',
  coil: 'H',
  zener: 'V',
};

/** A part’s value as it is written; nothing where it was not read. */
export const valueText = ({ kind, value }: TracedPart): string =>
  value === undefined ? '' : formatQuantity(value, units[kind] ?? '');

/** A stage is named from here on. */
const leads = 0.5;

/** Volts are said without how far they may be off where that is less than this share of them, or these volts. */
const plain = { share: 0.05, volts: 0.1 };

/** Where a node should stand, and within what nine of ten like it would. */
function standsText(volts: Volts, spread: Volts): string {
  const within = nineOfTen * spread;
  const stands = formatQuantity(volts, 'V');
  return within < plain.share * Math.abs(volts) + plain.volts
    ? stands
    : `${stands} ± ${formatQuantity(within, 'V', 2)}`;
}

/** What some lines of a trace come to. */
export function viewOf(lines: readonly string[], library: PatternLibrary, title: string): TraceView {
  const trace = traceOf(lines);
  const { parts, facts, short, path } = trace;
  const net = netOf(parts, facts);
  const believed = library.believe(net);
  const read = readByNode(net, trace.volts);
  const circuit = netlistOf(net, believed, title, read);
  const { text, guesses, left, floating } = circuit;
  const solved = attempt(() => Stage.open(text));
  const moves = solved instanceof Refusal ? [] : movesOf(solved, circuit);
  const expected = solved instanceof Refusal ? undefined : { volts: solved.volts, spreads: solved.spreads(moves) };
  const next = net.contradictions.length > 0 ? undefined : nextBeep(net, library, believed);
  const live = solved instanceof Refusal ? undefined : byVolts(solved, net, read, moves);
  const asksByVolts = !next && !short && !path && net.contradictions.length === 0 ? live : undefined;
  const followed = path && { ...followPath(trace, path), ...path };
  const pointed = followed?.next ? [followed.next.at] : next && !followed && !short ? [next.a, next.b] : [];
  const placed = net.nodes.filter((node) => !isAlone(node));
  return {
    parts,
    rows: placed.map(({ name, spots }) => {
      const node = netlistNode(name);
      const stands = floating.has(node) ? undefined : expected?.volts.get(node);
      const found = read.get(name);
      return {
        name,
        spots: spots.filter((spot) => spot !== name),
        volts: stands === undefined ? undefined : standsText(stands, expected!.spreads.get(node) ?? 0),
        read: found === undefined ? undefined : formatQuantity(found, 'V'),
      };
    }),
    single: net.nodes
      .filter(isAlone)
      .flatMap(({ spots }) => spots.slice(0, 1))
      .filter((spot) => !isRail(spot)),
    beeps: facts.length,
    contradictions: [...net.contradictions.map(contradictionText), ...net.beptThrough.map(beptThroughText)],
    ...namedOf(believed, parts.length),
    next,
    asks: asksByVolts && askedOf(asksByVolts),
    board: boardOf(trace, net, pointed),
    netlist: text,
    net,
    believed,
    unsolved: solved instanceof Refusal ? solved.message : undefined,
    guessed: guesses.map(
      ({ ref, value, from }) =>
        `${ref} ${formatQuantity(value, units[net.parts.get(ref)!.kind] ?? '')}${from ? '' : ' (usual)'}`,
    ),
    left,
    live,
    short: short && { ...followShort(trace, short), ...short },
    path: followed,
  };
}

function askedOf({ starved: [feed], stands, next }: ByVolts): TraceView['asks'] {
  if (feed) return { feed };
  return stands ? undefined : next;
}

function namedOf([lead]: Believed, parts: number): Pick<TraceView, 'stage' | 'roles'> {
  if (!lead || parts < 2) return { stage: undefined, roles: [] };
  if (!lead.pattern || lead.chance < leads)
    return { stage: lead.pattern ? undefined : { title: 'No stage that is known', chance: lead.chance }, roles: [] };
  return {
    stage: { title: stageKindOf(lead.pattern), chance: lead.chance, like: lead.pattern.title },
    roles: lead.roles!.played().map(({ part, role, chance }) => ({ ref: part.ref, role: role.ref, chance })),
  };
}
