import { type Spot, type TracedPart } from './part';

/** A stage that is known, as boards have it: parts, and which spots are one node. */
export interface TracedPattern {
  readonly id: string;
  readonly title: string;
  readonly parts: readonly TracedPart[];
  readonly nodes: readonly (readonly Spot[])[];
}
