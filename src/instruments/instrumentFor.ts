import { type Measure } from '@/core/sheet';

/** What is put to a point to read it, in the bench's words. */
export type Instrument = 'multimeter' | 'ESR tester' | 'ring tester' | 'junction tester' | 'sampler';

/** The instrument for a way of measuring. All of them speak by the same lines. */
export function instrumentFor(measure: Measure): Instrument {
  switch (measure) {
    case 'esr':
      return 'ESR tester';
    case 'rings':
      return 'ring tester';
    case 'diode':
      return 'junction tester';
    case 'ripple':
    case 'hertz':
      return 'sampler';
    default:
      return 'multimeter';
  }
}
