import { Refusal } from '../../quantity';
import { inUnit, type Size, size } from '../part/figure';

/** What a place asks of the part that sits in it. */
export interface Place {
  /** The most volts across it. */
  readonly volts?: number;
  readonly amps?: number;
  readonly hertz?: number;
  readonly watts?: number;
  readonly roles: ReadonlySet<Role>;
  /** The room there is: body and lead pitch, in millimetres. */
  readonly room?: Size;
}

const roleWords = {
  /** Sets the retrace time, and with it the high voltage. */
  retrace: ['retrace', 'flyback', 'x-ray', 'xray'],
  /** In series with the line yoke. */
  sCorrection: ['s-correction', 's-cap', 'scorrection'],
  /** Across the mains, or from it to the chassis. */
  mains: ['mains', 'line-filter'],
  snubber: ['snubber', 'damping'],
  /** At the output of a linear regulator, which may need some ESR. */
  regulator: ['regulator', 'linear'],
  converter: ['converter', 'switcher', 'smps', 'switching'],
  coupling: ['coupling', 'audio'],
  timing: ['timing', 'oscillator'],
  reservoir: ['reservoir', 'smoothing'],
  inrush: ['inrush'],
  degauss: ['degauss'],
  lineOutput: ['line-output', 'horizontal'],
  safety: ['safety'],
  /** Carries a signal and little else. */
  signal: ['signal', 'video', 'bias'],
} as const satisfies Record<string, readonly string[]>;

/** What a place is for, where that changes what may sit in it. */
export type Role = keyof typeof roleWords;

const stress = {
  volts: inUnit({ title: 'volts', unit: 'V', example: '250 V peak' }),
  hertz: inUnit({ title: 'frequency', unit: 'Hz', example: '50 kHz' }),
  amps: inUnit({ title: 'amperes', unit: 'A', example: '1.2 A' }),
  watts: inUnit({ title: 'watts', unit: 'W', example: '0.3 W' }),
} as const;

/** Peak of a sine given by its r.m.s. value. */
const peakOfSine = Math.SQRT2;

/**
 * Reads what a place asks: `250 V peak 50 kHz 1.2 A`, with what it is for and the room there is:
 * `1200 V peak 15.6 kHz retrace 20x12x6/15`. Volts are the most across the part; `rms` makes them the peak of a sine.
 *
 * @throws Refusal naming the word that fits nothing
 */
export function readPlace(text: string): Place {
  const joined = text.trim().replace(/(\d)\s+(?=[GMkmuµn]?(?:V|Hz|A|W)\b)/g, '$1');
  const found: Partial<Record<keyof typeof stress, number>> = {};
  const roles = new Set<Role>();
  let room: Size | undefined;
  let rms = false;
  for (const word of joined.split(/[\s,;]+/).filter(Boolean)) {
    const lower = word.toLowerCase();
    if (lower === 'peak' || lower === 'dc' || lower === 'max') continue;
    if (lower === 'rms' || lower === 'ac') {
      rms = true;
      continue;
    }
    const role = Object.entries(roleWords).find(
      ([name, words]) => name.toLowerCase() === lower || (words as readonly string[]).includes(lower),
    );
    if (role) {
      roles.add(role[0] as Role);
      continue;
    }
    const measured = Object.entries(stress).find(([, figure]) => figure.read(word) !== undefined);
    if (measured) {
      const name = measured[0] as keyof typeof stress;
      if (found[name] !== undefined)
        throw new Refusal(`the place has its ${measured[1].title} twice, the second time as "${word}"`);
      found[name] = measured[1].read(word) as number;
      continue;
    }
    const given = size().read(word);
    if (given === undefined)
      throw new Refusal(
        `"${word}" says nothing of a place: give volts, hertz, amperes or watts ("250 V peak 50 kHz 1.2 A"), room (12.5x25/5) or what it is for (${Object.values(
          roleWords,
        )
          .map(([first]) => first)
          .join(', ')})`,
      );
    room = given as Size;
  }
  if (rms && found.volts !== undefined) found.volts *= peakOfSine;
  return { ...found, roles, ...(room && { room }) };
}

/** A place that switches: what sits in it carries current at tens of kilohertz. */
export const switches = ({ hertz = 0, roles }: Place): boolean => hertz >= 10e3 || roles.has('converter');
