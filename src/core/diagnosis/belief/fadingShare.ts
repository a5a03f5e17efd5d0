import { faultModes } from '../../parts';
import { type Fault, isUnlisted } from '../../sheet';

/** How often a fault that a sheet takes for lasting comes and goes. */
const usually = 0.08;
/** Joints, latches and cracks do so more often. */
const touchy = 0.25;
/** So does what no sheet lists, as a joint of some part, now and then. */
const unlisted = 0.05;
/** What its sheet says comes and goes hardly ever stays. */
const alwaysFading = 0.9;

/** A joint takes away, or lets rise, one thing; what does as a listed fault does is thought of with that. */
const actsOnOneNet = ({ sets, ripples, like }: Fault): boolean =>
  sets.size === 1 && ripples.length === 0 && like === undefined;

/** Of a fault, how often it comes and goes. */
export function fadingShare(fault: Fault): number {
  const { appears, mode } = fault;
  if (appears === 'sometimes') return alwaysFading;
  if (appears !== 'always' || fault.degreeOf !== undefined) return 0;
  if (isUnlisted(fault)) return mode === 'unlisted' && actsOnOneNet(fault) ? unlisted : 0;
  return faultModes[mode].touchy ? touchy : usually;
}
