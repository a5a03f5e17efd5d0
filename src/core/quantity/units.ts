/** Plain numbers whose name says the unit they are in; SI throughout. */
export type Volts = number;
export type Ohms = number;
export type Farads = number;
export type Henries = number;
export type Hertz = number;
export type Seconds = number;
export type Watts = number;
export type Joules = number;
export type Minutes = number;
/** A quotient of two like quantities: 1 is nominal. */
export type Ratio = number;

/** Units a quantity can be written in. The empty unit is a bare count. */
export const units = ['V', 'Ω', 'A', 'F', 'H', 'Hz', 's', 'W', '%', ''] as const;
export type Unit = (typeof units)[number];

/** What each unit is called in a sentence. */
export const unitNames: Readonly<Record<Unit, string>> = {
  V: 'volts',
  Ω: 'ohms',
  A: 'amperes',
  F: 'farads',
  H: 'henries',
  Hz: 'hertz',
  s: 'seconds',
  W: 'watts',
  '%': 'per cent',
  '': 'a count',
};
