import { type Element, type NetlistNote } from '../elements';

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
  /** Volts at the start of a run through time, by node. */
  readonly initial: ReadonlyMap<string, number>;
  /** Volts from which the search for the operating point begins, by node. */
  readonly guessed: ReadonlyMap<string, number>;
  /** Worked-out values of the parameters at the top. */
  readonly parameters: ReadonlyMap<string, number>;
  /** What was passed over. */
  readonly notes: readonly NetlistNote[];
}
