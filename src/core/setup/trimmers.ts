import { gaussian, type Random } from '../statistics';
import { type Rail, type Touch } from './rails';

/** A set whose rails are off, with trimmers that disturb each other. */
export interface SimulatedTrimmers {
  readonly rails: () => Rail[];
  /** Turns a control until its rail reads an aim, as near as a hand gets; what all rails read then. */
  turnTo(control: string, aim: number): Touch;
  /** The furthest that each rail has been taken, as a share of its limit. */
  readonly worst: () => number;
}

/** What a control does to another rail, in volts for a volt as a share of the targets’ ratio: a little to any, much to what is made of it. */
const coupling = { any: 0.1, most: 0.25, made: { chance: 0.6, least: 0.3, most: 1 } };
const noise = 5e-4;
/** The items in an order drawn at random (Fisher and Yates). */
function shuffled<T>(items: readonly T[], random: Random): T[] {
  const all = [...items];
  for (let last = all.length - 1; last > 0; last -= 1) {
    const other = Math.floor(random() * (last + 1));
    [all[last], all[other]] = [all[other]!, all[last]!];
  }
  return all;
}

/** A hand leaves a trimmer off by so much of the tolerance. */
const hand = 0.2;
const bends = 0.03;

/**
 * Draws a set with coupled trimmers: rails off by up to a tenth, each control moving its own rail and, less, the others.
 *
 * @param count of rails
 */
export function drawTrimmers(count: number, random: Random): SimulatedTrimmers {
  const targets = Array.from({ length: count }, () => Math.round(20 + 180 * random()) * (random() < 0.25 ? -1 : 1));
  const perTurn = targets.map((target) => Math.abs(target) * (0.08 + 0.12 * random()));
  // Each rail may be made of one before it, in an order that nobody is told.
  const order = shuffled(
    targets.map((_, i) => i),
    random,
  );
  const { made } = coupling;
  const parents = targets.map((_, j) => {
    const at = order.indexOf(j);
    return at > 0 && random() < made.chance ? order[Math.floor(random() * at)] : undefined;
  });
  const share = (i: number, j: number) =>
    parents[j] === i
      ? made.least + (made.most - made.least) * random()
      : Math.max(-coupling.most, Math.min(coupling.most, coupling.any * gaussian(random)));
  const matrix = targets.map((own, i) => targets.map((other, j) => (i === j ? 1 : share(i, j) * (other / own))));
  const start = targets.map((target) => target * (1 + 0.1 * (2 * random() - 1)));
  const turned = targets.map(() => 0);
  const true_ = (j: number) =>
    start[j]! +
    turned.reduce((sum, volts, i) => sum + matrix[i]![j]! * volts * (1 + (bends * volts) / Math.abs(targets[i]!)), 0);
  const within = (j: number) => 0.01 * Math.abs(targets[j]!);
  const read = (j: number) => true_(j) * (1 + noise * gaussian(random));
  let worst = 0;
  const note = () => targets.forEach((target, j) => (worst = Math.max(worst, Math.abs(true_(j) / (target * 1.15)))));
  const all = () => new Map(targets.map((_, j) => [`rail ${j}`, read(j)]));
  let latest = all();
  return {
    rails: () =>
      targets.map((target, j): Rail => ({
        id: `rail ${j}`,
        target,
        within: within(j),
        limit: target * 1.15,
        control: `VR${j}`,
        clockwiseRaises: undefined,
        reads: latest.get(`rail ${j}`)!,
      })),
    turnTo(control, aim) {
      const i = Number(control.slice(2));
      const before = latest;
      const was = turned[i]!;
      // The meter is watched while it is turned: the aim is met but for the hand and the noise.
      const wanted = aim + hand * within(i) * gaussian(random);
      for (let step = 0; step < 20; step += 1) turned[i]! += wanted - true_(i);
      note();
      latest = all();
      return { control, turn: (turned[i]! - was) / perTurn[i]!, before, after: latest, end: false };
    },
    worst: () => worst,
  };
}
