import { type Gun, type GunMeasure } from '../../log';
import { partStandard } from '../../measure';
import { sum } from '../../statistics';
import { drawnBy, shareGiven, starvedRatio } from './emission';

/** What was measured of a gun, by measure, in its unit. */
export type GunReadings = Readonly<Partial<Record<GunMeasure, number>>>;

/** A figure that speaks for or against a gun. */
export interface GunSign {
  /** What is held against what, as a share of it. */
  readonly against:
    | 'a good tube'
    | 'its own past'
    | 'the strongest other gun'
    | 'its cut-off'
    | 'its own full heater'
    | 'a usual warm-up';
  readonly share: number;
  /** Share at which a good gun stands, and by what factor good ones scatter about it. */
  readonly usual: number;
  readonly scatter: number;
}

export interface GunJudged {
  readonly gun: Gun;
  /** What it emits of what a good one would: the middle, and what holds the truth nine times in ten. */
  readonly share: { readonly mid: number; readonly low: number; readonly high: number };
  /** Chance that it gives less than two thirds of what a good one does. */
  readonly worn: number;
  /** How many times what space charge asks of it its cathode could give. */
  readonly reserve: number;
  readonly signs: readonly GunSign[];
}

/** Below this share a gun counts as worn: where survey and bench call its emission low. */
export const wornBelow = partStandard('emission', { kind: 'tube' })!.lowBelow;

/** Reserves that are weighed: from a cathode that is done to one that could give thirty times what is asked. */
const reserves = Array.from({ length: 81 }, (_, i) => Math.exp(-3.2 + (i * 6.6) / 80));
const normal = (x: number, spread: number) => Math.exp(-0.5 * (x / spread) ** 2) / spread;
/** A few in a hundred readings are off by more than any spread says. */
const heavy = (x: number, spread: number) => 0.96 * normal(x, spread) + 0.04 * normal(x, 4 * spread);

const stateOf = (middle: number, spread: number) =>
  reserves.map((reserve) => normal(Math.log(reserve / middle), spread));
const goodState = stateOf(5, 0.55);
const wornState = stateOf(0.45, 0.7);
const mixed = (worn: number) => reserves.map((_, i) => (1 - worn) * goodState[i]! + worn * wornState[i]!);
/** Of tubes that are put to the test three guns in ten are worn; as often as each for itself, all of a tube together. */
const states = [
  { chance: 0.5, prior: mixed(0.3) },
  { chance: 0.35, prior: goodState },
  { chance: 0.15, prior: wornState },
] as const;

/** Factors (in logs) that readings scatter by. */
const scatters = {
  /** From type to type of tube and meter to meter, for all guns of one tube alike. */
  type: 0.3,
  /** From gun to gun of one tube, what their cut-offs say allowed for. */
  gun: 0.1,
  /** From tube to tube of one type. */
  good: 0.18,
  starved: 0.05,
  past: 0.08,
  warmUp: 0.35,
} as const;

/** Microamperes that a dead gun is reckoned with; what a tenth less heater leaves of so little says nothing. */
const dead = { emits: 1, tells: 20 } as const;

/** Does a gun emit enough to have anything else measured of it? */
export const emits = ({ emission = Infinity }: GunReadings): boolean => emission > dead.tells;

/** A cut-off as most tubes have it, in volts. */
const usualCutOff = 110;
/** Microamperes that a good gun gives, by its cut-off as far as that is known. */
const askedOf = ({ cutOff = usualCutOff }: GunReadings) => drawnBy(cutOff);

/** Seconds to half of the emission of a good gun; a cathode without reserve has to be all hot first. */
const usualWarmUp = 12;
const warmUpOf = (reserve: number) => usualWarmUp * shareGiven(reserve) ** -0.8;

/** What all guns of a tube share is weighed at so many places. */
const places = Array.from({ length: 25 }, (_, i) => -3 + i / 4);

/** Reads a quantile off weights that stand by rising places. */
function at(shares: readonly number[], weights: readonly number[], part: number): number {
  let left = part * sum(weights);
  const index = weights.findIndex((weight) => (left -= weight) <= 0);
  return shares[index < 0 ? shares.length - 1 : index]!;
}

/** What the guns of a tube are held against beside one another. */
export interface HeldAgainst {
  /** Emission of a gun of a tube of the type that is known to be good, in microamperes. */
  readonly good?: number | undefined;
  /** Emission of each gun at an earlier test at the same settings, in microamperes. */
  readonly past?: ReadonlyMap<Gun, number>;
}

/** Does a sign lie further from the usual than good guns scatter? */
export const tells = ({ share, usual, scatter }: GunSign): boolean =>
  Math.abs(Math.log(Math.max(share, 1e-6) / usual)) > 2 * scatter;

/** How well a reserve suits what was read of a gun, with what the tube shares at a place. */
function fit(
  reserve: number,
  readings: GunReadings,
  { good, past }: { readonly good: number | undefined; readonly past: number | undefined },
  place: number,
): number {
  const { starved, cutOff, warmUp } = readings;
  const emission = readings.emission === undefined ? undefined : Math.max(dead.emits, readings.emission);
  const share = shareGiven(reserve);
  let weight = 1;
  if (emission !== undefined) {
    // Where the cut-off is not known, guns of a tube are still alike, but less so.
    const spread = cutOff === undefined ? 2 * scatters.gun : scatters.gun;
    weight *= heavy(Math.log(emission / (askedOf(readings) * share)) - scatters.type * place, spread);
    if (good !== undefined) weight *= heavy(Math.log(emission / (good * share)), scatters.good);
    // What it gave once is no more than a good gun gives.
    if (past !== undefined) weight *= heavy(Math.max(0, Math.log((past * share) / emission)), scatters.past);
    if (starved !== undefined && emission > dead.tells)
      weight *= heavy(Math.log(Math.max(dead.emits, starved) / emission / starvedRatio(reserve)), scatters.starved);
  }
  if (warmUp !== undefined) weight *= heavy(Math.log(warmUp / warmUpOf(reserve)), scatters.warmUp);
  return weight;
}

/** The weights of the reserves of each gun; what the guns share is summed over. */
function weighed(
  tube: ReadonlyMap<Gun, GunReadings>,
  { good, past }: HeldAgainst,
): ReadonlyMap<Gun, readonly number[]> {
  const guns = [...tube];
  const sums = guns.map(() => reserves.map(() => 0));
  for (const place of places) {
    const fits = guns.map(([gun, readings]) =>
      reserves.map((reserve) => fit(reserve, readings, { good, past: past?.get(gun) }, place)),
    );
    for (const { chance, prior } of states) {
      const each = fits.map((fitting) => fitting.map((weight, i) => weight * prior[i]!));
      const totals = each.map(sum);
      const all = chance * normal(place, 1) * totals.reduce((product, total) => product * total, 1);
      each.forEach((weights, gun) => weights.forEach((weight, k) => (sums[gun]![k]! += (all * weight) / totals[gun]!)));
    }
  }
  return new Map(guns.map(([gun], i) => [gun, sums[i]!]));
}

function signsOf(gun: Gun, tube: ReadonlyMap<Gun, GunReadings>, { good, past }: HeldAgainst): GunSign[] {
  const { emission, starved, cutOff, warmUp } = tube.get(gun)!;
  const signs: GunSign[] = [];
  const add = (against: GunSign['against'], share: number, usual: number, scatter: number) =>
    signs.push({ against, share, usual, scatter });
  if (emission !== undefined) {
    if (good !== undefined) add('a good tube', emission / good, 1, scatters.good);
    const was = past?.get(gun);
    if (was !== undefined) add('its own past', emission / was, 1, scatters.past);
    const others = [...tube]
      .filter(([other, readings]) => other !== gun && readings.emission !== undefined)
      .map(([, readings]) => readings.emission! / askedOf(readings));
    if (others.length > 0)
      add(
        'the strongest other gun',
        emission / askedOf(tube.get(gun)!) / Math.max(...others),
        1,
        Math.SQRT2 * scatters.gun,
      );
    if (cutOff !== undefined) add('its cut-off', emission / drawnBy(cutOff), 1, scatters.type);
    if (starved !== undefined && emission > dead.tells)
      add('its own full heater', starved / emission, starvedRatio(5), scatters.starved);
  }
  if (warmUp !== undefined) add('a usual warm-up', warmUp / usualWarmUp, 1, scatters.warmUp);
  return signs;
}

/**
 * Judges the guns of a tube by what was measured of them. For each gun every reserve of its cathode is weighed by how well it
 * explains the readings; what the guns of one tube share (its type, the meter) is summed over, so that guns are held against
 * one another, against their own cut-off and against a good tube where there is one.
 */
export function judgeGuns(tube: ReadonlyMap<Gun, GunReadings>, against: HeldAgainst = {}): ReadonlyMap<Gun, GunJudged> {
  const shares = reserves.map(shareGiven);
  const judged = [...weighed(tube, against)]
    .filter(([gun]) => Object.keys(tube.get(gun)!).some((measure) => measure !== 'cutOff'))
    .map(([gun, weights]): [Gun, GunJudged] => [
      gun,
      {
        gun,
        share: { mid: at(shares, weights, 0.5), low: at(shares, weights, 0.05), high: at(shares, weights, 0.95) },
        worn: sum(weights.filter((_, i) => shares[i]! < wornBelow)) / sum(weights),
        reserve: at(reserves, weights, 0.5),
        signs: signsOf(gun, tube, against),
      },
    ]);
  return new Map(judged);
}
