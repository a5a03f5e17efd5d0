import { type Gun, type GunLine, type GunMeasure, gunMeasures, guns, type LogEntry, standing } from '../../log';
import { emits, type GunJudged, type GunReadings, judgeGuns } from './judge';

/** What a gun read earlier at the same settings, and how its emission has gone since. */
export interface GunPast {
  /** When it was, in milliseconds since 1970. */
  readonly at: number;
  readonly emission: number;
  /** Emission now as a share of what it was then. */
  readonly kept: number;
}

/** A measurement that is asked for. */
export interface GunAsked {
  readonly gun: Gun | 'good';
  readonly measure: GunMeasure;
}

/** How the test of a tube stands by the record. */
export interface GunWalk {
  readonly guns: readonly Gun[];
  readonly readings: ReadonlyMap<Gun, GunReadings>;
  readonly good: number | undefined;
  readonly judged: ReadonlyMap<Gun, GunJudged>;
  readonly past: ReadonlyMap<Gun, GunPast>;
  /** What tells most now; undefined where nothing more would change what is said. */
  readonly next: GunAsked | undefined;
  /** Heater, screen and grid as they were written last. */
  readonly settings: string | undefined;
}

/** Readings further apart belong to two tests of the tube. */
const oneTest = 12 * 3600_000;
/** Between these chances of being worn one more measure of the gun is asked for. */
const unsure = { from: 0.04, to: 0.96 } as const;

const sameSettings = (one: GunLine, other: GunLine) =>
  (one.settings ?? '').trim().toLowerCase() === (other.settings ?? '').trim().toLowerCase();

function nextOf(
  all: readonly Gun[],
  readings: ReadonlyMap<Gun, GunReadings>,
  judged: ReadonlyMap<Gun, GunJudged>,
): GunAsked | undefined {
  const lacks = (gun: Gun, measure: GunMeasure) =>
    readings.get(gun)?.[measure] === undefined && emits(readings.get(gun) ?? {});
  const doubted = (gun: Gun) => {
    const worn = judged.get(gun)?.worn ?? 0.5;
    return worn > unsure.from && worn < unsure.to;
  };
  for (const measure of ['emission', 'cutOff'] as const) {
    const gun = all.find((one) => lacks(one, measure));
    if (gun) return { gun, measure };
  }
  for (const measure of ['starved', 'warmUp'] as const) {
    const gun = all.find((one) => doubted(one) && lacks(one, measure));
    if (gun) return { gun, measure };
  }
  return undefined;
}

/**
 * The test of a tube as its job’s log has it: the readings of the last test, what is made of them, what is to be measured next.
 *
 * @param all the guns that the tube has
 */
export function gunWalk(all: readonly Gun[], log: readonly LogEntry[]): GunWalk {
  const lines = standing(log, 'gun').map(({ entry, body }) => ({ at: Date.parse(entry.at), body }));
  const last = lines.at(-1);
  const ofTest = (at: number) => last !== undefined && last.at - at < oneTest;
  const now = lines.filter(({ at, body }) => ofTest(at) && sameSettings(body, last!.body));
  const readings = new Map<Gun, GunReadings>();
  for (const { body } of now)
    if (body.gun !== 'good') readings.set(body.gun, { ...readings.get(body.gun), [body.measure]: body.value });
  const good = lines.findLast(
    ({ body }) => body.gun === 'good' && body.measure === 'emission' && sameSettings(body, last!.body),
  )?.body.value;
  const past = new Map<Gun, GunPast>();
  for (const gun of guns) {
    const emission = readings.get(gun)?.emission;
    const earlier = lines.find(
      ({ at, body }) =>
        body.gun === gun && body.measure === 'emission' && !ofTest(at) && sameSettings(body, last!.body),
    );
    if (emission !== undefined && earlier)
      past.set(gun, { at: earlier.at, emission: earlier.body.value, kept: emission / earlier.body.value });
  }
  const judged = judgeGuns(readings, {
    good,
    past: new Map([...past].map(([gun, { emission }]) => [gun, emission])),
  });
  return {
    guns: all,
    readings,
    good,
    judged,
    past,
    next: nextOf(all, readings, judged),
    settings: last?.body.settings,
  };
}

/** What a measure asks of the hand. */
export const gunHow: Readonly<Record<GunMeasure, string>> = {
  emission: 'heater full and warm for two minutes, grid at the cathode: cathode current in microamperes',
  cutOff: 'raise the cathode until the current just ceases: volts above the grid',
  starved: 'the heater a tenth lower for three minutes, all else the same: cathode current in microamperes',
  warmUp: 'heater off until cold, then on: seconds to half of its emission',
};

/** The gun and the measure, as a heading. */
export const askedSaid = ({ gun, measure }: GunAsked): string =>
  gun === 'good'
    ? `Good tube: ${gunMeasures[measure]}`
    : gun === 'only'
      ? gunMeasures[measure]
      : `${gun}: ${gunMeasures[measure]}`;
