import { type Case, posteriorOf } from '../diagnosis';
import { type Random } from '../statistics';
import { type Fault } from '../sheet';

/** A fault for a simulated set, drawn by how likely each is after what its owner told. */
export function hiddenFault(job: Case, random: Random): Fault {
  const { suspects } = posteriorOf(job);
  let left = random();
  return (suspects.find(({ probability }) => (left -= probability) <= 0) ?? suspects[0]!).fault;
}
