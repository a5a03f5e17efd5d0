import { type BenchState } from '../../log';
import { type Check } from '../../behaviour';
import { type Posterior } from './posterior';
import { type BlockInside, insideBlock } from '../../inside';
import { type Sheet } from '../../sheet';

/** A suspect less likely than this is not looked into. */
const worthInside = 0.1;

/** The inside of the likeliest block that has one and is still open, as long as it is a likely one at all. */
export function likeliestInside(
  sheet: Sheet,
  { suspects }: Pick<Posterior, 'suspects'>,
  checks: ReadonlyMap<string, Check>,
  bench: BenchState,
): BlockInside | undefined {
  const blocks = suspects.flatMap(({ fault, probability, cured }) =>
    !cured && probability >= worthInside ? [sheet.parts.get(fault.part)!.block] : [],
  );
  const block = blocks.find((id) => sheet.blocks.get(id)!.stage?.text !== undefined);
  return block === undefined ? undefined : insideBlock(sheet, block, checks, bench);
}
