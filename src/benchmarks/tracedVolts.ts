import { Stage } from '@/core/circuit';
import { attempt, Refusal } from '@/core/quantity';
import { gaussian, seeded, sumOf } from '@/core/statistics';
import {
  isAlone,
  isRail,
  movesOf,
  netlistNode,
  netlistOf,
  netOf,
  nineOfTen,
  type PatternLibrary,
  patternOf,
  type Spot,
} from '@/core/tracing';

const pinNames: Readonly<Record<string, readonly string[]>> = { q: ['c', 'b', 'e'], m: ['d', 'g', 's'], d: ['a', 'k'] };
/** How far a maker’s value lies from that of the stage that is known, as a spread of its logarithm. */
const otherMaker = 0.35;

/** Nodes of a traced stage: how many stand within 2 % of where they do in truth, and within what is said of them. */
interface Held {
  readonly nodes: number;
  readonly near: number;
  readonly within: number;
}

/**
 * A stage of which all beeps are known, and what feeds it from elsewhere is named by its volts.
 *
 * @param unread share of the values that nobody read; the board has others there than the stage that is known
 */
function held(
  { id, text }: { readonly id: string; readonly text: string },
  library: PatternLibrary,
  unread: number,
): Held {
  const random = seeded(unread * 100);
  const truth = Stage.open(text);
  const { circuit } = truth;
  const pattern = patternOf(id, circuit);
  const refs = new Set(pattern.parts.map(({ ref }) => ref));
  const nodeOf = new Map(
    circuit.elements.flatMap(({ label, kind, nodes }): (readonly [Spot, string])[] =>
      refs.has(label) ? (pinNames[kind] ?? ['1', '2']).map((pin, at) => [`${label}.${pin}`, nodes[at]!] as const) : [],
    ),
  );
  const hidden = new Set(
    pattern.parts.filter(({ kind }) => kind === 'resistor' && random() < unread).map(({ ref }) => ref),
  );
  const factors = new Map(
    [...hidden].map((ref) => [ref.toLowerCase(), Math.exp(otherMaker * gaussian(random))] as const),
  );
  const volts = attempt(() => truth.voltsWith({ factors, parameters: new Map() }));
  if (volts instanceof Refusal) return { nodes: 0, near: 0, within: 0 };
  const facts = pattern.nodes.flatMap((spots) =>
    spots.slice(1).map((b) => ({ a: spots[0]!, b, found: 'joined' as const })),
  );
  for (const { kind, nodes } of circuit.elements) {
    const spot = [...nodeOf].find(([, node]) => node === nodes[0])?.[0];
    const fed = volts.get(nodes[0]!);
    const isNamed = pattern.nodes.some((spots) => spots.some(isRail) && spots.some((one) => one === spot));
    if (!(kind === 'v' || kind === 'e') || !spot || fed === undefined || isNamed) continue;
    facts.push({ a: spot, b: `${fed < 0 ? '' : '+'}${Number(fed.toFixed(3))}`, found: 'joined' });
  }
  const net = netOf(
    pattern.parts.map((part) => (hidden.has(part.ref) ? { ...part, value: undefined } : part)),
    facts,
  );
  const traced = netlistOf(net, library.believe(net), id);
  const stage = Stage.open(traced.text);
  const spreads = stage.spreads(movesOf(stage, traced));
  const rows = net.nodes.flatMap((node) => {
    const name = netlistNode(node.name);
    const spot = node.spots.find((one) => !isRail(one));
    const stands = stage.volts.get(name);
    const isGiven = isRail(node.name) && stands === Number(node.name);
    if (node.name === 'gnd' || isAlone(node) || isGiven || !spot || stands === undefined || traced.floating.has(name))
      return [];
    const off = Math.abs(stands - volts.get(nodeOf.get(spot)!)!);
    const own = Math.abs(volts.get(nodeOf.get(spot)!)!);
    return [{ near: off <= 0.02 * own + 0.01, within: off <= nineOfTen * spreads.get(name)! }];
  });
  return {
    nodes: rows.length,
    near: rows.filter(({ near }) => near).length,
    within: rows.filter(({ within }) => within).length,
  };
}

/** Prints how far the volts of traced stages are true, all values read and a third of them not. */
export function printTracedVolts(
  stages: readonly { readonly id: string; readonly text: string }[],
  library: PatternLibrary,
): void {
  for (const unread of [0, 0.3]) {
    const all = stages.map((one) => held(one, library, unread));
    const share = (of: 'near' | 'within') =>
      ((100 * sumOf(all, (one) => one[of])) / sumOf(all, ({ nodes }) => nodes)).toFixed(1);
    console.log(
      `  volts of ${sumOf(all, ({ nodes }) => nodes)} nodes, ${100 * unread} % of the resistors not read: ${share('near')} % within 2 %, ${share('within')} % within what is said to hold nine of ten`,
    );
  }
}
