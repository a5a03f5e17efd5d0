import { Matrix, solve } from 'ml-matrix';
import { sumOf } from '../statistics';

/** A rail that is set by a control of its own. */
export interface Rail {
  readonly id: string;
  /** As it is called, where that is not its id. */
  readonly title?: string;
  readonly target: number;
  /** Volts that it may be off, either way. */
  readonly within: number;
  /** Volts that its magnitude must never pass while it is set. */
  readonly limit: number | undefined;
  /** What it reads now. */
  readonly reads: number;
  /** The control that sets it. */
  readonly control: string;
  /** Does a turn clockwise raise the reading? Undefined where nobody has said. */
  readonly clockwiseRaises: boolean | undefined;
}

/** A control that was turned: what all rails read after it. */
export interface Touch {
  readonly control: string;
  /** Turns, clockwise counted up; undefined where nobody counted. */
  readonly turn: number | undefined;
  readonly before: ReadonlyMap<string, number>;
  readonly after: ReadonlyMap<string, number>;
  /** It came to the end of its travel. */
  readonly end: boolean;
}

/** A figure that is learnt, with its spread. */
interface Learnt {
  readonly mean: number;
  readonly spread: number;
}

/** What is wrong with a control; a fault rather than a setting. */
export interface ControlTrouble {
  readonly control: string;
  readonly rail: string;
  readonly kind: 'does nothing' | 'wrong way' | 'at its end' | 'past its limit';
  readonly words: string;
}

/** What to turn next, and to what reading. */
export interface RailMove {
  readonly control: string;
  readonly rail: string;
  readonly now: number;
  /** Turn until it reads this: the others, when they are set, bring it to its target. */
  readonly aim: number;
  /** Turns, clockwise up; undefined until it is known what a turn does. */
  readonly turn: number | undefined;
  /** It stops short of what is wanted, for a limit. */
  readonly limited: boolean;
}

/** How the setting of rails stands. */
export interface RailsAdvice {
  readonly done: boolean;
  readonly next: RailMove | undefined;
  /** Controls that are still to be touched, the next first. */
  readonly left: readonly string[];
  readonly trouble: readonly ControlTrouble[];
  /** Of each control: volts of its own rail for a turn, and volts of the others for a volt of its own. */
  readonly learnt: readonly {
    readonly control: string;
    readonly perTurn: Learnt | undefined;
    readonly couples: readonly ({ readonly rail: string } & Learnt)[];
  }[];
}

/** Shares of a reading that two readings of the same differ by. */
const readingNoise = 5e-4;
/** What a control is thought to do to another rail before it was turned, in volts for a volt, as a share of the ratio of their targets. */
const usualCoupling = 0.2;
/** In the maker’s order a control does so much less to what comes before it. */
const backwards = 0.2;
/** What a volt does changes so much over the travel. */
const bend = 0.02;
/** Readings are brought this far into their tolerance, so that the last control does not push one out. */
const inside = 0.6;
/** A turn of so much that moves nothing is a control that does nothing. */
const surelyTurned = 0.1;
/** So many spreads of doubt a limit is kept away from. */
const careful = 3;
/** A control that a limit holds back by more waits for the others. */
const halfFree = 0.5;

/** What a control that was never turned may at most do to another rail: that is all made of its own. */
const mostCoupling = 1.1;
/** A coupling is known when its spread is well below what it was thought to be, in volts for a volt. */
const known = (own: Rail, other: Rail) => 0.5 * usualCoupling * Math.abs(other.target / own.target);

const noiseOf = ({ target }: Rail) => readingNoise * Math.abs(target) * Math.SQRT2;

/** Joins what was thought with what was seen. */
function joined(thought: Learnt, seen: Learnt): Learnt {
  const [a, b] = [thought.spread ** -2, seen.spread ** -2];
  return { mean: (thought.mean * a + seen.mean * b) / (a + b), spread: (a + b) ** -0.5 };
}

/** What each control does to each rail, for a volt of its own: columns by control, in the order of the rails. */
function couplings(rails: readonly Rail[], touches: readonly Touch[], inOrder: boolean): Learnt[][] {
  return rails.map((own, i) =>
    rails.map((other, j): Learnt => {
      if (i === j) return { mean: 1, spread: 0 };
      const thought = usualCoupling * (inOrder && j < i ? backwards : 1);
      let known: Learnt = { mean: 0, spread: thought * Math.abs(other.target / own.target) };
      for (const { control, before, after } of touches) {
        if (control !== own.control) continue;
        const moved = after.get(own.id)! - before.get(own.id)!;
        if (Math.abs(moved) < 3 * noiseOf(own)) continue;
        const mean = (after.get(other.id)! - before.get(other.id)!) / moved;
        known = joined(known, { mean, spread: Math.hypot(noiseOf(other) / moved, bend * Math.abs(mean) + 1e-6) });
      }
      return known;
    }),
  );
}

/** Volts of its own rail that a turn of a control makes; undefined before it was turned with the turn counted. */
function perTurn(rail: Rail, touches: readonly Touch[]): Learnt | undefined {
  let known: Learnt | undefined;
  for (const { control, turn, before, after } of touches) {
    if (control !== rail.control || turn === undefined || Math.abs(turn) < 1e-3) continue;
    const mean = (after.get(rail.id)! - before.get(rail.id)!) / turn;
    const seen = { mean, spread: Math.hypot(noiseOf(rail) / turn, 0.1 * Math.abs(mean)) + 1e-9 };
    known = known ? joined(known, seen) : seen;
  }
  return known;
}

/** What the last touch of a control says against it. */
function troubleOf(rail: Rail, touches: readonly Touch[]): ControlTrouble | undefined {
  const last = touches.filter(({ control }) => control === rail.control).at(-1);
  if (!last) return undefined;
  const { control, id, title = id } = rail;
  const moved = last.after.get(id)! - last.before.get(id)!;
  const { turn } = last;
  if (last.end && Math.abs(rail.reads - rail.target) > rail.within)
    return {
      control,
      rail: id,
      kind: 'at its end',
      words: `${control} is at its end and ${title} reads ${rail.reads.toPrecision(4)} V, not ${rail.target} V: no setting reaches it, something else holds it`,
    };
  if (turn === undefined || Math.abs(turn) < surelyTurned) return undefined;
  if (Math.abs(moved) < 2 * noiseOf(rail))
    return {
      control,
      rail: id,
      kind: 'does nothing',
      words: `${control} was turned by ${Math.abs(turn).toPrecision(2)} of a turn and ${title} did not move: an open wiper or track, or another control`,
    };
  if (rail.clockwiseRaises !== undefined && moved * turn > 0 !== rail.clockwiseRaises)
    return {
      control,
      rail: id,
      kind: 'wrong way',
      words: `${control} moves ${title} the wrong way: clockwise should ${rail.clockwiseRaises ? 'raise' : 'lower'} it`,
    };
  return undefined;
}

/** By how many volts each rail’s own control has to move it so that all come to their targets; by rail, 0 for those left alone. */
function movesFor(rails: readonly Rail[], does: readonly (readonly Learnt[])[], movable: readonly boolean[]): number[] {
  const off = rails.map(({ reads, target }) => target - reads);
  const chosen = new Set(rails.flatMap(({ within }, i) => (movable[i] && Math.abs(off[i]!) > within ? [i] : [])));
  for (;;) {
    const order = [...chosen];
    const matrix = order.map((j) => order.map((i) => does[i]![j]!.mean));
    const wanted = order.map((j) => off[j]!);
    const solved = order.length === 0 ? [] : solve(new Matrix(matrix), Matrix.columnVector(wanted), true).to1DArray();
    const moves = rails.map((_, i) => solved[order.indexOf(i)] ?? 0);
    // What the chosen push out has to be set as well.
    const pushed = rails.findIndex(({ within }, j) => {
      const left = off[j]! - sumOf(moves.entries(), ([i, move]) => does[i]![j]!.mean * move);
      return movable[j] && !chosen.has(j) && Math.abs(left) > within * inside;
    });
    if (pushed < 0) return moves;
    chosen.add(pushed);
  }
}

/**
 * What to turn next so that all rails come within their tolerances in few touches. Each control is turned until its own rail
 * reads an aim that allows for what the others will still do to it; what each does to the others is learnt from every touch.
 *
 * @param touches in the order in which they were made
 * @param inOrder the rails stand in the maker’s order: what is set later hardly moves what was set before
 */
export function adviseRails(rails: readonly Rail[], touches: readonly Touch[], inOrder = false): RailsAdvice {
  const does = couplings(rails, touches, inOrder);
  const trouble = rails.flatMap((rail) => troubleOf(rail, touches) ?? []);
  const movable = rails.map(
    ({ control }) => !trouble.some((one) => one.control === control && one.kind !== 'wrong way'),
  );
  const moves = movesFor(rails, does, movable);
  /** What is not known of the others if this one is moved, in tolerances: the most is learnt first. */
  const stirs = (i: number) =>
    sumOf(rails.entries(), ([j, { within }]) => (does[i]![j]!.spread * Math.abs(moves[i]!)) / within);
  const left = rails.flatMap((_, i) => (Math.abs(moves[i]!) > 2 * noiseOf(rails[i]!) ? [i] : []));
  if (!inOrder) left.sort((a, b) => stirs(b) - stirs(a));
  const outside = rails.some(({ reads, target, within }) => Math.abs(reads - target) > within);
  const learnt = rails.map((rail, i) => ({
    control: rail.control,
    perTurn: perTurn(rail, touches),
    couples: rails.flatMap((other, j) => (i === j ? [] : [{ rail: other.id, ...does[i]![j]! }])),
  }));
  const offered = left.map((i) => ({ share: 0, ...moveOf(rails, i, moves[i]!, does[i]!, learnt[i]!.perTurn) }));
  offered.forEach((one, at) => (one.share = (one.aim - one.now) / moves[left[at]!]!));
  // One that a limit holds back waits for the others, or does what it may.
  const next = offered.find(({ share }) => share > halfFree) ?? [...offered].sort((a, b) => b.share - a.share)[0];
  return {
    done: !outside,
    next: outside ? next : undefined,
    left: outside ? offered.map(({ control }) => control) : [],
    trouble,
    learnt,
  };
}

/** The move of one control, kept from every limit with what is in doubt counted in. */
function moveOf(
  rails: readonly Rail[],
  i: number,
  wanted: number,
  does: readonly Learnt[],
  turns: Learnt | undefined,
): RailMove {
  const own = rails[i]!;
  let move = wanted;
  rails.forEach(({ reads, limit }, j) => {
    if (limit === undefined) return;
    const { mean, spread } = does[j]!;
    const sign = Math.sign(reads) || 1;
    // The most that a volt of the own rail may take this one further out.
    const doubt =
      spread < known(own, rails[j]!) ? careful * spread : mostCoupling * Math.abs(rails[j]!.target / own.target);
    const outward = sign * mean * Math.sign(move) + (i === j ? 0 : doubt);
    const room = Math.abs(limit) - sign * reads - noiseOf(rails[j]!);
    if (outward > 0 && Math.abs(move) * outward > room) move = Math.sign(move) * Math.max(0, room / outward);
  });
  return {
    control: own.control,
    rail: own.id,
    now: own.reads,
    aim: own.reads + move,
    turn: turns && Math.abs(turns.mean) > 3 * turns.spread ? move / turns.mean : undefined,
    limited: Math.abs(move) < Math.abs(wanted) - 1e-9,
  };
}
