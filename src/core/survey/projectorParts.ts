import { type Hertz } from '../quantity';
import { type PartVerdict } from './partVerdict';

/** How the bulb of a projection lamp looks. */
export const lampLooks = ['clear', 'dark', 'white', 'cracked'] as const;
export type LampLook = (typeof lampLooks)[number];

/** A projection lamp by its hours and the look of its bulb. */
export interface LampCheck {
  readonly kind: 'lamp';
  readonly ref: string;
  readonly hours: number;
  readonly rated: number;
  readonly look?: LampLook;
}

/** A fan or a colour wheel by the rate it reports, against the usual one. */
export interface TurningCheck {
  readonly kind: 'fan' | 'wheel';
  readonly ref: string;
  readonly hertz: Hertz;
  readonly usual: Hertz;
  /** It whines, screams or rattles. */
  readonly noisy: boolean;
}

const looksSpent: Readonly<Record<Exclude<LampLook, 'clear'>, string>> = {
  dark: 'blackened: its electrodes are spent',
  white: 'a white deposit: the quartz is turning, it may burst',
  cracked: 'cracked',
};
/** Share of its hours from which another lamp is ordered. */
const orderFrom = 0.85;

/** Judges a lamp: a spent look comes before its hours, and the hours are only those of the counter. */
export function judgeLamp({ hours, rated, look }: LampCheck): PartVerdict {
  const share = hours / rated;
  const counted = `${Math.round(share * 100)} % of its ${Math.round(rated)} h`;
  if (look !== undefined && look !== 'clear')
    return {
      mark: 'replace',
      words: `${looksSpent[look]}; ${counted}`,
      advice: 'Cold, unplugged, gloves and glasses; reset the counter after.',
    };
  if (share > 1) return { mark: 'replace', words: `${counted}: past them`, advice: 'Reset the counter after.' };
  return {
    mark: 'fine',
    words: `${counted}${look === undefined ? '' : ', clear'}`,
    ...(share >= orderFrom ? { advice: 'Order the next one.' } : {}),
  };
}

/** A fan may stray from its usual rate more than a wheel, which the picture runs by. */
const strays = { fan: 0.25, wheel: 0.03 } as const;
const stalled = 0.05;

/** Judges what turns: noise is a bearing, and one that stands still may only lack its supply. */
export function judgeTurning({ kind, hertz, usual, noisy }: TurningCheck): PartVerdict {
  const off = hertz / usual - 1;
  const words = `${Number(hertz.toPrecision(3))} of a usual ${Number(usual.toPrecision(3))} Hz`;
  if (hertz < stalled * usual)
    return {
      mark: 'lift',
      words: 'stands still',
      advice: 'Measure its supply at the plug first: with that there, replace it.',
    };
  if (noisy) return { mark: 'replace', words: `${words}, and noisy: its bearing` };
  if (Math.abs(off) <= strays[kind]) return { mark: 'fine', words };
  return off < 0
    ? {
        mark: 'replace',
        words: `${words}: dragging`,
        advice: kind === 'fan' ? 'Clean it and count again.' : 'Turn it by hand first.',
      }
    : {
        mark: 'lift',
        words: `${words}: too fast`,
        advice: 'Its drive, or the pick-up that counts it, comes before the motor.',
      };
}
