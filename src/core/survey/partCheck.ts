import { type Measure, partStandard, shortedDrop } from '../measure';
import { type CapacitorSeries } from '../parts';
import { type Farads, formatQuantity, type Ohms, type Volts } from '../quantity';
import { type PartMark, type PartVerdict } from './partVerdict';
import { judgeLamp, judgeTurning, type LampCheck, type TurningCheck } from './projectorParts';

/** A part measured by itself. */
export type PartCheck =
  | {
      readonly kind: 'resistor';
      readonly ref: string;
      readonly marked: Ohms;
      /** Share of nominal. */
      readonly tolerance: number;
      readonly read: Ohms;
      /** Still rising when it was read. */
      readonly climbing: boolean;
      /** One leg out of the board. */
      readonly lifted: boolean;
    }
  | {
      readonly kind: 'capacitor';
      readonly ref: string;
      readonly type: 'electrolytic' | 'film' | 'ceramic';
      readonly farads: Farads;
      /** Absent where it is not marked; ESR is judged only with it. */
      readonly volts?: Volts;
      readonly series: CapacitorSeries;
      /** Share of nominal, where it is narrower or wider than its type has it. */
      readonly tolerance?: number;
      /** Absent where it was not measured. */
      readonly esr?: Ohms;
      readonly read?: Farads;
      readonly lifted: boolean;
    }
  /** Decaying rings counted, against those of a good one. */
  | {
      readonly kind: 'rings';
      readonly ref: string;
      readonly rings: number;
      readonly good: number;
      readonly lifted: boolean;
    }
  /** Forward and reverse drop of a junction; no conduction is `Infinity`. */
  | {
      readonly kind: 'junction';
      readonly ref: string;
      readonly forward: Volts;
      readonly reverse: Volts;
      /** Between base and emitter, where a line transistor may have its resistor. */
      readonly baseEmitter: boolean;
    }
  | { readonly kind: 'fuse'; readonly ref: string; readonly read: Ohms }
  | { readonly kind: 'gain'; readonly ref: string; readonly gain: number; readonly usual: number }
  /** Cold resistance against what is marked. */
  | { readonly kind: 'thermistor'; readonly ref: string; readonly marked: Ohms; readonly read: Ohms }
  | LampCheck
  | TurningCheck;

/** The way of measuring that a check of a part comes to, with its value in base units; undefined where it is a look or a pair. */
export function measuredBy(check: PartCheck): readonly [Measure, number | undefined] | undefined {
  switch (check.kind) {
    case 'resistor':
    case 'fuse':
      return ['ohms', check.read];
    case 'capacitor':
      return check.esr === undefined ? ['capacitance', check.read] : ['esr', check.esr];
    case 'rings':
      return ['rings', check.rings];
    default:
      return undefined;
  }
}

const percent = (share: number) => `${Math.round(Math.abs(share) * 100)} %`;

/** Judges a part by its own reading. */
export function judgePart(check: PartCheck): PartVerdict {
  switch (check.kind) {
    case 'resistor':
      return judgeResistor(check);
    case 'capacitor':
      return judgeCapacitor(check);
    case 'rings':
      return judgeRings(check);
    case 'junction':
      return judgeJunction(check);
    case 'gain': {
      const share = check.gain / check.usual;
      const words = `gain ${Math.round(check.gain)} of a usual ${Math.round(check.usual)}`;
      return { mark: share < 0.4 || share > 4 ? 'replace' : 'fine', words };
    }
    case 'thermistor': {
      const off = check.read / check.marked - 1;
      const words = `${formatQuantity(check.read, 'Ω', 3)} cold, ${percent(off)} ${off > 0 ? 'above' : 'below'} its mark`;
      return { mark: Math.abs(off) > 0.3 ? 'replace' : 'fine', words };
    }
    case 'fuse':
      return judgeFuse(check);
    case 'lamp':
      return judgeLamp(check);
    case 'fan':
    case 'wheel':
      return judgeTurning(check);
  }
}

/** A resistor that reads so much, and far more than its mark, lets nothing through. */
const openFrom: Ohms = 1e6;

/**
 * In a circuit other paths lie beside a resistor: they can only lower what is read. Above its tolerance is
 * proof, below it is none, and what climbs charges a capacitor.
 */
function judgeResistor(check: Extract<PartCheck, { kind: 'resistor' }>): PartVerdict {
  const { marked, tolerance, read, climbing, lifted } = check;
  if (climbing)
    return {
      mark: 'wait',
      words: 'still climbing',
      advice: 'A capacitor charges: wait until it stands, or lift a leg.',
    };
  if (read === Infinity || (read > openFrom && read > 50 * marked)) return { mark: 'replace', words: 'open' };
  const part = { kind: 'resistor', size: marked, tolerance: { relative: tolerance } } as const;
  const { lowBelow, highAbove } = partStandard('ohms', part)!;
  const off = read / marked - 1;
  const beyond = `${percent(off)} ${off > 0 ? 'above' : 'below'}, allowed ±${percent(tolerance)}`;
  if (read > highAbove)
    return {
      mark: 'replace',
      words: beyond,
      ...(lifted ? {} : { advice: 'Other paths only lower it: swap the leads once, then believe it.' }),
    };
  if (read < lowBelow)
    return lifted
      ? { mark: 'replace', words: beyond }
      : { mark: 'lift', words: `${percent(off)} below`, advice: 'In circuit that proves nothing: lift a leg.' };
  return { mark: 'fine', words: `${off >= 0 ? '+' : '−'}${(Math.abs(off) * 100).toFixed(1)} %` };
}

/** A can from this many times the limit on is spent; between is worth a look at its heat. */
const spentEsr = 2.5;

/** From this share of its mark on a capacitor leaks more than another beside it would explain. */
const leaksFrom = 1.6;

function judgeCapacitor(check: Extract<PartCheck, { kind: 'capacitor' }>): PartVerdict {
  const { type, farads, volts, series, tolerance, esr, read, lifted } = check;
  const part = {
    kind: type,
    size: farads,
    series,
    ...(volts === undefined ? {} : { voltage: volts }),
    ...(tolerance === undefined ? {} : { tolerance: { relative: tolerance } }),
  } as const;
  const { lowBelow, highAbove } = partStandard('capacitance', part)!;
  const most = partStandard('esr', part)!.highAbove;
  const allowed = tolerance === undefined ? '' : `, allowed ±${percent(tolerance)}`;
  const words = [
    ...(esr === undefined
      ? []
      : [`ESR ${formatQuantity(esr, 'Ω', 2)}, a good one shows up to ${formatQuantity(most, 'Ω', 2)}`]),
    ...(read === undefined ? [] : [`${percent(read / farads)} of its capacity${allowed}`]),
  ].join('; ');
  if (esr === 0)
    return { mark: 'lift', words: 'ESR 0: shorted, or the tester is', advice: 'Read ohms, or its volts live.' };
  if (esr !== undefined && esr > spentEsr * most) return { mark: 'replace', words };
  if (read !== undefined && read < lowBelow) return { mark: 'replace', words };
  if (read !== undefined && read > highAbove)
    return lifted || read > leaksFrom * farads
      ? {
          mark: 'replace',
          words,
          advice: `Far above its mark it leaks${lifted ? '' : ', unless another of its size lies beside it'}.`,
        }
      : { mark: 'lift', words, advice: 'Another lies beside it, or it leaks: lift a leg.' };
  if (esr !== undefined && esr > most) return { mark: 'lift', words, advice: 'Doubtful: lift a leg and read again.' };
  return { mark: 'fine', words };
}

/** With its leads an intact fuse reads less. */
const intactFuse: Ohms = 2;

function judgeFuse({ read }: Extract<PartCheck, { kind: 'fuse' }>): PartVerdict {
  const words = formatQuantity(read, 'Ω', 3);
  if (read <= intactFuse) return { mark: 'fine', words: `intact, ${words} with its leads` };
  if (read < openFrom)
    return { mark: 'lift', words, advice: 'That is a path round it, or a poor contact: take it out and read again.' };
  return { mark: 'replace', words: 'blown', advice: 'Find out what took it before another goes in.' };
}

/** With fewer than this share of the rings of a good one there is no doubt. */
const fewRings = 0.4;

function judgeRings({ rings, good, lifted }: Extract<PartCheck, { kind: 'rings' }>): PartVerdict {
  const words = `${rings} rings of a good one's ${good}`;
  if (rings < fewRings * good && lifted)
    return { mark: 'replace', words, advice: 'A shorted turn, or something shorted across it.' };
  if (rings < partStandard('rings', { kind: 'transformer', given: good })!.lowBelow)
    return { mark: 'lift', words, advice: 'Free it of what hangs on it and count again.' };
  return { mark: 'fine', words };
}

/** Forward drops in volts by which a junction is told. */
const drops = { germanium: 0.36, silicon: 0.95, darlington: 1.8 };

function judgeJunction(check: Extract<PartCheck, { kind: 'junction' }>): PartVerdict {
  const { forward, reverse, baseEmitter } = check;
  const [low, high] = [Math.min(forward, reverse), Math.max(forward, reverse)];
  if (low === Infinity) return { mark: 'replace', words: 'open both ways' };
  const seen = `${formatQuantity(low, 'V', 3)} one way`;
  const both = `${seen} and ${formatQuantity(high, 'V', 3)} the other`;
  if (high < drops.germanium) {
    // A line transistor has some 30 Ω from base to emitter inside.
    if (baseEmitter && high - low < 0.02)
      return { mark: 'fine', words: both, taken: 'base to emitter of a line transistor with its resistor inside' };
    return {
      mark: 'replace',
      words: high < shortedDrop ? 'shorted both ways' : `${both}: conducts both ways`,
      advice: 'Base to emitter of a line transistor reads so when it is good: write "be" behind it.',
    };
  }
  const taken =
    low < drops.germanium
      ? 'germanium, or a Schottky diode'
      : low < drops.silicon
        ? 'silicon'
        : low < drops.darlington
          ? 'two junctions: a Darlington'
          : 'more than a junction';
  if (high === Infinity) return { mark: 'fine', words: `${seen}, nothing the other`, taken };
  if (high - low < 0.15 && low >= drops.germanium && low < drops.silicon)
    return { mark: 'fine', words: both, taken: `${taken}, with a damper inside` };
  return { mark: 'lift', words: `${seen} but ${formatQuantity(high, 'V', 3)} the other: leaky, or another path` };
}

/** What a survey of a board's resistors comes to. */
export interface SurveyedBoard {
  readonly counts: Readonly<Record<PartMark, number>>;
  /** Share out of tolerance, of those that could be judged. */
  readonly share: number;
  /** Absent while too few are judged. */
  readonly advice: 'pick' | 'repopulate' | undefined;
}

/** From this share on a whole make and age has the disease. */
const repopulateFrom = 1 / 3;
const fewest = 8;

/** Sums up a board: pick the bad ones, or replace them all. */
export function surveyOf(verdicts: readonly PartVerdict[]): SurveyedBoard {
  const counts = { fine: 0, replace: 0, lift: 0, wait: 0 };
  for (const { mark } of verdicts) counts[mark] += 1;
  const judged = counts.fine + counts.replace;
  const share = judged === 0 ? 0 : counts.replace / judged;
  return { counts, share, advice: judged < fewest ? undefined : share >= repopulateFrom ? 'repopulate' : 'pick' };
}
