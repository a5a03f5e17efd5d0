import { attempt, parseQuantity, Refusal, type Unit } from '../quantity';

/** A figure that is looked for: near a value, or that value and upwards. */
export interface SoughtFigure {
  /** Names under which kinds of part have it. */
  readonly names: readonly string[];
  readonly least: number;
  readonly most: number;
}

/** What is looked for on the shelf. */
export interface Sought {
  readonly figures: readonly SoughtFigure[];
  /** Words that have to occur, the last perhaps unfinished. */
  readonly words: readonly string[];
}

/** Values that are looked for as they stand; ratings do from there upwards. */
const near = { share: 0.03 };

const sought: Readonly<Partial<Record<Unit, { readonly names: readonly string[]; readonly upwards?: true }>>> = {
  F: { names: ['farads'] },
  Ω: { names: ['ohms'] },
  H: { names: ['line', 'field'] },
  Hz: { names: ['hertz'] },
  V: { names: ['volts', 'ac', 'heater'], upwards: true },
  A: { names: ['amps', 'ripple', 'heaterAmps'], upwards: true },
  W: { names: ['watts'], upwards: true },
};

/** The unit of a bare value with a prefix, as parts are marked: 680u is a capacitor, 4k7 a resistor. */
function unitOfMark(text: string): Unit | undefined {
  if (/^\d+(\.\d+)?[uµnp]$|^\d+[uµnp]\d+$/i.test(text)) return 'F';
  return /^\d+(\.\d+)?[kKMR]$|^\d+[kKMR]\d+$/.test(text) ? 'Ω' : undefined;
}

/** Reads a search as one types it: `680u 50V`, `1500V damper`, a number, a drawer. */
export function readSearch(typed: string): Sought {
  const figures: SoughtFigure[] = [];
  const words: string[] = [];
  for (const word of typed
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean)) {
    const read = attempt(() => parseQuantity(word.replace(/ohms?$/i, 'Ω')));
    const unit = read instanceof Refusal ? undefined : (read.unit ?? unitOfMark(word));
    const told = unit && sought[unit];
    if (read instanceof Refusal || !told || !(read.value > 0 && Number.isFinite(read.value))) {
      words.push(word);
      continue;
    }
    const { value } = read;
    figures.push(
      told.upwards
        ? { names: told.names, least: value * (1 - near.share), most: Infinity }
        : { names: told.names, least: value * (1 - near.share), most: value * (1 + near.share) },
    );
  }
  return { figures, words };
}
