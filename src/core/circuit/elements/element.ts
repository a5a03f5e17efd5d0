import { type Model } from './model';
import { type Card } from './card';

/** What every element has, whatever its kind. */
export interface Common {
  /** In small letters, with the path of its subcircuit before it: `x1.r2`. */
  readonly name: string;
  /** As it was written. */
  readonly label: string;
  readonly line: number;
  /** The comment it stands under, as `red` in a driver of three channels; empty where there is none. */
  readonly section: string;
}

/** Two nodes, the first of which is plus. */
export type Pair = readonly [string, string];

/** Equations that an element writes itself into; rows and columns are unknowns. */
export interface Equations {
  readonly right: Float64Array;
  add(row: number, column: number, value: number): void;
  /** Stamps a conductance between two nodes. */
  conductance(a: number, b: number, siemens: number): void;
}

/** Where nodes and currents lie among the unknowns. */
export interface Places {
  node(name: string): number;
  /** The current through an element that has one. */
  current(element: string): number;
}

/**
 * A piece of an element that is not linear. Its terminals are places in a list; what stands there is the
 * unknown the terminal is on. It holds itself back to a step that converges.
 */
export interface Device {
  /** Unknowns of its terminals, in its own order. */
  readonly home: readonly number[];
  /** Puts it where Newton's iteration starts from: at these voltages, or just conducting. */
  hold(at: Int32Array, first: number, from?: Float64Array): void;
  /** Is it within some volts of where it was held? */
  near(at: Int32Array, first: number, x: Float64Array, volts: number): boolean;
  /** Adds it, linearised around `x`. @returns was it held back? */
  stamp(at: Int32Array, first: number, equations: Equations, x: Float64Array): boolean;
  /** The same with its terminals among other unknowns. */
  among(place: (unknown: number) => number): Device;
}

/** A device with the terminals of the element that its own lie on: undefined for one that is no leg's. */
export interface Laid {
  readonly device: Device;
  readonly legs: readonly (number | undefined)[];
}

/** A capacitance between two unknowns, in farads. */
export interface Capacitance {
  readonly a: number;
  readonly b: number;
  readonly farads: number;
  /** Volts across it at the start, where they are given. */
  readonly initial?: number;
}

/** One way an element may fail: of the whole of it, or of the legs named behind the hyphen. */
export const faultModes = [
  'open',
  'short',
  'value',
  'dry',
  'open-b',
  'open-c',
  'open-e',
  'short-be',
  'short-bc',
  'short-ce',
  'open-d',
  'open-s',
  'short-gs',
  'short-gd',
  'short-ds',
] as const;
export type CircuitFaultMode = (typeof faultModes)[number];

export interface Failure {
  readonly mode: CircuitFaultMode;
  /** For a drift: what the resistance is multiplied by. */
  readonly factor?: number;
}

/** All that the circuit knows of a kind of element: its text, its equations, its failures. */
export interface ElementKind<E extends Common> {
  /** @throws Refusal with the line */
  read(card: Card): Omit<E, keyof Common>;
  /** What follows its name. @param named a name within the flat text, by kind and name */
  write(element: E, named: (kind: string, name: string) => string): string;
  /** Is its current an unknown of its own? */
  hasCurrent?(element: E): boolean;
  /** Pairs of nodes that it holds at a voltage, so that a loop of such cannot be solved. */
  holds?(element: E): readonly Pair[];
  /** Pairs of nodes that direct current passes between. */
  passes?(element: E): readonly Pair[];
  /** Its share of the equations that is linear in direct current, sources apart. */
  stamp?(element: E, equations: Equations, places: Places): void;
  /** Ohms behind each terminal; undefined where there are none. */
  behind?(element: E): readonly (number | undefined)[];
  /** Its pieces that are not linear. @param at unknowns of its terminals, behind their resistances */
  devices?(element: E, at: readonly number[], places: Places): readonly Laid[];
  /** Its capacitances at a point. @param at unknowns of its terminals, behind their resistances */
  capacitances?(element: E, at: readonly number[], point: Float64Array): readonly Capacitance[];
  /** Letters of its legs, in the order of its nodes, as its failures name them. */
  readonly legs?: string;
  /** @param overTime does the netlist ask for a run through time? */
  failures?(element: E, overTime: boolean): readonly Failure[];
  /** What it can be measured by, out of the set and cold. */
  readonly cold?: 'ohms' | 'junctions' | 'capacitor';
  /** What of it can be turned: ohms, farads, henries, volts, amperes. */
  readonly turnable?: (element: E) => number | undefined;
  turned?(element: E, factor: number): E;
}

/** A junction transistor's or a diode's model with what it multiplies by. */
export interface Modelled {
  readonly model: Model;
  readonly area: number;
}
