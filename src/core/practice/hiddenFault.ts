import { type Case, posteriorOf } from '../diagnosis';
import { drawn, type Random } from '../statistics';
import { type Fault, isListed } from '../sheet';

/** A listed fault for a simulated set, drawn by how likely each is after what its owner told. */
export function hiddenFault(job: Case, random: Random): Fault {
  const listed = posteriorOf(job).suspects.filter(({ fault }) => isListed(fault));
  return drawn(listed, ({ probability }) => probability, random).fault;
}
