import { gaussian, type Random, seeded, sumOf } from '../../statistics';
import { type Bar, bars, type Look, tints } from '../../log';
import { type GreyControl, greyControls } from './tube';

/** What was done and seen, in order. */
export type GreyStep =
  | { readonly bar: Bar; readonly looks: Look }
  | { readonly control: GreyControl; /** Clockwise up. */ readonly turn: number };

export interface GreyEyeAdvice {
  /** Both bars are grey as far as an eye can tell. */
  readonly done: boolean;
  /** Which bar to look at first, if it has not been since the last turn. */
  readonly look: Bar | undefined;
  readonly next: { readonly control: GreyControl; readonly turn: number } | undefined;
  /** How far each bar is thought to be from grey, in just noticeable differences, as `[red, blue]`, and the chance that it is grey. */
  readonly thought: Readonly<Record<Bar, { readonly tint: readonly [number, number]; readonly grey: number }>>;
}

/** What is thought of a tube: its errors, in just noticeable differences, and what a turn of each control does to them. */
interface Guess {
  /** Dark red, dark blue, bright red, bright blue. */
  errors: [number, number, number, number];
  /** Differences a turn, of the error of its own that a control sets. */
  readonly gains: readonly number[];
  /** Share of a drive’s effect that the dark bar has, and of a cut-off’s that the bright bar has. */
  readonly crossing: readonly number[];
  weight: number;
}

const guesses = 3000;
/** Errors that are usual before the work, in just noticeable differences. */
const usual = { dark: 6, bright: 4 };
/** Differences that a turn makes of the error of its own, about; which way is told by the first turn. */
const perTurn = { 'cut-off': 11, drive: 7 } as const;
/** What an eye is unsure of, in differences. */
const eye = 0.35;
/** A bar that is further off than this is seen to be tinted. */
const seen = 1;

const own: Readonly<Record<GreyControl, number>> = {
  'red cut-off': 0,
  'blue cut-off': 1,
  'red drive': 2,
  'blue drive': 3,
};

/** The tint of an error in red and blue against green, as a place in the plane of hues. */
function hue([red, blue]: readonly [number, number]): { readonly size: number; readonly angle: number } {
  const [x, y] = [red - blue / 2, (blue * Math.sqrt(3)) / 2];
  return { size: Math.hypot(red, blue), angle: Math.atan2(y, x) };
}

/** What an eye would say of a bar. */
export function lookOf(tint: readonly [number, number], random: Random): Look {
  const { size, angle } = hue([tint[0] + eye * gaussian(random), tint[1] + eye * gaussian(random)]);
  return size < seen ? 'grey' : tints[Math.round((angle + 2 * Math.PI) / (Math.PI / 3)) % 6]!;
}

/** Chance that a bar with an error is said to look so. */
function chanceOf(look: Look, tint: readonly [number, number]): number {
  const { size, angle } = hue(tint);
  const grey = 1 / (1 + Math.exp((size - seen) / (0.6 * eye)));
  if (look === 'grey') return 0.98 * grey + 0.01;
  const sharp = Math.min(12, 1 + (size / eye) ** 1.2);
  const parts = tints.map((_, i) => Math.exp(sharp * (Math.cos(angle - (i * Math.PI) / 3) - 1)));
  return 0.98 * (1 - grey) * (parts[tints.indexOf(look)]! / sumOf(parts, (part) => part)) + 0.01 / 6;
}

const tintAt = ({ errors }: Guess, bar: Bar): [number, number] =>
  bar === 'dark' ? [errors[0], errors[1]] : [errors[2], errors[3]];

function drawGuesses(random: Random): Guess[] {
  return Array.from({ length: guesses }, (): Guess => ({
    errors: [usual.dark, usual.dark, usual.bright, usual.bright].map(
      (spread) => spread * gaussian(random),
    ) as Guess['errors'],
    gains: greyControls.map(
      (control) => perTurn[control.endsWith('drive') ? 'drive' : 'cut-off'] * Math.exp(0.45 * gaussian(random)),
    ),
    crossing: greyControls.map((control) => (control.endsWith('drive') ? 1 : 0.22) * Math.exp(0.25 * gaussian(random))),
    weight: 1,
  }));
}

function turned(guess: Guess, control: GreyControl, turn: number): void {
  const at = own[control];
  const by = guess.gains[at]! * turn;
  guess.errors[at]! += by;
  guess.errors[(at + 2) % 4]! += by * guess.crossing[at]!;
}

/** Draws anew among the guesses by their weights, with a little spread, when only a few of them carry all. */
function renewed(all: Guess[], random: Random): Guess[] {
  const total = sumOf(all, ({ weight }) => weight);
  const even = total ** 2 / sumOf(all, ({ weight }) => weight ** 2);
  if (even > 0.4 * guesses) return all;
  let at = 0;
  let reached = all[0]!.weight;
  const start = random();
  return Array.from({ length: guesses }, (_, i): Guess => {
    const wanted = ((i + start) / guesses) * total;
    while (reached < wanted && at < all.length - 1) reached += all[(at += 1)]!.weight;
    const { errors, gains, crossing } = all[at]!;
    return {
      errors: errors.map((error) => error + 0.15 * gaussian(random)) as Guess['errors'],
      gains: gains.map((gain) => gain * Math.exp(0.05 * gaussian(random))),
      crossing,
      weight: 1,
    };
  });
}

/** Turns are no smaller than a hand can make them, and no larger than one dares by eye. */
const least = 0.01;
const most = 0.75;

/**
 * What to turn next by eye alone. Thousands of tubes that might be this one are kept; each answer makes those likelier that
 * would look so (a particle filter), and the control is turned that brings the likely ones nearest to grey.
 */
export function greyByEye(steps: readonly GreyStep[]): GreyEyeAdvice {
  const random = seeded(7);
  let all = drawGuesses(random);
  let fresh = new Set<Bar>();
  for (const step of steps) {
    if ('control' in step) {
      for (const guess of all) turned(guess, step.control, step.turn);
      fresh = new Set();
    } else {
      for (const guess of all) guess.weight *= chanceOf(step.looks, tintAt(guess, step.bar));
      fresh.add(step.bar);
      all = renewed(all, random);
    }
  }
  const total = sumOf(all, ({ weight }) => weight);
  const mean = (of: (guess: Guess) => number) => sumOf(all, (guess) => of(guess) * guess.weight) / total;
  const thought = Object.fromEntries(
    bars.map((bar) => [
      bar,
      {
        tint: [mean((guess) => tintAt(guess, bar)[0]), mean((guess) => tintAt(guess, bar)[1])],
        grey: mean((guess) => (hue(tintAt(guess, bar)).size < seen ? 1 : 0)),
      },
    ]),
  ) as unknown as GreyEyeAdvice['thought'];
  const look = bars.find((bar) => !fresh.has(bar));
  if (look) return { done: false, look, next: undefined, thought };
  if (bars.every((bar) => thought[bar].grey > 0.75)) return { done: true, look: undefined, next: undefined, thought };
  return { done: false, look: undefined, next: bestTurn(all), thought };
}

/** The turn of one control after which the sum of the errors’ squares is least. */
function bestTurn(all: readonly Guess[]): { readonly control: GreyControl; readonly turn: number } {
  const some = all.filter((_, i) => i % 4 === 0);
  const total = sumOf(some, ({ weight }) => weight);
  const options = greyControls.map((control) => {
    const at = own[control];
    // Of a·t + e squared over both bars: least at t = -Σae / Σa².
    let [ae, aa, ee] = [0, 0, 0];
    for (const { errors, gains, crossing, weight } of some) {
      for (const [error, does] of [
        [errors[at]!, gains[at]!],
        [errors[(at + 2) % 4]!, gains[at]! * crossing[at]!],
      ] as const) {
        ae += (weight * does * error) / total;
        aa += (weight * does * does) / total;
        ee += (weight * error * error) / total;
      }
    }
    // A cut-off is set for the dark bar, a drive for the bright one: each for its own where the other is not yet right.
    const turn = Math.max(-most, Math.min(most, -ae / aa));
    return {
      control,
      turn: Math.abs(turn) < least ? Math.sign(turn || 1) * least : turn,
      gains: ee - (ee - ae ** 2 / aa),
    };
  });
  const { control, turn } = options.reduce((best, one) => (one.gains > best.gains ? one : best));
  return { control, turn };
}
