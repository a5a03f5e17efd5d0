import 'server-only';
import { rankFor, readPart } from '@/core/supply';
import { database, donorParts, openNeeds, stockLike } from '@/store';
import { caseOf, type JobFile } from '@/workshop/job';
import { badParts, type InHouse, kitsOf } from './kitModel';

const does = (verdict: string) => verdict === 'fits' || verdict === 'better';

/** What there is in the house of all that the kit of a set may ask for. */
export async function loadHouse(file: JobFile): Promise<ReadonlyMap<string, InHouse>> {
  const db = await database();
  const [inDonors, needs] = await Promise.all([donorParts(db), openNeeds(db)]);
  const house = new Map<string, InHouse>();
  const { all } = kitsOf(file.sheet, badParts(caseOf(file, file.entries), file.entries));
  for (const { typed } of all.purchases) {
    const part = readPart(typed);
    const sum = (rows: readonly { readonly typed: string; readonly count: number }[]) =>
      rankFor(part, rows).reduce((total, { row, verdict }) => (does(verdict) ? total + row.count : total), 0);
    const alike = inDonors.filter((one) => one.condition !== 'doubtful' && readPart(one.typed).kind === part.kind);
    house.set(typed, {
      shelf: sum(await stockLike(db, part)),
      donors: sum(alike),
      listed: needs
        .filter((need) => need.job === file.id && need.typed === typed && need.state !== 'dropped')
        .reduce((total, { count }) => total + count, 0),
    });
  }
  return house;
}
