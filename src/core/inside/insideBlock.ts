import { type BenchState, type TakenReading } from '../log';
import { type Check, type Context } from '../behaviour';
import { type BlockStage, type Sheet } from '../sheet';

/** Something measured on a stage. */
export interface StageReading {
  readonly node: string;
  readonly measure: 'volts' | 'ripple';
  readonly volts: number;
  /** The line of the log it stands in; absent where it is on no job. */
  readonly entry?: string;
}

/** A block of a set with its netlist, fed by what was measured at the bench. */
export interface BlockInside {
  readonly block: string;
  readonly title: string;
  /** The netlist with what enters it as it was measured, or as the sheet has it. */
  readonly text: string;
  readonly readings: readonly StageReading[];
  /** Nodes by the net of the sheet they are. */
  readonly nodes: Readonly<Record<string, string>>;
  /** What parts of the netlist are called in the sheet. */
  readonly parts: Readonly<Record<string, string>>;
}

/** Is the set as its sheet has it: nothing pulled, lifted, bridged or lent? */
const isWhole = ({ unplugged, lifted, bridged, donors }: Context) =>
  unplugged.length + lifted.length + bridged.length + donors.length === 0;

/** Was it taken on the set as it is now: live, nothing pulled or lifted, after the last repair? */
const holds = ({ context, afterRepairs }: Pick<TakenReading, 'context' | 'afterRepairs'>, bench: BenchState) =>
  afterRepairs === bench.repairs.length && context.power === 'live' && isWhole(context);

/** Why a reading taken now would not count inside a block, and what to do; undefined where it would. */
export function whyNotInside({ context }: BenchState): string | undefined {
  if (context.power !== 'live') return 'By its record the set is unplugged: a node has its volts live only (Alt P)';
  if (!isWhole(context)) return 'Something is pulled, lifted or lent: the netlist holds for the whole set only';
  return undefined;
}

interface NetReading {
  readonly volts: number;
  readonly entry: string;
}

/** Latest volts of each net, as far as they hold now. */
function readingsByNet(checks: ReadonlyMap<string, Check>, bench: BenchState): ReadonlyMap<string, NetReading> {
  const found = new Map<string, NetReading>();
  for (const reading of bench.readings) {
    const net = netOf(checks.get(reading.check));
    if (net === undefined || !holds(reading, bench)) continue;
    // The one typed last stands; a reading that rises and falls away is none of a running stage.
    if (reading.answer.kind === 'number' && reading.answer.shape === 'settled')
      found.set(net, { volts: reading.answer.value, entry: reading.entry.id });
  }
  return found;
}

/** The net whose direct voltage a check reads. */
const netOf = (check: Check | undefined) => (check?.measure === 'dc' ? check.point?.net : undefined);

/** The check that reads the direct voltage of a node of a block’s netlist; undefined where only the netlist knows it. */
export function checkOfNode(
  sheet: Sheet,
  checks: ReadonlyMap<string, Check>,
  block: string,
  node: string,
): Check | undefined {
  const net = sheet.blocks.get(block)?.stage?.nodes.get(node);
  return net === undefined ? undefined : [...checks.values()].find((check) => netOf(check) === net);
}

/** The netlist with the resistances that the sheet gives its parts. */
function withSizes(text: string, { parts }: BlockStage, sheet: Sheet): string {
  let filled = text;
  for (const [element, id] of parts) {
    const part = sheet.parts.get(id)!;
    if (part.kind === 'resistor' && part.size !== undefined)
      filled = filled.replace(new RegExp(`^(${element}(?: +\\S+){2}) +\\S+`, 'im'), `$1 ${part.size}`);
  }
  return filled;
}

/** What is inside a block, and what is known of it; undefined where the sheet gives it no netlist. */
export function insideBlock(
  sheet: Sheet,
  id: string,
  checks: ReadonlyMap<string, Check>,
  bench: BenchState,
): BlockInside | undefined {
  const block = sheet.blocks.get(id);
  const stage = block?.stage;
  const text = stage?.text;
  if (!block || !stage || text === undefined) return undefined;
  const byNet = readingsByNet(checks, bench);
  let filled = text;
  const give = (parameter: string, net: string, read?: NetReading) => {
    filled = filled.replace(
      new RegExp(`^\\.param ${parameter}=.*$`, 'm'),
      `.param ${parameter}=${read?.volts ?? sheet.nets.get(net)!.volts} ; ${read ? 'as measured' : 'as it should be'}`,
    );
  };
  for (const [parameter, net] of stage.given) give(parameter, net, byNet.get(net));
  for (const [parameter, net] of stage.nominal) give(parameter, net);
  filled = withSizes(filled, stage, sheet);
  const readings = new Map<string, StageReading>();
  for (const [node, net] of stage.nodes) {
    const read = byNet.get(net);
    if (read) readings.set(node, { node, measure: 'volts', ...read });
  }
  for (const reading of bench.inside) {
    const { block: of, node, measure, volts } = reading;
    if (of !== id || !holds(reading, bench)) continue;
    const key = `${node} ${measure}`;
    readings.delete(key);
    readings.set(key, { node, measure, volts, entry: reading.entry.id });
  }
  return {
    block: id,
    title: block.title,
    text: filled.replace(/^.*$/m, `* ${block.title}: ${text.split('\n')[0]!.replace(/^\*\s*/, '')}`),
    readings: [...readings.values()],
    nodes: Object.fromEntries([...stage.nodes].map(([node, net]) => [net, node])),
    parts: Object.fromEntries(
      [...stage.parts].map(([element, part]) => [element, `${part}, ${sheet.parts.get(part)!.title}`]),
    ),
  };
}

export const measured = (readings: readonly StageReading[], measure: StageReading['measure']) =>
  new Map(readings.flatMap((one) => (one.measure === measure ? [[one.node, one.volts] as const] : [])));
