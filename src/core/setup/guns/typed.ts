import { type Gun, type GunLine, type GunMeasure, gunMeasures, gunUnits } from '../../log';
import { parseQuantity, Refusal } from '../../quantity';
import { type GunAsked } from './walk';

const words: Readonly<Record<string, GunMeasure>> = {
  emission: 'emission',
  emits: 'emission',
  starved: 'starved',
  cutoff: 'cutOff',
  'cut-off': 'cutOff',
  warmup: 'warmUp',
  'warm-up': 'warmUp',
  warm: 'warmUp',
};

/** The value in the unit a measure is kept in; a bare number is in that unit. */
function valueOf(text: string, measure: GunMeasure): number {
  const unit = gunUnits[measure];
  const { value, unit: written } = parseQuantity(text.replace(/\s+/g, ''));
  const right = `write ${gunMeasures[measure]} in ${unit}, like ${{ emission: '620', starved: '590', cutOff: '118', warmUp: '14' }[measure]}`;
  if (written !== undefined && written !== (unit === 'µA' ? 'A' : unit)) throw new Refusal(right);
  // A prefix alone is one of amperes: 1.2m are 1200 µA.
  const scaled = unit === 'µA' && (written !== undefined || /[munµ]$/.test(text.trim())) ? value * 1e6 : value;
  // A dead gun emits nothing; it cuts off nowhere.
  const least = unit === 'µA' ? 0 : Number.MIN_VALUE;
  if (!(scaled >= least && scaled <= 100_000)) throw new Refusal(right);
  return Number(scaled.toPrecision(6));
}

/**
 * Reads what was measured of a gun: a value alone is what is asked for; `green 540`, `blue cutoff 118` and `good 900` name
 * another.
 *
 * @param guns the guns the tube has
 * @throws Refusal with what would be right
 */
export function readGunLine(
  text: string,
  asked: GunAsked | undefined,
  guns: readonly Gun[],
): Pick<GunLine, 'gun' | 'measure' | 'value'> {
  const rest = text.trim().toLowerCase().split(/\s+/);
  const names: readonly string[] = [...guns, 'good'];
  const named = names.includes(rest[0] ?? '') ? (rest.shift() as GunAsked['gun']) : undefined;
  const measured = Object.hasOwn(words, rest[0] ?? '') ? words[rest.shift()!] : undefined;
  const gun = named ?? asked?.gun ?? (guns.length === 1 ? guns[0] : undefined);
  const measure = measured ?? (named === undefined ? asked?.measure : undefined) ?? 'emission';
  const example = guns.includes('red') ? '"red 620", "green cutoff 118", "good 900"' : '"620", "cutoff 60", "good 900"';
  if (gun === undefined || rest.length === 0) throw new Refusal(`write what was measured, like ${example}`);
  return { gun, measure, value: valueOf(rest.join(' '), measure) };
}
