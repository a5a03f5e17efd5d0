import { type Fault } from '../sheet';
import { type Check, checksOf } from './checks';
import { type Context, contextKey } from './context';
import { expect } from './expect';
import { type Component, type Expectation } from './expectation';
import { type Model } from './model';
import { type Behaviour, simulate } from './simulate';
import { type Standard, standardOf } from './standard';

/** Chance that an intermittent fault shows at the moment of a check. */
const showsNow = 0.75;

/**
 * Behaviours and expectations of one model, worked out when first asked for and kept.
 *
 * A sheet has some tens of faults and a handful of contexts, so the store stays small.
 */
export class Predictions {
  readonly checks: ReadonlyMap<string, Check>;
  private readonly behaviours = new Map<string, Behaviour>();
  private readonly expectations = new Map<string, Expectation>();
  private readonly standards = new Map<string, Standard>();

  constructor(readonly model: Model) {
    this.checks = checksOf(model.sheet);
  }

  /** What the set does; `undefined` is a good set. */
  behaviour(fault: Fault | undefined, context: Context): Behaviour {
    const key = `${fault?.id ?? ''}@${contextKey(context)}`;
    let found = this.behaviours.get(key);
    if (!found) {
      found = simulate(this.model, fault ? [fault] : [], context);
      this.behaviours.set(key, found);
    }
    return found;
  }

  /** What a check gives; an intermittent fault gives a mixture of bad and good. */
  expectation(fault: Fault | undefined, check: Check, context: Context): Expectation {
    const key = `${fault?.id ?? ''}@${contextKey(context)}@${check.id}`;
    let found = this.expectations.get(key);
    if (!found) {
      found = expect(this.behaviour(fault, context), check);
      if (fault?.appears === 'sometimes' && check.measure !== 'press' && check.measure !== 'look') {
        found = mix(found, expect(this.behaviour(undefined, context), check), showsNow);
      }
      this.expectations.set(key, found);
    }
    return found;
  }

  /** The limits a reading of `check` is judged by in `context`. */
  standard(check: Check, context: Context): Standard {
    const key = `${contextKey(context)}@${check.id}`;
    let found = this.standards.get(key);
    if (!found) {
      found = standardOf(this.behaviour(undefined, context), check);
      this.standards.set(key, found);
    }
    return found;
  }
}

/** `share` of one expectation and the rest of the other; pictures do not mix and keep the first. */
function mix(one: Expectation, other: Expectation, share: number): Expectation {
  if (one.kind === 'number' && other.kind === 'number') {
    const scaled = (components: readonly Component[], by: number) =>
      components.map((part) => ({ ...part, chance: part.chance * by }));
    return { ...one, components: [...scaled(one.components, share), ...scaled(other.components, 1 - share)] };
  }
  if (one.kind === 'choice' && other.kind === 'choice') {
    const chances = new Map<string, number>();
    for (const [word, chance] of one.chances) chances.set(word, chance * share);
    for (const [word, chance] of other.chances) chances.set(word, (chances.get(word) ?? 0) + chance * (1 - share));
    return { kind: 'choice', chances };
  }
  return one;
}
