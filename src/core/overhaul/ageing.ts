import { type Case } from '../diagnosis';
import { faultModes, replacing } from '../parts';
import { harmOfOne, nextToFail, returnRisk, type ReturnsSeen, visitCost, weighExtent } from '../proof';
import { type Minutes } from '../quantity';
import { replacedParts } from '../repair';
import { type Part } from '../sheet';

/** A part that may be what fails next, with what a new one would come to. */
export interface AgeingPart {
  readonly part: Part;
  /** Chance that it fails within the years looked ahead. */
  readonly chance: number;
  readonly minutes: Minutes;
  readonly money: number;
  /** What a new one now saves on average against waiting, in money; below nothing where it costs more. */
  readonly saves: number;
  /**
   * `pays` to replace now; `watch`: likelier to fail than to be harmed by the work, but not worth it;
   * `leave`: likelier harmed than helped.
   */
  readonly judged: 'pays' | 'watch' | 'leave';
}

/**
 * What ages in a set that works, likeliest to fail first: by what its sheet expects, the shop's own closed jobs, and
 * how the shop's sets came back. New parts are left out, and what does not go with age.
 *
 * @param bad parts that read off: they have failed
 * @param years looked ahead
 */
export function ageingParts(
  { predictions, bench, closed, hourlyRate }: Case,
  bad: ReadonlySet<string>,
  seen: ReturnsSeen,
  years: number,
): readonly AgeingPart[] {
  const { sheet } = predictions.model;
  const chances = nextToFail(sheet, closed);
  const renewed = replacedParts(bench.repairs);
  const ages = new Set(
    [...sheet.faults.values()].filter(({ mode }) => faultModes[mode].byHeat).map(({ part }) => part),
  );
  const ahead = { years, visit: visitCost(hourlyRate), hour: hourlyRate };
  const waiting = weighExtent({ refs: [], money: 0, minutes: 0 }, chances, seen, ahead);
  return [...ages]
    .filter((id) => !renewed.has(id) && !bad.has(id))
    .map((id): AgeingPart => {
      const part = sheet.parts.get(id)!;
      const { minutes, money: usual } = replacing(part.kind);
      const money = part.price ?? usual;
      const chance = returnRisk(seen, years, chances.get(id)!).other;
      const renewedNow = weighExtent({ refs: [id], money, minutes }, chances, seen, ahead);
      const saves = waiting.now + waiting.later - renewedNow.now - renewedNow.later;
      return {
        part,
        chance,
        minutes,
        money,
        saves,
        judged: saves > 0 ? 'pays' : chance > harmOfOne ? 'watch' : 'leave',
      };
    })
    .sort((a, b) => b.chance - a.chance);
}
