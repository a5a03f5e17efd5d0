import { type PartKind } from '../parts';

/** A part on a board that may be replaced by itself. */
export interface PartWay {
  readonly money: number;
  readonly pins: number;
  /** Millimetres from pin to pin. */
  readonly pitch: number;
  /** A pad under its belly has to be heated through. */
  readonly belly: boolean;
  /** Pads that were worked on before, or have browned. */
  readonly tired: boolean;
  /** Chance that this part is the cause, and not the rest of its board. */
  readonly guilty: number;
  /** Of the bench’s own reworks: how many, and how many of them lifted a pad or killed the part; unknown counts as none. */
  readonly reworks: { readonly done: number; readonly spoiled: number };
}

/** Another board in place of the whole. */
export interface BoardWay {
  readonly money: number;
  readonly minutes: number;
  /** Chance that a board as it comes is dead, or of a revision that does not fit; it goes back and another comes. */
  readonly unfit: number;
}

/** How many pins the parts of a kind have, and millimetres between them, where nobody says: guesses by hand. */
const pinsOf: Readonly<Partial<Record<PartKind, Pick<PartWay, 'pins' | 'pitch'>>>> = {
  ic: { pins: 28, pitch: 1.27 },
  flyback: { pins: 11, pitch: 5 },
  transformer: { pins: 10, pitch: 5 },
  optocoupler: { pins: 4, pitch: 2.54 },
  transistor: { pins: 3, pitch: 2.54 },
  mosfet: { pins: 3, pitch: 2.54 },
  trimmer: { pins: 3, pitch: 2.54 },
  relay: { pins: 5, pitch: 5 },
};
const twoLegs = { pins: 2, pitch: 5 };

/** How a part of a kind usually sits on its board. */
export const usuallySits = (kind: PartKind): Pick<PartWay, 'pins' | 'pitch' | 'belly' | 'tired'> => ({
  ...(pinsOf[kind] ?? twoLegs),
  belly: false,
  tired: false,
});

/** What each way costs on average, all told. */
export interface Weighed {
  /** Chance that the rework does harm. */
  readonly harm: number;
  readonly part: { readonly cost: number; readonly minutes: number; readonly cured: number };
  readonly board: { readonly cost: number; readonly minutes: number };
}

/** Chance of harm at one pin of 0.65 mm pitch on sound pads, a guess by hand; finer pins are as much likelier to bridge or lift. */
const pinHarm = 0.0006;
const usualPitch = 0.65;
const pitchPower = 1.5;
const tiredPads = 4;
const bellyHarm = 0.03;
/** Reworks that the guess weighs as much as: the bench’s own count takes over as it grows. */
const guessWeighs = 10;
const minutesOf = { begin: 10, pin: 0.25, belly: 10 };

/** Chance that taking a part out and putting another in does harm. */
export function reworkHarm({ pins, pitch, belly, tired, reworks }: PartWay): number {
  const each = pinHarm * (usualPitch / pitch) ** pitchPower * (tired ? tiredPads : 1);
  const guessed = 1 - (1 - Math.min(1, each)) ** pins * (1 - (belly ? bellyHarm : 0));
  return (guessWeighs * guessed + reworks.spoiled) / (guessWeighs + reworks.done);
}

/**
 * The part by itself against another board, in money: work at the shop’s hour, and where the part was not it or the rework
 * did harm, the board after all. Boards that do not fit are sent back and cost their work alone.
 *
 * @param hour what an hour of work is worth
 */
export function weighBoardOrPart(part: PartWay, board: BoardWay, hour: number): Weighed {
  const harm = reworkHarm(part);
  const minutes = minutesOf.begin + minutesOf.pin * part.pins + (part.belly ? minutesOf.belly : 0);
  const cured = part.guilty * (1 - harm);
  const boardMinutes = board.minutes / (1 - board.unfit);
  const boardCost = board.money + (boardMinutes * hour) / 60;
  return {
    harm,
    part: {
      cost: part.money + (minutes * hour) / 60 + (1 - cured) * boardCost,
      minutes: minutes + (1 - cured) * boardMinutes,
      cured,
    },
    board: { cost: boardCost, minutes: boardMinutes },
  };
}
