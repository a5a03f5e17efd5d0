import { kept, Recent } from '../recent';
import { type BenchState } from '../log';
import { attempt, evenSpread, Refusal, toleranceWidth } from '../quantity';
import { type Check } from '../behaviour';
import { type CircuitFault, rankFaults, type RankedFault, type Ranking, Stage, weightOf } from '../circuit';
import { type FaultMode } from '../parts';
import { type BlockStage, type Fault, type Sheet } from '../sheet';
import { type BlockInside, insideBlock, measured } from './insideBlock';

/** What a netlist says of the readings inside its block. */
export interface InsideEvidence {
  readonly block: string;
  /** Lines of the log whose readings it judges: for faults it knows, in place of the sheet. */
  readonly entries: ReadonlySet<string>;
  /** By fault of the sheet: how much better it explains them than a sound block does, as a logarithm. */
  readonly advantages: ReadonlyMap<string, number>;
  /** How well a sound block explains them by its netlist: the logarithm of their density, in volts. */
  readonly sound: number;
}

/** With fewer nodes read, what enters left aside, a netlist tells no more than the sheet does. */
const fewest = 2;

/** Ways of failing of an element that a fault of the sheet may mean; any way where none is named. */
const meant: Readonly<Partial<Record<FaultMode, (mode: CircuitFault['mode']) => boolean>>> = {
  open: (mode) => mode.startsWith('open'),
  joint: (mode) => mode.startsWith('open'),
  cracked: (mode) => mode.startsWith('open'),
  short: (mode) => mode.startsWith('short'),
  drifted: (mode) => mode === 'value',
  misset: (mode) => mode === 'value',
};

/**
 * What the netlists of a set’s blocks make of the readings inside them: volts at direct current.
 * A block whose netlist cannot be solved with what was measured says nothing.
 */
export function insideEvidence(sheet: Sheet, checks: ReadonlyMap<string, Check>, bench: BenchState): InsideEvidence[] {
  return [...sheet.blocks.values()].flatMap((block): InsideEvidence[] => {
    const stage = block.stage;
    const inside = stage && insideBlock(sheet, block.id, checks, bench);
    if (!stage || !inside) return [];
    const given = new Set(stage.given.values());
    const telling = inside.readings.filter(
      ({ node, measure }) => measure === 'volts' && !given.has(stage.nodes.get(node) ?? ''),
    );
    if (telling.length < fewest) return [];
    const ranked = ranking(inside.text, measured(telling, 'volts'), spreadOf(sheet, stage, inside));
    if (!ranked) return [];
    const { faults: failing, sound } = ranked;
    const advantages = new Map<string, number>();
    for (const [element, part] of stage.parts) {
      const ways = failing.filter(({ fault }) => fault.ref.toLowerCase() === element.toLowerCase());
      for (const fault of sheet.faults.values())
        if (fault.part === part && ways.length > 0) advantages.set(fault.id, advantageOf(fault, ways));
    }
    const isKnown = listedWays(sheet, stage);
    const unlisted = meanAdvantage(failing, ({ fault }) => (isKnown(fault) ? otherwise : 1));
    for (const fault of sheet.faults.values())
      if (fault.mode === 'unlisted' && sheet.parts.get(fault.part)!.block === block.id)
        advantages.set(fault.id, unlisted);
    return [{ block: block.id, entries: new Set(telling.map(({ entry }) => entry!)), advantages, sound }];
  });
}

/** Something unlisted may do what a listed fault does, against doing what none of them does. */
const otherwise = 0.3;

/** Tells whether a way of failing of an element is one that the sheet lists for its part. */
function listedWays({ faults }: Sheet, { parts }: BlockStage): (way: CircuitFault) => boolean {
  const partOf = new Map([...parts].map(([element, part]) => [element.toLowerCase(), part]));
  const ofStage = new Set(parts.values());
  const listed = [...faults.values()].filter(({ part }) => ofStage.has(part));
  return ({ ref, mode }) => {
    const own = partOf.get(ref.toLowerCase());
    return listed.some((fault) => fault.part === own && (meant[fault.mode]?.(mode) ?? true));
  };
}

/** The mean over the ways the fault may mean, the usual ones counting for more. */
function advantageOf({ mode }: Fault, ways: readonly RankedFault[]): number {
  const fitting = ways.filter(({ fault }) => meant[mode]?.(fault.mode) ?? true);
  return meanAdvantage(fitting.length > 0 ? fitting : ways);
}

/** The logarithm of the mean of what ways of failing explain, by how usual each is. */
function meanAdvantage(ways: readonly RankedFault[], share: (way: RankedFault) => number = () => 1): number {
  const most = Math.max(...ways.map(({ advantage }) => advantage));
  let [sum, weights] = [0, 0];
  for (const way of ways) {
    const weight = weightOf(way.fault) * share(way);
    sum += weight * Math.exp(way.advantage - most);
    weights += weight;
  }
  return most + Math.log(sum / weights);
}

/** Rankings made lately: each set on a bench asks for the same again and again. */
const mostKept = 24;
const made = new Recent<string, { readonly ranked: Ranking | undefined }>(mostKept);

/** A junction's own scatter, which shifts a stage as if its drive were so much another, in volts. */
const junctionScatter = 0.03;

/**
 * How far what enters a block may be from what its netlist takes it for, in volts by node: as the sheet lets it
 * where nobody measured it, and by the scatter of junctions either way. Where sheet and netlist both speak, they
 * are no surer together than that.
 */
function spreadOf(sheet: Sheet, stage: BlockStage, { readings }: BlockInside): ReadonlyMap<string, number> {
  const read = new Set(readings.map(({ node }) => node));
  const given = new Set(stage.given.values());
  return new Map(
    [...stage.nodes].flatMap(([node, id]) => {
      const net = sheet.nets.get(id);
      if (!net || !given.has(id)) return [];
      const allowed = read.has(node) ? 0 : toleranceWidth(net.tolerance, net.volts) * evenSpread;
      return [[node, Math.hypot(allowed, junctionScatter)] as const];
    }),
  );
}

function ranking(
  text: string,
  volts: ReadonlyMap<string, number>,
  sources: ReadonlyMap<string, number>,
): Ranking | undefined {
  const key = `${text}@${JSON.stringify([...volts, ...sources])}`;
  return kept(made, key, () => ({ ranked: rank(text, volts, sources) })).ranked;
}

/** The faults of a netlist by what was measured; undefined where it cannot be solved with that. */
function rank(
  text: string,
  volts: ReadonlyMap<string, number>,
  sources: ReadonlyMap<string, number>,
): Ranking | undefined {
  const stage = attempt(() => Stage.open(text));
  if (stage instanceof Refusal) return undefined;
  const known = new Map([...volts].filter(([node]) => stage.system.indexOf(node) !== undefined));
  const ranking = attempt(() => rankFaults(stage.dictionary(), { volts: known, sources, junctions: junctionScatter }));
  return ranking instanceof Refusal ? undefined : ranking;
}
