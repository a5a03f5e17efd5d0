import { type BenchState } from '../../log';
import { type Check } from '../../behaviour';
import { type Posterior } from './posterior';
import { type BlockInside, insideBlock } from '../../inside';
import { type Fault, isUnlisted, type Sheet } from '../../sheet';

/** A suspect less likely than this is not looked into. */
const worthInside = 0.1;

/** A suspect as likely as that says what it is: where no netlist has it, none is asked. */
const nearlySure = 0.9;

/** Is it a part of a block that its netlist does not have? */
const isBeside = ({ parts, blocks }: Sheet, fault: Fault): boolean => {
  const { block, element } = parts.get(fault.part)!;
  const inNetlist = element !== undefined || [...(blocks.get(block)!.stage?.parts.values() ?? [])].includes(fault.part);
  return !isUnlisted(fault) && !inNetlist;
};

/**
 * The inside of the likeliest block that has one and is still open, as long as it is a likely one at all, and no part
 * beside its netlist is found to be what is wrong.
 */
export function likeliestInside(
  sheet: Sheet,
  { suspects }: Pick<Posterior, 'suspects'>,
  checks: ReadonlyMap<string, Check>,
  bench: BenchState,
): BlockInside | undefined {
  if (suspects.some(({ fault, probability, cured }) => !cured && probability >= nearlySure && isBeside(sheet, fault)))
    return undefined;
  const blocks = suspects.flatMap(({ fault, probability, cured }) =>
    !cured && probability >= worthInside ? [sheet.parts.get(fault.part)!.block] : [],
  );
  const block = blocks.find((id) => sheet.blocks.get(id)!.stage?.text !== undefined);
  return block === undefined ? undefined : insideBlock(sheet, block, checks, bench);
}
