import { faultModes } from '../../parts';
import { type Manner } from '../../picture';
import { type Fault } from '../../sheet';
import { mean } from '../../statistics';
import { type Hypothesis } from './hypothesis';

/** How a fault shows. */
type Showing = 'lasting' | 'fading' | 'touchy' | 'warm' | 'cold';

/**
 * How often owners tell of a fault that shows so in each manner. Most of what comes and goes is taken for lasting by
 * someone, and hardly anything that lasts is said to come and go.
 */
const toldAs: Readonly<Record<Showing, Readonly<Record<Manner, number>>>> = {
  lasting: { lasting: 0.93, random: 0.02, warm: 0.025, cold: 0.015, knock: 0.01 },
  fading: { lasting: 0.35, random: 0.4, warm: 0.1, cold: 0.05, knock: 0.1 },
  touchy: { lasting: 0.25, random: 0.3, warm: 0.12, cold: 0.05, knock: 0.28 },
  warm: { lasting: 0.1, random: 0.17, warm: 0.7, cold: 0.01, knock: 0.02 },
  cold: { lasting: 0.1, random: 0.17, warm: 0.01, cold: 0.7, knock: 0.02 },
};

function showingOf({ appears, mode }: Fault, sometimes: boolean): Showing {
  if (appears === 'warm' || appears === 'cold') return appears;
  if (!sometimes && appears !== 'sometimes') return 'lasting';
  return faultModes[mode].touchy ? 'touchy' : 'fading';
}

/** How likely what the owner told of the manner is under some hypotheses, as logarithms. */
export const mannerLogs = (manner: Manner, hypotheses: readonly Hypothesis[]): Float64Array =>
  Float64Array.from(hypotheses, ({ faults, sometimes }) =>
    Math.log(mean(faults.map((fault) => toldAs[showingOf(fault, sometimes === true)][manner]))),
  );
