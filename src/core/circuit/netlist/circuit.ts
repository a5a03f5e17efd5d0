/** What a source gives over time. */
export type Wave =
  | { readonly kind: 'dc' }
  | {
      readonly kind: 'pulse';
      readonly low: number;
      readonly high: number;
      readonly delay: number;
      readonly rise: number;
      readonly fall: number;
      readonly width: number;
      readonly period: number;
    }
  | {
      readonly kind: 'sin';
      readonly offset: number;
      readonly amplitude: number;
      readonly hertz: number;
      readonly delay: number;
      readonly damping: number;
    }
  | { readonly kind: 'pwl'; readonly points: readonly (readonly [number, number])[] };

interface Common {
  /** In small letters, with the path of its subcircuit before it: `x1.r2`. */
  readonly name: string;
  /** As it was written. */
  readonly label: string;
  readonly line: number;
  /** The comment it stands under, as `red` in a driver of three channels; empty where there is none. */
  readonly section: string;
}

export type Passive = Common & {
  readonly kind: 'r' | 'c' | 'l';
  readonly nodes: readonly [string, string];
  /** Ohms, farads or henries. */
  readonly value: number;
  /** Volts or amperes at the start. */
  readonly initial?: number;
};
export type Source = Common & {
  readonly kind: 'v' | 'i';
  readonly nodes: readonly [string, string];
  readonly dc: number;
  readonly ac: { readonly magnitude: number; readonly degrees: number };
  readonly wave: Wave;
};
export type VoltageControlled = Common & {
  readonly kind: 'e' | 'g';
  readonly nodes: readonly [string, string];
  readonly control: readonly [string, string];
  readonly gain: number;
};
export type CurrentControlled = Common & {
  readonly kind: 'f' | 'h';
  readonly nodes: readonly [string, string];
  /** The voltage source whose current controls it. */
  readonly through: string;
  readonly gain: number;
};
export type Coupling = Common & {
  readonly kind: 'k';
  readonly coils: readonly [string, string];
  readonly factor: number;
};
export type Diode = Common & {
  readonly kind: 'd';
  readonly nodes: readonly [string, string];
  readonly model: Model;
  readonly area: number;
};
/** Collector, base, emitter. */
export type Bipolar = Common & {
  readonly kind: 'q';
  readonly nodes: readonly [string, string, string];
  readonly model: Model;
  readonly area: number;
};
/** Drain, gate, source, bulk. */
export type Mosfet = Common & {
  readonly kind: 'm';
  readonly nodes: readonly [string, string, string, string];
  readonly model: Model;
  /** Width over length. */
  readonly ratio: number;
};
export type Element = Passive | Source | VoltageControlled | CurrentControlled | Coupling | Diode | Bipolar | Mosfet;

export interface Model {
  readonly name: string;
  readonly type: 'd' | 'npn' | 'pnp' | 'nmos' | 'pmos';
  readonly values: ReadonlyMap<string, number>;
}

/** What a netlist asks to be worked out. */
export type Analysis =
  | { readonly kind: 'op' }
  | {
      readonly kind: 'tran';
      readonly step: number;
      readonly stop: number;
      readonly start: number;
      /** Largest step; absent where none is given. */
      readonly most?: number;
      /** Starts from the given voltages, not from the operating point. */
      readonly given: boolean;
    }
  | {
      readonly kind: 'ac';
      readonly scale: 'lin' | 'dec' | 'oct';
      readonly points: number;
      readonly from: number;
      readonly to: number;
    };

/** A flat circuit: subcircuits opened up, parameters worked out. Ground is `0`. */
export interface Circuit {
  readonly title: string;
  readonly elements: readonly Element[];
  readonly analyses: readonly Analysis[];
  /** Volts at the start, by node. */
  readonly initial: ReadonlyMap<string, number>;
  /** Worked-out values of the parameters at the top. */
  readonly parameters: ReadonlyMap<string, number>;
}
