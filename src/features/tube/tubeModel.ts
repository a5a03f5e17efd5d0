import { type Check } from '@/core/behaviour';
import { type BenchState, type Gun, type LogBody } from '@/core/log';
import {
  cathodeOf,
  emissionChecks,
  type GunJudged,
  type GunSign,
  type gunWalk,
  type Weakness,
  weaknesses,
} from '@/core/setup';
import { type Sheet } from '@/core/sheet';
import { type MarkName } from '@/ui';

export type GunWalk = ReturnType<typeof gunWalk>;

/** A chance from which a gun is called worn, and up to which it is called good. */
const called = { worn: 0.9, good: 0.1 } as const;

export const markOfGun = (judged: GunJudged | undefined): MarkName =>
  judged === undefined ? 'unread' : judged.worn >= called.worn ? 'low' : judged.worn <= called.good ? 'within' : 'odd';

export const gunName = (gun: Gun): string => (gun === 'only' ? 'the gun' : gun);

const percent = (share: number) => `${Math.round(100 * share)} %`;

/** A sign in a sentence: what is held against what, and what a good gun shows there. */
export function signWords({ against, share, usual }: GunSign): string {
  switch (against) {
    case 'its own full heater':
      return `${percent(share)} left with a tenth less heater, a good gun keeps ${percent(usual)}`;
    case 'a usual warm-up':
      return `${share.toFixed(1)} times the usual warm-up`;
    case 'its cut-off':
      return `${percent(share)} of what its cut-off lets expect`;
    default:
      return `${percent(share)} of ${against}`;
  }
}

/** What the test comes to, for a heading. */
export function verdictOf({ judged, guns }: GunWalk): string {
  const all = guns.flatMap((gun) => judged.get(gun) ?? []);
  const worn = all.filter((one) => one.worn >= called.worn).map(({ gun }) => gunName(gun));
  const doubtful = all.filter((one) => one.worn > called.good && one.worn < called.worn).map(({ gun }) => gunName(gun));
  const both = (names: readonly string[]) => names.join(' and ');
  if (worn.length > 0) return `${both(worn)} ${worn.length === 1 ? 'is' : 'are'} worn`;
  if (doubtful.length > 0) return `${both(doubtful)} ${doubtful.length === 1 ? 'stays' : 'stay'} in doubt`;
  return guns.length === 1 ? 'The gun is good' : 'The guns are good';
}

/** Driver or tube, from the cathode volts that were read at the bench and what is known of the guns. */
export function weaknessOf(walk: GunWalk, sheet: Sheet, bench: BenchState, checks: ReadonlyMap<string, Check>) {
  const figures = walk.guns.flatMap((gun) => {
    const net = cathodeOf(sheet, gun);
    const check = [...checks.values()].find(({ measure, point }) => measure === 'dc' && point?.net === net);
    const reading = check && bench.latest.get(check.id)?.answer;
    const cathode = reading?.kind === 'number' && Number.isFinite(reading.value) ? reading.value : undefined;
    return [{ gun, check, cathode, cutOff: walk.readings.get(gun)?.cutOff, share: walk.judged.get(gun)?.share.mid }];
  });
  const known = figures.flatMap(({ gun, cathode, cutOff, share }) =>
    cathode === undefined || cutOff === undefined || share === undefined
      ? []
      : [[gun, { cathode, cutOff, share }] as const],
  );
  return {
    weak: weaknesses(new Map(known)),
    /** Points whose volts would tell more. */
    toRead: figures.flatMap(({ cathode, check }) => (cathode === undefined && check ? [check] : [])),
  };
}

/** Why a colour is weak, or that it is not. */
export function weaknessWords({ byGun, byDrive, because }: Weakness): string {
  const figures = `its gun gives ${percent(byGun)} and its drive ${percent(byDrive)} of the others`;
  if (because === undefined) return `not weak: ${figures}`;
  return because === 'both'
    ? `weak by its gun and by its drive: ${figures}`
    : `weak by ${because === 'the gun' ? 'the tube' : 'its driver'}: ${figures}`;
}

/** A share that moved less than this is no news to the bench. */
const news = 0.02;

/** What the test says as readings of the bench’s own points of emission, where they do not say it yet. */
export function evidenceOf(
  walk: GunWalk,
  sheet: Sheet,
  bench: BenchState,
  checks: ReadonlyMap<string, Check>,
): LogBody[] {
  const points = emissionChecks(sheet, checks);
  return walk.guns.flatMap((gun): LogBody[] => {
    const judged = walk.judged.get(gun);
    const check = points.get(gun);
    if (!judged || !check) return [];
    const value = Number(judged.share.mid.toFixed(2));
    const stands = bench.latest.get(check.id)?.answer;
    if (stands?.kind === 'number' && Math.abs(stands.value - value) < news) return [];
    return [
      { kind: 'reading', check: check.id, answer: { kind: 'number', value, shape: 'settled' }, text: `${value}` },
    ];
  });
}
