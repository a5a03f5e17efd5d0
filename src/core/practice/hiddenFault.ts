import { type Case, posteriorOf } from '../diagnosis';
import { drawn, type Random } from '../statistics';
import { type Fault } from '../sheet';

/** A fault for a simulated set, drawn by how likely each is after what its owner told. */
export function hiddenFault(job: Case, random: Random): Fault {
  return drawn(posteriorOf(job).suspects, ({ probability }) => probability, random).fault;
}
