import * as yup from 'yup';
import { type Gun } from '../log';
import { Refusal } from '../quantity';
import { readDocument, unknownKey } from '../supply';
import { type GunReadings, judgeGuns, type Weakness, weaknesses } from './guns';

const amount = () => yup.number().typeError('${path} is a number').positive('${path} is more than 0');
/** A dead gun gives none. */
const current = () => yup.number().typeError('${path} is a number').min(0, '${path} is 0 or more');
const gun = yup
  .object({
    /** Microamperes. */
    emission: current().required('${path} is missing: the cathode current in microamperes'),
    /** Microamperes, the heater a tenth lower. */
    starved: current(),
    /** Volts. */
    cutOff: amount(),
    /** Seconds. */
    warmUp: amount(),
    /** Microamperes at an earlier test. */
    was: amount(),
    /** Volts of its cathode on a grey picture. */
    cathode: amount(),
  })
  .noUnknown(unknownKey)
  .default(undefined);
const tube = yup
  .object({
    guns: yup.object({ red: gun, green: gun, blue: gun, only: gun }).noUnknown(unknownKey).required('guns are missing'),
    /** Microamperes of a good tube of the type. */
    good: amount(),
  })
  .noUnknown(unknownKey);

/** What is made of a tube: each gun judged, and whether a weak colour comes from its gun or its drive. */
export interface TubeJudged {
  readonly guns: ReturnType<typeof judgeGuns>;
  readonly weak: readonly Weakness[];
}

/**
 * Reads what was measured of a tube, as YAML or JSON, and judges it.
 *
 * @throws Refusal with where something is wrong and what would be right
 */
export function judgeTubeFile(text: string): TubeJudged {
  const { guns: written, good } = readDocument(text, tube);
  const all = Object.entries(written).flatMap(([name, read]) => (read ? [[name as Gun, read] as const] : []));
  if (all.length === 0)
    throw new Refusal('guns are red, green and blue, or only, like { red: { emission: 2900, cutOff: 110 } }');
  if (all.length > 1 && all.some(([name]) => name === 'only'))
    throw new Refusal('guns.only is the gun of a tube with one: leave it out beside red, green and blue');
  const readings = new Map(
    all.map(([name, { was: _, cathode: __, ...read }]) => [
      name,
      Object.fromEntries(Object.entries(read).filter(([, value]) => value !== undefined)) as GunReadings,
    ]),
  );
  const past = new Map(all.flatMap(([name, { was }]) => (was === undefined ? [] : [[name, was] as const])));
  const guns = judgeGuns(readings, { good, past });
  const driven = all.flatMap(([name, { cutOff, cathode }]) => {
    const share = guns.get(name)?.share.mid;
    return share === undefined || cutOff === undefined || cathode === undefined
      ? []
      : [[name, { share, cutOff, cathode }] as const];
  });
  return { guns, weak: weaknesses(new Map(driven)) };
}
