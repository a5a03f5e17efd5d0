import { type Farads, type Minutes, type Ohms, type Ratio, type Tolerance, type Unit, type Volts } from '../quantity';

export const sheetFormat = 'tovrik-sheet/1';

export const technologies = ['crt-colour', 'crt-mono', 'plasma', 'projection-lamp', 'projection-tubes'] as const;
export type Technology = (typeof technologies)[number];

/** Which side of the isolation barrier something is on; `both` where the barrier runs through it. */
export const sides = ['hot', 'cold', 'floating', 'both'] as const;
export type Side = (typeof sides)[number];

/** What the black lead is on. */
export const grounds = ['hot', 'chassis', 'floating', 'none'] as const;
export type Ground = (typeof grounds)[number];

/** Where an expected value comes from. */
export const sources = ['label', 'manual', 'good set', 'guess'] as const;
export type Source = (typeof sources)[number];

export const partKinds = [
  'ballast',
  'battery',
  'bridge',
  'ceramic',
  'coil',
  'connector',
  'diode',
  'electrolytic',
  'fan',
  'film',
  'flex',
  'flyback',
  'fuse',
  'fusible',
  'ic',
  'lamp',
  'lead',
  'mosfet',
  'motor',
  'optics',
  'optocoupler',
  'panel',
  'relay',
  'resistor',
  'screw',
  'socket',
  'source',
  'switch',
  'thermistor',
  'transformer',
  'transistor',
  'trimmer',
  'tube',
  'yoke',
  'zener',
] as const;
export type PartKind = (typeof partKinds)[number];

export const faultModes = [
  'open',
  'short',
  'leaky',
  'dry',
  'drifted',
  'joint',
  'loose',
  'worn',
  'missing',
  'dirty',
  'stalled',
  'dead',
  'misset',
  'cracked',
] as const;
export type FaultMode = (typeof faultModes)[number];

/** `power` rails and the mains; `signal` is all the rest. */
export type NetKind = 'rail' | 'signal';
export const signalClasses = [
  'control',
  'data',
  'drive',
  'sync',
  'deflection',
  'eht',
  'beam',
  'sustain',
  'scan',
  'light',
  'motion',
  'sound',
  'video',
] as const;
export type SignalClass = (typeof signalClasses)[number];

export const measures = [
  'dc',
  'ac',
  'ripple',
  'hertz',
  'ohms',
  'diode',
  'esr',
  'rings',
  'look',
  'press',
  'swap',
  'sign',
  'blinks',
  'picture',
] as const;
export type Measure = (typeof measures)[number];

/** What the set must be doing for a check. */
export type SetState = 'live' | 'cold';

/** A named band of a net's ratio. */
export const levels = ['dead', 'low', 'good', 'high'] as const;
export type Level = (typeof levels)[number];

/** When a fault shows itself. `sometimes` is an intermittent. */
export const appearances = ['always', 'cold', 'warm', 'sometimes'] as const;
export type Appearance = (typeof appearances)[number];

/** The parts a net may play in the picture of a tube, a panel or a lamp. */
export const pictureRoles = {
  tube: [
    'vertical',
    'horizontal',
    'eht',
    'heater',
    'screen',
    'focus',
    'cathode_r',
    'cathode_g',
    'cathode_b',
    'blanking',
    'sync',
    'content',
    'size',
    'convergence',
  ],
  light: ['lamp', 'wheel', 'image', 'content'],
  panel: ['glow_y', 'glow_x', 'upper', 'lower', 'left', 'right', 'setup', 'scan', 'image', 'content'],
} as const satisfies Record<string, readonly string[]>;

/** How sets of a technology make their picture. */
export function familyOf(technology: Technology): keyof typeof pictureRoles {
  if (technology === 'plasma') return 'panel';
  return technology === 'projection-lamp' ? 'light' : 'tube';
}

/** What a check of a sign can answer. */
export const signStates = ['no', 'weak', 'brief', 'yes'] as const;
export type SignState = (typeof signStates)[number];

/** A place in the YAML text, from 1. */
export interface Place {
  readonly line: number;
  readonly column: number;
  /** The sheet whose text it is in, where that is not the one being read but one it extends. */
  readonly sheet?: string;
}

export interface LabelField {
  readonly id: string;
  readonly title: string;
  readonly unit: Unit;
  readonly nominal: number;
  readonly tolerance: Tolerance;
}

export interface Board {
  readonly id: string;
  readonly title: string;
  readonly aliases: readonly string[];
  readonly side: Side;
  /** What a good one would fetch, in the shop's money. */
  readonly value: number;
  /** Minutes to take it out and put it back. */
  readonly removal: Minutes;
}

export interface Connector {
  readonly id: string;
  readonly title: string;
  readonly from: string;
  readonly to: string;
  readonly carries: readonly string[];
  readonly minutes: Minutes;
  /** May the set be run with it pulled? */
  readonly unplug: boolean;
}

/** Something that holds charge after the plug is pulled. */
export interface Store {
  readonly id: string;
  readonly title: string;
  readonly farads: Farads;
  readonly volts: Volts;
  /** Resistance that drains it by itself; absent where nothing does. */
  readonly bleed?: Ohms;
  readonly side: Side;
  readonly place: string;
}

export interface Net {
  readonly id: string;
  readonly title: string;
  readonly kind: NetKind;
  readonly signal?: SignalClass;
  /** Nominal volts; 1 for a signal that has none. */
  readonly volts: Volts;
  readonly tolerance: Tolerance;
  /** The label field that gives the volts of a particular set. */
  readonly label?: string;
  readonly source: Source;
  readonly place: Place;
}

/** An exception to the default rule of a block: first match wins for the nets it names. */
export interface Rule {
  readonly when: ReadonlyMap<string, readonly Level[]>;
  readonly makes: ReadonlyMap<string, Ratio>;
}

export interface Block {
  readonly id: string;
  readonly title: string;
  /** At most about fourteen letters, for the line. */
  readonly short: string;
  readonly board: string;
  /** Its own side where its board has both. */
  readonly side: Side;
  readonly needs: readonly string[];
  readonly makes: readonly string[];
  /** Holds its outputs while its inputs are above four fifths. */
  readonly regulates: boolean;
  readonly rules: readonly Rule[];
  /** What is inside it, where that is known. */
  readonly stage?: BlockStage;
  readonly place: Place;
}

/** A netlist inside a block, and what its names stand for in the sheet. */
export interface BlockStage {
  /** Which of the stages that ship. */
  readonly netlist: string;
  /** Its text; absent where no such stage is at hand. */
  readonly text?: string;
  /** Parameters of the netlist that are the nominal volts of a net. */
  readonly given: ReadonlyMap<string, string>;
  /** Nets, by node of the netlist. */
  readonly nodes: ReadonlyMap<string, string>;
  /** Parts, by element of the netlist as it is written there. */
  readonly parts: ReadonlyMap<string, string>;
}

export interface Part {
  readonly id: string;
  readonly title: string;
  readonly kind: PartKind;
  readonly block: string;
  readonly board: string;
  /** As marked, e.g. `100u 35V`. */
  readonly value: string;
  /** Main quantity of the value, in base units. */
  readonly size?: number;
  readonly voltage?: Volts;
  /** Runs hot: joints crack and capacitors dry sooner. */
  readonly heat: boolean;
  readonly price: number | undefined;
}

export interface Fault {
  /** `part.mode`. */
  readonly id: string;
  readonly part: string;
  readonly mode: FaultMode;
  readonly title: string;
  /** Multiplies the base rate of the part kind and mode. */
  readonly weight: number;
  readonly appears: Appearance;
  readonly sets: ReadonlyMap<string, Ratio>;
  readonly shorts: readonly string[];
  readonly ripples: readonly string[];
  readonly opens: readonly string[];
  readonly signs: ReadonlyMap<string, SignState>;
  readonly shows: readonly string[];
  /** Faults it is likely to bring about in other parts. */
  readonly harms: readonly string[];
  /** Overrides of single predictions: point → value. */
  readonly reads: ReadonlyMap<string, number>;
  readonly place: Place;
}

export interface Point {
  readonly id: string;
  readonly title: string;
  /** Where to put the red lead. */
  readonly where: string;
  readonly measure: Measure;
  readonly net?: string;
  readonly parts: readonly string[];
  readonly board?: string;
  readonly ground: Ground;
  readonly state: SetState;
  readonly minutes: Minutes;
  /** 0 none, 1 mind your fingers, 2 live high voltage, 3 lethal at once. */
  readonly danger: 0 | 1 | 2 | 3;
  /** Chance that the check does not show what is there. */
  readonly miss: number;
  readonly aliases: readonly string[];
  /** Overrides what the net or part would give. */
  readonly expect?: number;
  readonly tolerance?: Tolerance;
  readonly source?: Source;
  readonly page?: string;
  readonly place: Place;
}

/** Something seen, heard or smelt at power-up. */
export interface Sign {
  readonly id: string;
  readonly title: string;
  readonly sense: 'see' | 'hear' | 'smell';
  /** The net whose state makes it; without one only a fault causes it. */
  readonly follows?: string;
}

/** A guard that cuts a supply when a net it watches is wrong. */
export interface Protection {
  readonly id: string;
  readonly title: string;
  readonly watches: ReadonlyMap<string, readonly Level[]>;
  readonly cuts: readonly string[];
  readonly blinks: number | undefined;
  /** Seconds from start until it acts; a slow one leaves time to measure. */
  readonly after: number;
  /** What is seen or heard while it acts. */
  readonly signs: ReadonlyMap<string, SignState>;
}

/** Like circuits whose readings should agree, e.g. three colour channels. */
export interface Siblings {
  readonly id: string;
  readonly title: string;
  readonly columns: readonly string[];
  /** From the picture back towards the signal. */
  readonly rows: readonly {
    readonly title: string;
    readonly points: readonly string[];
    /** Per column: the parts between this row and the next. */
    readonly parts: readonly (readonly string[])[];
  }[];
}

export interface SetUpStep {
  readonly title: string;
  readonly point?: string;
  readonly target: string;
  readonly how: string;
}

export interface KitLine {
  readonly refs: readonly string[];
  readonly value: string;
  readonly note: string;
}

export interface Quirk {
  readonly title: string;
  readonly note: string;
}

/** How sets of a kind differ: a size, a supplier of a board, a number of boards. */
export interface Option {
  readonly id: string;
  readonly title: string;
  /** The first is taken where nobody chooses. What a choice changes was merged in by the reader. */
  readonly choices: readonly { readonly id: string; readonly title: string; readonly tell: string }[];
}

/** A kind of set, as described by a chassis sheet. Maps keep the order of the file. */
export interface Sheet {
  readonly id: string;
  readonly title: string;
  readonly technology: Technology;
  readonly size: string;
  readonly summary: string;
  readonly options: readonly Option[];
  readonly label: ReadonlyMap<string, LabelField>;
  readonly boards: ReadonlyMap<string, Board>;
  readonly connectors: ReadonlyMap<string, Connector>;
  readonly stores: ReadonlyMap<string, Store>;
  readonly nets: ReadonlyMap<string, Net>;
  readonly blocks: ReadonlyMap<string, Block>;
  readonly parts: ReadonlyMap<string, Part>;
  readonly faults: ReadonlyMap<string, Fault>;
  readonly points: ReadonlyMap<string, Point>;
  readonly signs: ReadonlyMap<string, Sign>;
  readonly protections: readonly Protection[];
  /** Picture role → nets that play it. */
  readonly picture: ReadonlyMap<string, readonly string[]>;
  readonly siblings: readonly Siblings[];
  readonly setUp: readonly SetUpStep[];
  readonly kit: readonly KitLine[];
  readonly quirks: readonly Quirk[];
}
