import { type Predictions } from '../../behaviour';
import { unfitBoards } from '../../parts';
import { sumOf } from '../../statistics';
import { type Fault } from '../../sheet';
import { type Observation } from './case';
import { type Hypothesis } from './hypothesis';

/** Of those that are bad, how many have gone the same way as the set’s own: they are of one age and one make. */
const sameWay = 0.5;

/** So many of the set’s own faults are weighed beside so many that the donor may bring. */
const mostOwn = 6;
const mostBrought = 6;

/**
 * What it may be where a donor’s board that was tried is bad itself: with the very fault of the set’s own board, or with
 * another, whatever is wrong with the set. Empty where no donor was tried.
 *
 * @param logs log-likelihood per observation of each single fault of the set, in sheet order
 */
export function badDonors(
  { model: { sheet } }: Predictions,
  faults: readonly Fault[],
  prior: ReadonlyMap<string, number>,
  observations: readonly Observation[],
  logs: readonly Float64Array[],
): { hypothesis: Hypothesis; prior: number }[] {
  const boards = new Set(observations.flatMap(({ context }) => context.donors));
  const boardOf = ({ part }: Fault) => sheet.parts.get(part)?.board;
  const chanceOf = ({ id }: Fault) => prior.get(id)!;
  return [...boards].flatMap((board) => {
    const onBoard = faults.filter((fault) => boardOf(fault) === board);
    const all = sumOf(onBoard, chanceOf);
    if (all === 0) return [];
    const without = [...logs.keys()].filter((o) => !observations[o]!.context.donors.includes(board));
    /** A fault of the set’s own by all that was read without the donor. */
    const own = (place: number) => Math.log(chanceOf(faults[place]!)) + sumOf(without, (o) => logs[o]![place]!);
    const anchors = [...faults.keys()].sort((a, b) => own(b) - own(a)).slice(0, mostOwn);
    const brought = [...onBoard].sort((a, b) => chanceOf(b) - chanceOf(a)).slice(0, mostBrought);
    return [
      ...onBoard.map((fault) => ({
        hypothesis: { faults: [fault], donor: { board, fault } },
        prior: chanceOf(fault) * unfitBoards * sameWay,
      })),
      ...anchors.flatMap((place) =>
        brought
          .filter((fault) => fault !== faults[place])
          .map((fault) => ({
            hypothesis: { faults: [faults[place]!], donor: { board, fault } },
            prior: (chanceOf(faults[place]!) * unfitBoards * (1 - sameWay) * chanceOf(fault)) / all,
          })),
      ),
    ];
  });
}
