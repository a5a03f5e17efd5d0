import { gaussian, type Random, sumOf } from '../statistics';
import { type LogEntry, standing } from '../log';
import { type Rail, type Touch } from './rails';
import { type RailStep } from './walk';

/** Rails that are off, with trimmers that disturb each other. */
export interface Trimmers {
  /** What a rail has, in volts. */
  volts(id: string): number;
  /** A rail was found at so many volts, with nothing turned. */
  foundAt(id: string, volts: number): void;
  /** Turns a control until its own rail has so many volts; the turns it took, clockwise up. */
  turnUntil(control: string, volts: number): number;
}

/** Trimmers of a set that nobody has described, with the reader of the meter and the hand that turns. */
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

/** What a volt does changes by this share over the whole of the target. */
const bends = 0.03;
/** Rails of a set that nobody has touched for years are off by up to this share. */
const mostOff = 0.1;

/** Draws what is wrong with the rails of a set: each off by up to a tenth, its control moving it and, less, the others. */
export function trimmersOf(rails: readonly Pick<Rail, 'id' | 'control' | 'target'>[], random: Random): Trimmers {
  const targets = rails.map(({ target }) => target);
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
  const start = targets.map((target) => target * (1 + mostOff * (2 * random() - 1)));
  const turned = targets.map(() => 0);
  const at = (j: number) =>
    start[j]! +
    sumOf(turned.entries(), ([i, volts]) => matrix[i]![j]! * volts * (1 + (bends * volts) / Math.abs(targets[i]!)));
  return {
    volts: (id) => at(rails.findIndex((rail) => rail.id === id)),
    foundAt(id, volts) {
      const j = rails.findIndex((rail) => rail.id === id);
      start[j]! += volts - at(j);
    },
    turnUntil(control, volts) {
      const i = rails.findIndex((rail) => rail.control === control);
      const was = turned[i]!;
      for (let step = 0; step < 20; step += 1) turned[i]! += volts - at(i);
      return (turned[i]! - was) / perTurn[i]!;
    },
  };
}

/** A hand leaves a trimmer off by so much of the tolerance. */
const hand = 0.2;
/** A limit stands so far beyond the target. */
const limits = 1.15;

/**
 * Draws a set with coupled trimmers, read and turned as a hand does.
 *
 * @param count of rails
 */
export function drawTrimmers(count: number, random: Random): SimulatedTrimmers {
  const rails = Array.from({ length: count }, (_, j) => {
    const target = Math.round(20 + 180 * random()) * (random() < 0.25 ? -1 : 1);
    return { id: `rail ${j}`, control: `VR${j}`, target, within: 0.01 * Math.abs(target), limit: target * limits };
  });
  const trimmers = trimmersOf(rails, random);
  const all = () => new Map(rails.map(({ id }) => [id, trimmers.volts(id) * (1 + noise * gaussian(random))]));
  let worst = 0;
  let latest = all();
  return {
    rails: () => rails.map((rail): Rail => ({ ...rail, clockwiseRaises: undefined, reads: latest.get(rail.id)! })),
    turnTo(control, aim) {
      const { within } = rails.find((rail) => rail.control === control)!;
      const before = latest;
      // The meter is watched while it is turned: the aim is met but for the hand and the noise.
      const turn = trimmers.turnUntil(control, aim + hand * within * gaussian(random));
      for (const { id, limit } of rails) worst = Math.max(worst, Math.abs(trimmers.volts(id) / limit));
      latest = all();
      return { control, turn, before, after: latest, end: false };
    },
    worst: () => worst,
  };
}

/**
 * The rails of a set as they stand by its record: as they were read, and each turned until its own had what was read then.
 *
 * @param random draws what was wrong with them at first; the same each time a set is asked
 */
export function trimmersAsTurned(steps: readonly RailStep[], log: readonly LogEntry[], random: Random): Trimmers {
  const trimmers = trimmersOf(steps, random);
  let open: RailStep | undefined;
  for (const { body } of standing(log, 'reading', 'turned')) {
    if (body.kind === 'turned') {
      open = steps.find(({ control }) => control.toLowerCase() === body.control.toLowerCase());
    } else if (body.answer.kind === 'number' && steps.some(({ id }) => id === body.check)) {
      const { value } = body.answer;
      if (open?.id === body.check) {
        trimmers.turnUntil(open.control, value);
        open = undefined;
      } else trimmers.foundAt(body.check, value);
    }
  }
  return trimmers;
}
