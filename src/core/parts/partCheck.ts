import { type Farads, formatQuantity, type Ohms, type Volts } from '../quantity';
import { type CapacitorSeries, esrLimit } from './esrLimit';
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
      readonly farads: Farads;
      readonly volts: Volts;
      readonly series: CapacitorSeries;
      /** Absent where it was not measured. */
      readonly esr?: Ohms;
      readonly read?: Farads;
      readonly lifted: boolean;
    }
  /** Decaying rings counted, against those of a good one. */
  | { readonly kind: 'rings'; readonly ref: string; readonly rings: number; readonly good: number }
  /** Forward and reverse drop of a junction; no conduction is `Infinity`. */
  | { readonly kind: 'junction'; readonly ref: string; readonly forward: Volts; readonly reverse: Volts }
  | { readonly kind: 'gain'; readonly ref: string; readonly gain: number; readonly usual: number }
  /** Cold resistance against what is marked. */
  | { readonly kind: 'thermistor'; readonly ref: string; readonly marked: Ohms; readonly read: Ohms }
  | LampCheck
  | TurningCheck;

/** `fine`, `replace`, `lift` a leg before judging, `wait` until it has settled. */
export type PartMark = 'fine' | 'replace' | 'lift' | 'wait';

export interface PartVerdict {
  readonly mark: PartMark;
  /** Why, by how much. */
  readonly words: string;
  /** What to do to be sure of it. */
  readonly advice?: string;
  /** What it is taken for, where that is a question. */
  readonly taken?: string;
}

/** What a meter and its leads add: a share, and ohms. */
const meter = { share: 0.01, ohms: 0.3 };
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
    case 'lamp':
      return judgeLamp(check);
    case 'fan':
    case 'wheel':
      return judgeTurning(check);
  }
}

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
  if (read === Infinity) return { mark: 'replace', words: 'open' };
  const off = read / marked - 1;
  const slack = marked * (tolerance + meter.share) + meter.ohms;
  const beyond = `${percent(off)} ${off > 0 ? 'above' : 'below'}, allowed ±${percent(tolerance)}`;
  if (read > marked + slack)
    return {
      mark: 'replace',
      words: beyond,
      ...(lifted ? {} : { advice: 'Other paths only lower it: swap the leads once, then believe it.' }),
    };
  if (read < marked - slack)
    return lifted
      ? { mark: 'replace', words: beyond }
      : { mark: 'lift', words: `${percent(off)} below`, advice: 'In circuit that proves nothing: lift a leg.' };
  return { mark: 'fine', words: `${off >= 0 ? '+' : '−'}${(Math.abs(off) * 100).toFixed(1)} %` };
}

/** A can from this many times the limit on is spent; between is worth a look at its heat. */
const spentEsr = 2.5;
/** Electrolytics are made to −20 %; under this share one has dried out. */
const leastCapacity = 0.7;

function judgeCapacitor(check: Extract<PartCheck, { kind: 'capacitor' }>): PartVerdict {
  const { farads, volts, series, esr, read, lifted } = check;
  const limit = esrLimit(farads, volts, series);
  const share = read === undefined ? undefined : read / farads;
  const words = [
    ...(esr === undefined
      ? []
      : [`ESR ${formatQuantity(esr, 'Ω', 2)}, a good one shows up to ${formatQuantity(limit, 'Ω', 2)}`]),
    ...(share === undefined ? [] : [`${percent(share)} of its capacity`]),
  ].join('; ');
  if (esr !== undefined && esr > spentEsr * limit) return { mark: 'replace', words };
  if (share !== undefined && share < leastCapacity) return { mark: 'replace', words };
  // Others beside it hide a high ESR and add to the capacity.
  if (share !== undefined && share > 1.5 && !lifted)
    return { mark: 'lift', words, advice: 'Another lies beside it: lift a leg.' };
  if (esr !== undefined && esr > limit) return { mark: 'lift', words, advice: 'Doubtful: lift a leg and read again.' };
  return { mark: 'fine', words };
}

function judgeRings({ rings, good }: Extract<PartCheck, { kind: 'rings' }>): PartVerdict {
  const words = `${rings} rings of a good one's ${good}`;
  if (rings < 0.4 * good) return { mark: 'replace', words, advice: 'A shorted turn, or something shorted across it.' };
  if (rings < 0.75 * good) return { mark: 'lift', words, advice: 'Free it of what hangs on it and count again.' };
  return { mark: 'fine', words };
}

/** Forward drops in volts by which a junction is told. */
const drops = { short: 0.06, germanium: 0.36, silicon: 0.95, darlington: 1.8 };

function judgeJunction({ forward, reverse }: Extract<PartCheck, { kind: 'junction' }>): PartVerdict {
  if (forward === Infinity && reverse === Infinity) return { mark: 'replace', words: 'open both ways' };
  if (forward < drops.short && reverse < drops.short) return { mark: 'replace', words: 'shorted both ways' };
  const [low, high] = [Math.min(forward, reverse), Math.max(forward, reverse)];
  const taken =
    low < drops.germanium
      ? 'germanium, or a Schottky diode'
      : low < drops.silicon
        ? 'silicon'
        : low < drops.darlington
          ? 'two junctions: a Darlington'
          : 'more than a junction';
  const seen = `${formatQuantity(low, 'V', 3)} one way`;
  if (high === Infinity) return { mark: 'fine', words: `${seen}, nothing the other`, taken };
  if (high - low < 0.15 && low < drops.silicon)
    return {
      mark: 'fine',
      words: `${seen} and ${formatQuantity(high, 'V', 3)} the other`,
      taken: `${taken}, with a damper inside`,
    };
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
