import { faultModes } from '../../parts';
import { type Fault, isListed } from '../../sheet';

/** How often a fault that a sheet takes for lasting comes and goes. */
const usually = 0.08;
/** Joints, latches and cracks do so more often. */
const touchy = 0.25;
/** What its sheet says comes and goes hardly ever stays. */
const alwaysFading = 0.9;
/** Of a fault, how often it comes and goes. */
export function fadingShare(fault: Fault): number {
  const { appears, mode } = fault;
  if (appears === 'sometimes') return alwaysFading;
  if (appears !== 'always' || !isListed(fault)) return 0;
  return faultModes[mode].touchy ? touchy : usually;
}
