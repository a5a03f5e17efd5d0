import { bandColour, readBands } from '../parts';
import { Refusal, parseQuantity, type Unit, unitNames, quantityIn, attempt } from '../quantity';
import { type PartCheck } from './partCheck';
import { type LampCheck, lampLooks, type TurningCheck } from './projectorParts';

/** What is known of a part before it is measured. */
export interface KnownPart {
  readonly kind: string;
  readonly title?: string;
  /** Main quantity of its value, in base units. */
  readonly size?: number;
  readonly voltage?: number;
}

/** What a part measured before was marked with: it need not be typed again. */
export function markedAs(check: PartCheck | undefined): KnownPart | undefined {
  if (check?.kind === 'resistor' || check?.kind === 'thermistor') return { kind: check.kind, size: check.marked };
  if (check?.kind !== 'capacitor') return undefined;
  return { kind: check.type, size: check.farads, ...(check.volts === undefined ? {} : { voltage: check.volts }) };
}

/** Carbon resistors of the age these sets are. */
const usualTolerance = 0.05;

const example = 'write it like "R12 4k7 5k1", "C8 100u 35V esr 0.4", "T1 rings 3 good 9" or "Q5 junction 0.62 OL"';

function value(word: string | undefined, unit: Unit | '', what: string): number {
  if (word === undefined) throw new Refusal(`${what} is missing: ${example}`);
  const read = quantityIn(
    unit,
    word,
    `${what} is read in ${unit === '' ? 'plain numbers' : unitNames[unit]}, not "${word}"`,
  );
  if (!(read >= 0)) throw new Refusal(`${what} is never below 0`);
  return read;
}

const positive = (number: number, what: string): number => {
  if (!(number > 0) || !Number.isFinite(number)) throw new Refusal(`${what} must be more than 0`);
  return number;
};

/** Takes a word and the value after it out of a line; undefined where the word is not there. */
function takeNamed(words: string[], name: string): string | undefined {
  const at = words.findIndex((word) => word.toLowerCase() === name);
  if (at < 0) return undefined;
  const [, found = ''] = words.splice(at, 2);
  return found;
}

function takeFlag(words: string[], name: string): boolean {
  const at = words.findIndex((word) => word.toLowerCase() === name);
  if (at >= 0) words.splice(at, 1);
  return at >= 0;
}

/**
 * Reads one line of a survey: the part, what is marked on it (a value, bands, or nothing where the sheet
 * knows it) and what was read. `lifted` and `climbing` may follow.
 *
 * @param known what the sheet says of a part, by its name
 * @throws Refusal
 */
export function readPartCheck(line: string, known: (ref: string) => KnownPart | undefined): PartCheck {
  const [typed = '', ...words] = line.trim().split(/\s+/).filter(Boolean);
  if (typed === '') throw new Refusal(example);
  const ref = typed.toUpperCase();
  const part = known(ref);
  const lifted = takeFlag(words, 'lifted');
  const climbing = takeFlag(words, 'climbing');
  const rings = takeNamed(words, 'rings');
  if (rings !== undefined) {
    // A winding hangs on its circuit until it is said to be free of it.
    const good = takeNamed(words, 'good');
    return {
      kind: 'rings',
      ref,
      rings: value(rings, '', 'Rings'),
      good: positive(value(good, '', 'The count of a good one'), 'The count of a good one'),
      lifted,
    };
  }
  const projector = readProjectorPart(ref, words);
  if (projector) return projector;
  const gain = takeNamed(words, 'gain');
  if (gain !== undefined) {
    const usual = positive(value(takeNamed(words, 'usual'), '', 'The usual gain'), 'The usual gain');
    return { kind: 'gain', ref, gain: value(gain, '', 'Gain'), usual };
  }
  const baseEmitter = takeFlag(words, 'be');
  const forward = takeNamed(words, 'junction');
  if (forward !== undefined)
    return {
      kind: 'junction',
      ref,
      forward: value(forward, 'V', 'A junction'),
      reverse: value(words[0], 'V', 'The other way'),
      baseEmitter,
    };
  const esr = takeNamed(words, 'esr');
  if (esr !== undefined || isCapacitor(ref, words, part)) return readCapacitor(ref, words, esr, part, lifted);
  if (part?.kind === 'fuse' || (!part && /^(F|FS|FUSE)\d*$/.test(ref)))
    return { kind: 'fuse', ref, read: value(words.at(-1), 'Ω', 'The reading') };
  if (part?.kind === 'thermistor' || (!part && /^(TH|RT|NTC|PTC|POS)\d*$/.test(ref))) {
    const marked = words.length > 1 ? value(words.shift(), 'Ω', 'The mark') : part?.size;
    return {
      kind: 'thermistor',
      ref,
      marked: positive(marked ?? NaN, 'The mark'),
      read: value(words[0], 'Ω', 'The reading'),
    };
  }
  return readResistor(ref, words, part, { lifted, climbing });
}

function readProjectorPart(ref: string, words: string[]): LampCheck | TurningCheck | undefined {
  const hours = takeNamed(words, 'lamp');
  if (hours !== undefined) {
    const look = lampLooks.find((one) => takeFlag(words, one));
    return {
      kind: 'lamp',
      ref,
      hours: value(hours.replace(/h$/i, ''), '', 'Hours'),
      rated: positive(value(takeNamed(words, 'of')?.replace(/h$/i, ''), '', 'The rated hours'), 'The rated hours'),
      ...(look === undefined ? {} : { look }),
    };
  }
  for (const kind of ['fan', 'wheel'] as const) {
    const hertz = takeNamed(words, kind);
    if (hertz === undefined) continue;
    const noisy = takeFlag(words, 'noisy');
    const usual = positive(value(takeNamed(words, 'of'), 'Hz', 'The usual rate'), 'The usual rate');
    return { kind, ref, hertz: value(hertz, 'Hz', 'The rate'), usual, noisy };
  }
  return undefined;
}

const capacitors = ['electrolytic', 'ceramic', 'film'] as const;
/** From this capacitance on a capacitor nobody knows is taken for an electrolytic, in farads. */
const electrolytic = 0.9e-6;

/** A value with the prefix of a capacitor, like 8n2 or 100u. */
const capacitorValue = (word: string) => {
  const read = attempt(() => parseQuantity(word));
  return !(read instanceof Refusal) && (read.unit === 'F' || (read.unit === undefined && /\d[unp]/i.test(word)));
};

function isCapacitor(ref: string, words: readonly string[], part: KnownPart | undefined): boolean {
  if (part) return capacitors.some((kind) => kind === part.kind);
  return words.some(capacitorValue) && (/^C\d*$/.test(ref) || capacitorValue(words.at(-1) ?? ''));
}

/** Capacitors whose value decides the high voltage or the scan: ±5 %, whatever their kind allows. */
const exact = /retrace|s-correction/i;

function readCapacitor(
  ref: string,
  words: string[],
  esr: string | undefined,
  part: KnownPart | undefined,
  lifted: boolean,
): PartCheck {
  const series = takeFlag(words, 'lowesr') ? 'low' : takeFlag(words, 'polymer') ? 'polymer' : 'general';
  const named = capacitors.find((kind) => takeFlag(words, kind));
  const tolerance = takeTolerance(words) ?? (exact.test(part?.title ?? '') ? 0.05 : undefined);
  const volts = words.findIndex((word) => /^\d+(\.\d+)?k?V$/i.test(word));
  const rated = volts < 0 ? part?.voltage : value(words.splice(volts, 1)[0], 'V', 'The rating');
  // A mark is never taken for a reading: what stands beside its rating, or says what the part is marked with.
  const alone = words.length === 1 && volts < 0 && attempt(() => parseQuantity(words[0]!).value) !== part?.size;
  const marked = part?.size === undefined || !alone ? words.shift() : undefined;
  const farads = marked === undefined ? part?.size : value(marked, 'F', 'The capacitance');
  if (farads === undefined)
    throw new Refusal(`${ref} needs its capacitance as marked, like "${ref} 100u 35V esr 0.4" or "${ref} 8n2 6n2"`);
  const read = words[0] === undefined ? undefined : value(words[0], 'F', 'The capacity read');
  if (esr === undefined && read === undefined)
    throw new Refusal(`${ref} needs what was read: "esr 0.4", or its capacity like 83u`);
  if (esr !== undefined && rated === undefined)
    throw new Refusal(`${ref} needs the volts as marked, by which its ESR is judged, like "${ref} 100u 35V esr 0.4"`);
  const known = capacitors.find((kind) => kind === part?.kind);
  return {
    kind: 'capacitor',
    ref,
    type: named ?? known ?? (esr !== undefined || farads >= electrolytic ? 'electrolytic' : 'film'),
    farads: positive(farads, 'The capacitance'),
    ...(rated === undefined ? {} : { volts: positive(rated, 'The rating') }),
    series,
    ...(tolerance === undefined ? {} : { tolerance }),
    ...(esr === undefined ? {} : { esr: value(esr, 'Ω', 'ESR') }),
    ...(read === undefined ? {} : { read }),
    lifted,
  };
}

/** Takes a tolerance like 5% or ±10% out of a line. */
function takeTolerance(words: string[]): number | undefined {
  const at = words.findIndex((word) => /^±?\d+(\.\d+)?%$/.test(word));
  return at < 0 ? undefined : Number(words.splice(at, 1)[0]!.replace(/[±%]/g, '')) / 100;
}

function readResistor(
  ref: string,
  words: string[],
  part: KnownPart | undefined,
  flags: { readonly lifted: boolean; readonly climbing: boolean },
): PartCheck {
  const bands = words.flatMap((word) => bandColour(word) ?? []);
  let [marked, tolerance] = [part?.size, usualTolerance];
  const rest = words.filter((word) => !bandColour(word));
  if (bands.length > 0) {
    const banded = readBands(bands);
    [marked, tolerance] = [banded.ohms, banded.tolerance];
  }
  tolerance = takeTolerance(rest) ?? tolerance;
  if (rest.length > 1) marked = value(rest.shift(), 'Ω', 'The mark');
  if (marked === undefined)
    throw new Refusal(`what should ${ref} be? ${example}; or give its bands, like "${ref} yellow violet red gold 5k1"`);
  if (rest.length > 1) throw new Refusal(`"${rest[1]}" is one value too many: ${example}`);
  return {
    kind: 'resistor',
    ref,
    marked: positive(marked, 'The mark'),
    tolerance,
    read: value(rest[0], 'Ω', 'The reading'),
    ...flags,
  };
}
