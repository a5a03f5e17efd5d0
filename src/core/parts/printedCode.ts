import { type Farads, type Ohms, Refusal } from '../quantity';

/** What a code stands for: on resistors in ohms, on capacitors in picofarads. */
export interface Coded {
  readonly ohms: Ohms;
  readonly farads: Farads;
  /** Share of nominal, where a letter says it. */
  readonly tolerance: number | undefined;
}

/** Letters of tolerance by IEC 60062. */
const letters: Readonly<Record<string, number>> = {
  B: 0.001,
  C: 0.0025,
  D: 0.005,
  F: 0.01,
  G: 0.02,
  J: 0.05,
  K: 0.1,
  M: 0.2,
};

/**
 * Reads a printed code of three or four digits, the last of them the power of ten: `472` is 4700 Ω or 4.7 nF,
 * `1002` is 10 kΩ, `104K` is 0.1 µF within 10 %. `R` or `p` stands for the decimal point: `4R7`.
 *
 * @throws Refusal where the text is no such code
 */
export function readCode(text: string): Coded {
  const match = /^(?:(\d{2,3})(\d)|(\d*)[Rp](\d+))([BCDFGJKM])?$/.exec(text.trim());
  if (!match) throw new Refusal(`"${text}" is no printed code: three or four digits like 472, or 4R7`);
  const [, digits, exponent = '0', whole = '', decimals, letter] = match;
  const value = digits === undefined ? Number(`${whole || 0}.${decimals}`) : Number(`${digits}e${exponent}`);
  return {
    ohms: value,
    farads: Number(`${value}e-12`),
    tolerance: letter === undefined ? undefined : letters[letter],
  };
}

/** The three digits for a resistance in ohms or a capacitance in picofarads; `4R7` below ten. @throws Refusal unless positive */
export function codeOf(value: number): string {
  if (!(value > 0) || !Number.isFinite(value)) throw new Refusal(`a code needs a positive value, not ${value}`);
  if (value < 10)
    return value
      .toFixed(value < 1 ? 2 : 1)
      .replace('.', 'R')
      .replace(/^0R/, 'R');
  let exponent = Math.floor(Math.log10(value)) - 1;
  let figure = Math.round(value / 10 ** exponent);
  if (figure >= 100) [figure, exponent] = [figure / 10, exponent + 1];
  return `${figure}${exponent}`;
}
