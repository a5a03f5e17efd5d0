import 'server-only';
import { sumOf } from '@/core/statistics';
import { rankFor, readPart, simplyDoes } from '@/core/supply';
import { database, donorParts, openNeeds, stockLike } from '@/store';
import { caseOf, type JobFile } from '@/workshop/job';
import { badParts, type InHouse, kitsOf } from './kitModel';

/** What there is in the house of all that the kit of a set may ask for. */
export async function loadHouse(file: JobFile): Promise<ReadonlyMap<string, InHouse>> {
  const db = await database();
  const [inDonors, needs] = await Promise.all([donorParts(db), openNeeds(db)]);
  const house = new Map<string, InHouse>();
  const { all } = kitsOf(file.sheet, badParts(caseOf(file, file.entries), file.entries));
  for (const { typed } of all.purchases) {
    const part = readPart(typed);
    const sum = (rows: readonly { readonly typed: string; readonly count: number }[]) =>
      sumOf(rankFor(part, rows).filter(simplyDoes), ({ row }) => row.count);
    house.set(typed, {
      shelf: sum(await stockLike(db, part)),
      donors: sum(inDonors.filter(({ condition }) => condition !== 'doubtful')),
      listed: sumOf(
        needs.filter((need) => need.job === file.id && need.typed === typed && need.state !== 'dropped'),
        ({ count }) => count,
      ),
    });
  }
  return house;
}
