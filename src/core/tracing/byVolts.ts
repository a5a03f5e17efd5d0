import { type CircuitFault, type Moves, partSuspects, type Stage, StageJudge } from '../circuit';
import { type Volts } from '../quantity';
import { type TracedNet } from './net';
import { isHold, isLoad, netlistNode, partNamed } from './netlist';
import { isRail, type Spot } from './part';

/** One part of a traced circuit that what was read speaks against, as it stands there. */
export interface SpokenAgainst {
  readonly ref: string;
  readonly words: string;
  readonly chance: number;
}

/** What volts that were read of the live set say of a traced circuit. */
export interface ByVolts {
  /** Does it stand as it was traced, as far as what was read tells? */
  readonly stands: boolean;
  /** Chance that all is as it was traced, within the tolerance of the parts. */
  readonly asTraced: number;
  /** The node that reads farthest from where it stands as traced, where no one part explains that; undefined elsewhere. */
  readonly unexplained: string | undefined;
  /** Likeliest first. */
  readonly against: readonly SpokenAgainst[];
  /** What would tell most next: the volts of another pin, or a part by itself with the set off; undefined where nothing would. */
  readonly next: { readonly spot: Spot } | { readonly part: string } | undefined;
  /** Rails that feed it and read far less than they are named: what makes them comes first. */
  readonly starved: readonly { readonly rail: string; readonly read: Volts }[];
  /** What was read, by the name of its node. */
  readonly read: ReadonlyMap<string, Volts>;
}

/** From here on what was read is taken to agree with the trace, or no one part to explain it. */
const leads = 0.5;
const mostTold = 5;
/** Less likely than this a part is not spoken of. */
const leastTold = 0.01;

/** A node stands as traced within this share of its volts, and this many volts. */
const near = { share: 0.15, volts: 0.2 };

/** A rail that feeds a stage and reads less of what it is named is what is wrong first. */
const leastFed = 0.7;

/** Is a rail given to a stage, and not made by it? */
const feeds = ({ circuit }: Stage, rail: string): boolean =>
  circuit.elements.some(({ kind, nodes }) => kind === 'v' && nodes[0] === netlistNode(rail));

/** By how much what was read is farther off than the values of parts scatter. */
const farOff = (read: Volts, stands: Volts): Volts =>
  Math.abs(read - stands) - near.share * Math.max(Math.abs(read), Math.abs(stands)) - near.volts;

/** A part that does not fit: it has failed so, or the trace has it wrong. */
function wordsOf(ref: string, { words, mode }: { readonly words: string; readonly mode: string }): string {
  if (mode.startsWith('open')) return `${ref} is open, or does not lie where it was traced`;
  if (mode.startsWith('short')) return `${ref} is shorted, or its nodes are one and a beep between them was missed`;
  if (mode === 'value') return `${words}, or has another value than was read`;
  return words;
}

/** What a rail feeds lies beyond the board. */
const loadWords = ({ mode, factor = 1 }: CircuitFault): string =>
  mode.startsWith('short') || factor < 1
    ? 'What it feeds draws far more than it should: part it from that and read again'
    : 'What it feeds draws less than was guessed, or is not there';

/**
 * Holds what spots read with the set live against the circuit as it was traced: every part that failed, lies elsewhere
 * or has another value is weighed by what the circuit would read then.
 *
 * @param stage the traced circuit, solved
 * @param read volts by the name of a node
 * @param moves what nobody read of it, and how it moves the nodes
 */
export function byVolts(
  stage: Stage,
  net: TracedNet,
  read: ReadonlyMap<string, Volts>,
  moves: readonly Moves[],
): ByVolts | undefined {
  const known = new Set(stage.nodes);
  const judged = new Map([...read].map(([name, found]) => [netlistNode(name), found]));
  for (const node of judged.keys()) if (!known.has(node)) judged.delete(node);
  if (judged.size === 0) return undefined;
  const judge = new StageJudge(stage, () => undefined);
  const { suspects, nothing, unexplained: isOdd, next } = judge.rank({ volts: judged, ripple: new Map(), moves });
  const nodes = new Map(net.nodes.map((node) => [netlistNode(node.name), node]));
  const [further] = next.flatMap((one): NonNullable<ByVolts['next']>[] => {
    if (one.kind === 'cold') return isLoad(one.ref) ? [] : [{ part: partNamed(one.ref) }];
    const spot = nodes.get(one.node)?.spots.find((of) => !isRail(of));
    return spot === undefined ? [] : [{ spot }];
  });
  const [farthest] = [...read]
    .map(([name, found]) => ({ name, off: farOff(found, stage.volts.get(netlistNode(name)) ?? found) }))
    .sort((a, b) => b.off - a.off);
  const unexplained = (isOdd || nothing >= leads) && farthest && farthest.off > 0 ? farthest.name : undefined;
  return {
    stands: nothing >= leads && unexplained === undefined,
    asTraced: nothing,
    unexplained,
    read,
    starved: [...read].flatMap(([rail, found]) =>
      isRail(rail) && feeds(stage, rail) && found / Number(rail) < leastFed ? [{ rail, read: found }] : [],
    ),
    next: further,
    against: partSuspects(suspects, nothing, stage.circuit)
      .filter(({ probability, leading: { fault } }) => probability >= leastTold && !isHold(fault.ref))
      .slice(0, mostTold)
      .map(({ words, leading: { fault }, probability }) => {
        const ref = partNamed(fault.ref);
        const said = isLoad(fault.ref)
          ? loadWords(fault)
          : wordsOf(ref, { words: words.replace(fault.ref, ref), mode: fault.mode });
        return { ref, chance: probability, words: said };
      }),
  };
}
