import { type Check } from '@/core/behaviour';
import { type Posterior } from '@/core/diagnosis';
import { type BenchState, type TakenReading } from '@/core/reading';
import { type Sheet } from '@/core/sheet';
import { type StageReading } from './stageModel';

/** A block of a set with its netlist, fed by what was measured at the bench. */
export interface BlockInside {
  readonly block: string;
  readonly title: string;
  /** The netlist with what enters it as it was measured, or as the sheet has it. */
  readonly text: string;
  readonly readings: readonly StageReading[];
  /** What parts of the netlist are called in the sheet. */
  readonly parts: Readonly<Record<string, string>>;
}

/** Was it taken on the set as it is now: live, nothing pulled or lifted, after the last repair? */
const holds = ({ context, afterRepairs }: TakenReading, bench: BenchState) =>
  afterRepairs === bench.repairs.length &&
  context.power === 'live' &&
  context.unplugged.length + context.lifted.length + context.bridged.length + context.donors.length === 0;

/** Latest volts of each net, as far as they hold now. */
function voltsByNet(checks: ReadonlyMap<string, Check>, bench: BenchState): ReadonlyMap<string, number> {
  const volts = new Map<string, number>();
  for (const reading of bench.readings) {
    const check = checks.get(reading.check);
    const net = check?.measure === 'dc' ? check.point?.net : undefined;
    if (net === undefined || !holds(reading, bench)) continue;
    // The one typed last stands; a reading that rises and falls away is none of a running stage.
    if (reading.answer.kind === 'number' && reading.answer.shape === 'settled') volts.set(net, reading.answer.value);
  }
  return volts;
}

/**
 * What is inside a block, and what is known of it; undefined where the sheet gives it no netlist.
 *
 * @param netlists texts of the stages that ship, by name
 */
export function insideBlock(
  sheet: Sheet,
  id: string,
  checks: ReadonlyMap<string, Check>,
  bench: BenchState,
  netlists: Readonly<Record<string, string>>,
): BlockInside | undefined {
  const block = sheet.blocks.get(id);
  const stage = block?.stage;
  const text = stage && netlists[stage.netlist];
  if (!block || !stage || text === undefined) return undefined;
  const volts = voltsByNet(checks, bench);
  let filled = text;
  for (const [parameter, net] of stage.given) {
    const value = volts.get(net) ?? sheet.nets.get(net)!.volts;
    filled = filled.replace(
      new RegExp(`^\\.param ${parameter}=.*$`, 'm'),
      `.param ${parameter}=${value} ; ${volts.has(net) ? 'as measured' : 'as it should be'}`,
    );
  }
  return {
    block: id,
    title: block.title,
    text: filled.replace(/^.*$/m, `* ${block.title}: ${text.split('\n')[0]!.replace(/^\*\s*/, '')}`),
    readings: [...stage.nodes].flatMap(([node, net]): StageReading[] => {
      const value = volts.get(net);
      return value === undefined ? [] : [{ node, measure: 'volts', volts: value }];
    }),
    parts: Object.fromEntries(
      [...stage.parts].map(([element, part]) => [element, `${part}, ${sheet.parts.get(part)!.title}`]),
    ),
  };
}

/** A suspect less likely than this is not looked into. */
const worthInside = 0.1;

/** The inside of the likeliest block that has one and is still open, as long as it is a likely one at all. */
export function likeliestInside(
  sheet: Sheet,
  { suspects }: Pick<Posterior, 'suspects'>,
  checks: ReadonlyMap<string, Check>,
  bench: BenchState,
  netlists: Readonly<Record<string, string>>,
): BlockInside | undefined {
  const blocks = suspects.flatMap(({ fault, probability, cured }) =>
    !cured && probability >= worthInside ? [sheet.parts.get(fault.part)!.block] : [],
  );
  const block = blocks.find((id) => sheet.blocks.get(id)!.stage);
  return block === undefined ? undefined : insideBlock(sheet, block, checks, bench, netlists);
}
