import { type Minutes } from '../quantity';

/**
 * A test: each outcome's probability under each hypothesis.
 *
 * Hypotheses under which it answers alike are of one kind to it; there are far fewer kinds than hypotheses.
 */
export interface PlanTest {
  readonly id: string;
  readonly cost: Minutes;
  /** Index of the state the set must be in. */
  readonly state: number;
  /** The kind of each hypothesis. */
  readonly kinds: Int32Array;
  /** `outcomes[o].chances[kind]`; for each kind they sum to 1. */
  readonly outcomes: readonly PlanOutcome[];
  /** How uncertain the outcome is under each kind, in bits, where it is known already. */
  readonly doubt?: Float64Array;
  /** What running it does to the set or to whoever runs it under each hypothesis, reckoned in minutes; none where absent. */
  readonly harm?: Float64Array;
}

/** An answer that a test may give, with its chance under each kind of hypothesis. */
export interface PlanOutcome {
  readonly name: string;
  readonly chances: Float64Array;
}

/** A repair: puts the set right if one of the hypotheses it cures is true. */
export interface PlanRepair {
  readonly id: string;
  readonly cost: Minutes;
  readonly state: number;
  /** Indices of hypotheses. */
  readonly cures: readonly number[];
}

/**
 * What to do about one fault out of several: tests tell, repairs cure, changes of state cost.
 *
 * Troubleshooting as in Heckerman, Breese and Rommelse, "Decision-theoretic troubleshooting"
 * (1995): the order of tests and repairs with the lowest expected cost until the set is right.
 */
export interface PlanProblem {
  /** Probability of each hypothesis; sums to 1. */
  readonly weights: Float64Array;
  readonly tests: readonly PlanTest[];
  readonly repairs: readonly PlanRepair[];
  /** What trying the set after a repair does under each hypothesis the repair left, in minutes; none where absent. */
  readonly trialHarm?: Float64Array;
  /** Index of the state the set is in. */
  readonly state: number;
  /** `switchCost[from][to]`, obeying the triangle inequality. */
  readonly switchCost: readonly (readonly Minutes[])[];
}
