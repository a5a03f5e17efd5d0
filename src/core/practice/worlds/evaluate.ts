import { type Minutes } from '../../quantity';
import { type Sheet } from '../../sheet';
import { mean, seeded, sumOf } from '../../statistics';
import { huntIn, nameIn, type Claim } from './openHunt';
import { simulatedSet } from './simulatedSet';
import { type World } from './world';

/** How the advice did in a world, over jobs with one culprit each drawn from a sheet. Shares are from 0 to 1. */
export interface WorldResult {
  readonly jobs: number;
  /** Of jobs: the claim at the end of measuring was right. */
  readonly named: number;
  readonly blockFirst: number;
  readonly blockWithinTwo: number;
  /** Of jobs: a listed fault that was not there was claimed at 0.9 or more. */
  readonly wrongAndSure: number;
  /** Of jobs: all that was wrong was put right by the close. */
  readonly cured: number;
  readonly meanMinutes: Minutes;
  readonly worstMinutes: Minutes;
  readonly meanProbes: number;
  /** Repairs a job that put nothing right. */
  readonly needless: number;
  readonly visits: number;
  /** Of jobs: nothing was offered while the set was still wrong. */
  readonly silent: number;
  readonly claims: readonly Claim[];
  /** Worst first: culprit, and what was missed. */
  readonly missed: readonly string[];
}

const surely = 0.9;

/**
 * Hunts culprits of a sheet in a world.
 *
 * @param groups for each fault, those that no test of the sheet tells from it
 * @param every every so-manieth fault is taken
 */
export function evaluateIn(
  sheet: Sheet,
  world: World,
  groups: ReadonlyMap<string, ReadonlySet<string>>,
  { seed, every, runs }: { readonly seed: number; readonly every: number; readonly runs: number },
): WorldResult {
  const culprits = [...sheet.faults.values()].filter((_, index) => (index + seed) % every === 0);
  const jobs = Array.from({ length: runs }, (_, run) =>
    culprits.map((fault, index) => {
      const of = (salt: number) => seeded(1000 * seed + 7919 * index + 104_729 * run + salt);
      const naming = nameIn(simulatedSet(sheet, fault, world, of(1)), groups, of(2));
      const hunt = huntIn(simulatedSet(sheet, fault, world, of(1)), of(3));
      return { fault: fault.id, ...naming, hunt };
    }),
  ).flat();
  const share = (holds: (job: (typeof jobs)[number]) => boolean) =>
    jobs.length === 0 ? 0 : jobs.filter(holds).length / jobs.length;
  return {
    jobs: jobs.length,
    named: share(({ claim }) => claim.right),
    blockFirst: share(({ blockRank }) => blockRank === 0),
    blockWithinTwo: share(({ blockRank }) => blockRank >= 0 && blockRank < 2),
    wrongAndSure: share(({ claim }) => claim.listed && !claim.right && claim.stated >= surely),
    cured: share(({ hunt }) => hunt.cured),
    meanMinutes: mean(jobs.map(({ hunt }) => hunt.minutes)),
    worstMinutes: Math.max(...jobs.map(({ hunt }) => hunt.minutes)),
    meanProbes: mean(jobs.map(({ hunt }) => hunt.probes)),
    needless: sumOf(jobs, ({ hunt }) => hunt.needless) / jobs.length,
    visits: mean(jobs.map(({ hunt }) => hunt.visits)),
    silent: share(({ hunt }) => hunt.silent),
    claims: jobs.map(({ claim }) => claim),
    missed: jobs.flatMap(({ fault, claim, hunt, blockRank }) =>
      claim.right && hunt.cured
        ? []
        : [
            `${fault}: ${claim.about} at ${claim.stated.toFixed(2)}${claim.right ? '' : ', wrong'}; its block in place ${blockRank + 1}${hunt.cured ? '' : '; not cured'}`,
          ],
    ),
  };
}

/** Claims by what was stated, with how often they were right, and the mean gap weighted by claims. */
export function calibrationOf(claims: readonly Claim[]): {
  readonly bands: readonly {
    readonly from: number;
    readonly claims: number;
    readonly stated: number;
    readonly observed: number;
  }[];
  readonly error: number;
} {
  const bands = Array.from({ length: 10 }, (_, band) => {
    const from = band / 10;
    const own = claims.filter(({ stated }) => Math.min(9, Math.floor(stated * 10)) === band);
    return {
      from,
      claims: own.length,
      stated: own.length === 0 ? 0 : mean(own.map(({ stated }) => stated)),
      observed: own.length === 0 ? 0 : own.filter(({ right }) => right).length / own.length,
    };
  });
  const error = sumOf(bands, ({ claims: count, stated, observed }) => count * Math.abs(stated - observed));
  return { bands, error: error / Math.max(1, claims.length) };
}
