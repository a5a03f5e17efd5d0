import { type Expectation, instrumentFor } from '@/core/measure';
import { type Check } from '@/core/behaviour';
import { answerFrom } from '@/core/practice';
import { type Random } from '@/core/statistics';
import { type MeterReading } from '../meterLine';
import { multimeterReadings, noise } from './multimeter';
import { samplerReadings } from './sampler';
import { testerReadings } from './testers';

export {
  beepReadings,
  dischargeReadings,
  multimeterReadings,
  soakReadings,
  standInRate,
  turningReadings,
} from './multimeter';

/**
 * What the instrument for a check of a simulated set would send.
 *
 * @param standing volts that stand at the point, for a sampler
 */
export function standInReadings(check: Check, expectation: Expectation, random: Random, standing = 0): MeterReading[] {
  const answer = answerFrom(expectation, noise, random);
  if (answer.kind !== 'number') return [];
  switch (instrumentFor(check.measure)) {
    case 'multimeter':
      return multimeterReadings(check, answer, random);
    case 'sampler':
      return samplerReadings(check, answer.value, standing, random);
    default:
      return testerReadings(check, answer.value, random);
  }
}
