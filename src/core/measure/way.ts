import { type Appearance, type CapacitorSeries, type FaultMode, type PartKind } from '../parts';
import { type Symptom } from '../picture';
import { type Instrument, type Tolerance, type Unit } from '../quantity';
import { type Answer } from './answer';
import { type Expectation } from './expectation';
import { type NetState, type SignState } from './netState';
import { type Limits, type NumberStandard } from './standard';

/** A net at the point where it is measured, as it stands. */
export interface MeasuredNet {
  /** What a good set reads there: the point's own value, or the net's volts. */
  readonly nominal: number;
  /** The point's own value, where it has one. */
  readonly given: number | undefined;
  /** The net's nominal volts. */
  readonly volts: number;
  readonly tolerance: Tolerance;
  /** Nobody has read the value anywhere: it is what such sets usually have. */
  readonly guessed: boolean;
  /** It reports how fast something turns. */
  readonly turning: boolean;
  readonly state: NetState;
  /** The set is live, and the point is joined to where the net is made. */
  readonly reached: boolean;
  /** Something joined to the point holds the net down. */
  readonly shortedHere: boolean;
  /** A lamp is in series with the mains. */
  readonly lamp: boolean;
}

/** A part by itself, as it is marked. */
export interface MeasuredPart {
  readonly kind: PartKind;
  /** Main quantity of its value, in base units. */
  readonly size?: number | undefined;
  /** Rated volts. */
  readonly voltage?: number | undefined;
  /** Of an electrolytic, what it is made for. */
  readonly series?: CapacitorSeries | undefined;
  /** What the sheet says a good one reads there. */
  readonly given?: number | undefined;
  /** How far from it a good one may lie, where the sheet says. */
  readonly tolerance?: Tolerance | undefined;
}

/** A part that a look, a touch or a swap may concern, with what is wrong with it. */
export interface SuspectedPart {
  readonly id: string;
  readonly kind: PartKind;
  readonly fault?: { readonly mode: FaultMode; readonly appears: Appearance } | undefined;
}

/** A set as it shows itself. */
export interface ShownSet {
  readonly sign: SignState | undefined;
  readonly blinks: number;
  readonly symptoms: ReadonlySet<Symptom>;
  /** What others call the same picture, if anything. */
  readonly called: ReadonlySet<Symptom> | undefined;
}

/** What is asked, as a reader of answers needs it for its messages. */
export interface Asked {
  readonly title: string;
  /** What it is called by in a line. */
  readonly name: string;
  /** Parts it takes in. */
  readonly parts: readonly string[];
  /** Is there such a part elsewhere in the set? */
  isPart(word: string): boolean;
}

/** What all ways of measuring have. */
interface Common {
  /** How it is set up, in the bench's words: `DC volts`. */
  readonly title: string;
  /** Words that name it in a line, as `esr` in `C547 esr 2.9`. */
  readonly words: readonly string[];
  /** An answer that would be right, for messages. */
  readonly example: string;
  /** What the set must be doing for it. */
  readonly state: 'live' | 'cold';
  /** Chance that it does not show what is there, where the sheet says nothing. */
  readonly miss: number;
  /** Its line in the help: what is typed, and what it means. */
  readonly help?: readonly [typed: string, means: string];
}

/** A way of measuring that gives a number. */
export interface NumberWay extends Common {
  readonly kind: 'number';
  readonly unit: Unit;
  readonly instrument: Instrument;
  /** Numbers of resistance are compared in decades. */
  readonly scale: 'linear' | 'log';
  /** Where the black lead is put, where the sheet says nothing. */
  readonly ground: 'chassis' | 'none';
  /** A number below nothing cannot be. */
  readonly positive?: true;
  /** What a net gives. */
  ofNet?(net: MeasuredNet): Expectation;
  /** What a part by itself gives, good or failed in a way. */
  ofPart?(part: MeasuredPart, mode: FaultMode | undefined): Expectation;
  /** What is right on a net whose good state reads `nominal`. */
  netLimits?(net: MeasuredNet, nominal: number): Limits;
  /** What is right of a part whose good one reads `nominal`: one judge wherever the part is measured. */
  partLimits?(part: MeasuredPart, nominal: number): Limits;
  /** Other paths can only lower it: a low reading of a part in circuit proves nothing. */
  readonly lowProvesNothing?: true;
  /** What next to nothing means; without it, that nothing is there. */
  readonly dead?: string;
  /** What is off is told as a multiple of what is right. */
  readonly multiple?: true;
  /** What is right, in words, where that is not a value with its tolerance. */
  expected?(standard: NumberStandard, onNet: boolean): string | undefined;
  /** Does an instrument beyond its range read an open one? `ranged` asks how far the range reaches. */
  readonly beyondRange?: 'open' | 'ranged';
  /** What a sweep of a sampler reads for it; absent where a sweep does not tell. */
  swept?(wave: Sweep): number;
}

/** What a sweep comes to, in volts and hertz. */
export interface Sweep {
  readonly peakToPeak: number;
  readonly mean: number;
  readonly rms: number;
  readonly hertz?: number | undefined;
}

/** A way of measuring by eye, ear or hand that is answered with a word. */
export interface ChoiceWay extends Common {
  readonly kind: 'choice' | 'picture';
  /** Answers offered as buttons. */
  choices(parts: readonly string[]): readonly string[];
  /** What it gives of the parts it takes in. */
  ofParts?(parts: readonly SuspectedPart[], miss: number): Expectation;
  /** What it gives of the set as a whole. */
  ofSet?(set: ShownSet): Expectation;
  /** Takes in a place with all its parts: it answers to the name of a block or a board, and may miss what is there. */
  readonly ofPlace?: true;
  /** Its answer is a part; several in one line are an answer each. */
  readonly partByPart?: true;
  /** Shows an intermittent fault whether or not it is showing. */
  readonly findsIntermittents?: true;
  /** A question that a repair makes moot: it is not asked again to verify one. */
  readonly onceOnly?: true;
  /**
   * Reads an answer.
   *
   * @throws Refusal with what would be right
   */
  read(words: readonly string[], asked: Asked): Answer;
}

/** Everything about one way of measuring. */
export type Way = NumberWay | ChoiceWay;
