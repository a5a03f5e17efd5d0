import { attempt, parseQuantity, Refusal, type Unit } from '../quantity';

/** A kind of part that is traced: its pins, whether they can be told apart, and how it is written in a netlist. */
interface TracedKind {
  readonly pins: readonly string[];
  /** Pins that do the same: a resistor has no right way round. */
  readonly alike?: true;
  readonly unit?: Unit;
  /** The letter its names begin with. */
  readonly letter: string;
}

/** Kinds of part by the word they are typed with. */
export const tracedKinds = {
  resistor: { pins: ['1', '2'], alike: true, unit: 'Ω', letter: 'R' },
  capacitor: { pins: ['1', '2'], alike: true, unit: 'F', letter: 'C' },
  coil: { pins: ['1', '2'], alike: true, unit: 'H', letter: 'L' },
  fuse: { pins: ['1', '2'], alike: true, letter: 'F' },
  trimmer: { pins: ['1', 'w', '2'], unit: 'Ω', letter: 'VR' },
  diode: { pins: ['a', 'k'], letter: 'D' },
  zener: { pins: ['a', 'k'], unit: 'V', letter: 'D' },
  npn: { pins: ['b', 'c', 'e'], letter: 'Q' },
  pnp: { pins: ['b', 'c', 'e'], letter: 'Q' },
  nfet: { pins: ['g', 'd', 's'], letter: 'M' },
  pfet: { pins: ['g', 'd', 's'], letter: 'M' },
  /** Whatever is known by its pins alone. */
  chip: { pins: [], letter: 'IC' },
  /** A plug to another board that is traced as well: each contact has a pin here and, with an `f`, the far one. */
  plug: { pins: [], letter: 'CN' },
} as const satisfies Record<string, TracedKind>;
export type TracedKindName = keyof typeof tracedKinds;

/** A part on a board that is traced. */
export interface TracedPart {
  readonly ref: string;
  readonly kind: TracedKindName;
  /** Its pins by name; those of a chip by number, of a plug the far ones behind the near. */
  readonly pins: readonly string[];
  /** Ohms, farads, henries or volts of a zener; undefined where nobody could read it. */
  readonly value: number | undefined;
}

/** A place where two things may meet: a pin `Q5.b`, a rail `+12`, the ground `gnd`. */
export type Spot = string;

const kindsByLetter: readonly [letter: RegExp, kind: TracedKindName][] = [
  // What only carries pins is traced as a chip: plugs, transformers, switches, relays.
  [/^(?:IC|U|N|CN|T|SW|RL|K|J)\d/i, 'chip'],
  [/^(?:VR|RV|P)\d/i, 'trimmer'],
  [/^R/i, 'resistor'],
  [/^C/i, 'capacitor'],
  [/^F\d/i, 'fuse'],
  [/^L\d/i, 'coil'],
  [/^Z/i, 'zener'],
  [/^D/i, 'diode'],
];

const example = 'R12 4k7 · C3 100n · Q5 npn · D2 zener 5.6 · VR1 10k · F1 · CN1 4 · CN1 plug 4 · IC1 8';

/**
 * Reads a part as it is typed: its reference, its kind where the reference does not say it, its value or its pins.
 *
 * @throws Refusal
 */
export function readTracedPart(typed: string): TracedPart {
  const [name = '', ...words] = typed.trim().split(/\s+/);
  if (isRail(name)) throw new Refusal(`say what lies on the rail: R12.2 ${name}`);
  if (!/^[A-Za-z]{1,4}\d[\w-]*$/.test(name)) throw new Refusal(`"${name}" is no reference: write ${example}`);
  const ref = name.toUpperCase();
  const said = words.find((word) => Object.hasOwn(tracedKinds, word.toLowerCase()))?.toLowerCase();
  const byLetter = (said as TracedKindName | undefined) ?? kindsByLetter.find(([letter]) => letter.test(ref))?.[1];
  // A diode that is marked with volts is a zener.
  const kind = byLetter === 'diode' && words.some(isVolts) ? 'zener' : byLetter;
  if (!kind) throw new Refusal(`what is ${ref}? Say npn, pnp, nfet, pfet, or another kind: ${example}`);
  const [rest, ...more] = words.filter((word) => word.toLowerCase() !== said);
  if (more.length > 0) throw new Refusal(`one part a line: ${example}`);
  if (kind === 'chip' || kind === 'plug') {
    const count = Number(rest);
    if (!(Number.isInteger(count) && count >= 2 && count <= 200))
      throw new Refusal(`how many pins has ${ref}? Write ${ref}${kind === 'plug' ? ' plug' : ''} 8`);
    const near = Array.from({ length: count }, (_, pin) => String(pin + 1));
    return { ref, kind, pins: kind === 'plug' ? [...near, ...near.map(farPin)] : near, value: undefined };
  }
  const { pins } = tracedKinds[kind];
  if (rest === undefined) return { ref, kind, pins, value: undefined };
  const unit = (tracedKinds[kind] as TracedKind).unit;
  const read = attempt(() => parseQuantity(rest));
  if (unit === undefined || read instanceof Refusal || !(read.value > 0) || (read.unit && read.unit !== unit))
    throw new Refusal(`"${rest}" is no value of a ${kind}: write ${example}`);
  return { ref, kind, pins, value: read.value };
}

/** `6V2`, `5.6V`: marked with volts. */
function isVolts(word: string): boolean {
  const read = attempt(() => parseQuantity(word));
  return !(read instanceof Refusal) && read.unit === 'V';
}

/** The pin of a plug on the other board. */
const farPin = (near: string): string => `${near}f`;

/** The pins of a part that lie on the board in hand. */
export const nearPins = ({ kind, pins }: TracedPart): readonly string[] =>
  kind === 'plug' ? pins.slice(0, pins.length / 2) : pins;

/** The contacts of a plug, near and far; none of any other part. */
export const contactsOf = (part: TracedPart): readonly (readonly [near: Spot, far: Spot])[] =>
  part.kind === 'plug' ? nearPins(part).map((pin) => [`${part.ref}.${pin}`, `${part.ref}.${farPin(pin)}`]) : [];

/** Is a part known by its pins alone, so that it is drawn as a body with pins along it? */
export const isBody = ({ kind }: TracedPart): boolean => kind === 'chip' || kind === 'plug';

/** The spots of a part. */
export const spotsOf = ({ ref, pins }: TracedPart): Spot[] => pins.map((pin) => `${ref}.${pin}`);

/** Is it a rail or the ground, and no pin? */
export const isRail = (spot: Spot): boolean => spot === 'gnd' || /^[+-]\d/.test(spot);

/** What a spot is, as far as the place of its like in other stages goes: `npn.b`, `resistor`, `ground`, `rail`. */
export function classOf(spot: Spot, parts: ReadonlyMap<string, TracedPart>): string {
  if (spot === 'gnd') return 'ground';
  if (isRail(spot)) return 'rail';
  const [ref = '', pin = ''] = spot.split('.');
  const kind = parts.get(ref)?.kind ?? 'chip';
  if (kind === 'chip' || kind === 'plug') return 'chip';
  return 'alike' in tracedKinds[kind] ? kind : `${kind}.${pin}`;
}
