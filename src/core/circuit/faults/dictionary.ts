import { NoConvergence, operatingPoint, Reduced, type Change, type System } from '../solve';
import { changeFor, type CircuitFault, faultsOf } from './faults';

/** A fault with the voltages it would bring. */
export interface DictionaryEntry {
  readonly fault: CircuitFault;
  readonly change: Change;
  /** Node voltages, then branch currents. */
  readonly point: Float64Array;
}

/** A circuit whole and broken in every way. */
export interface Dictionary {
  readonly system: System;
  /** What is left of the equations once their linear inside is gone; absent where it cannot go. */
  readonly reduced: Reduced | undefined;
  readonly healthy: Float64Array;
  readonly entries: readonly DictionaryEntry[];
}

/**
 * Breaks a circuit in every way: each fault is a rank-one change of the reduced equations, turned to
 * its operating point from the healthy one. Where that does not settle the whole equations are solved;
 * faults without an operating point are left out.
 *
 * @param onProgress told after each fault how many are done of how many
 */
export function dictionaryOf(
  system: System,
  healthy: Float64Array,
  { faults = faultsOf(system), onProgress }: DictionaryOptions = {},
): Dictionary {
  const reduced = Reduced.of(system);
  const entries: DictionaryEntry[] = [];
  faults.forEach((fault, index) => {
    const change = changeFor(system, fault);
    const point = reduced?.pointWith(change, healthy) ?? pointInFull(system, change, healthy);
    if (point) entries.push({ fault, change, point });
    onProgress?.(index + 1, faults.length);
  });
  return { system, reduced, healthy, entries };
}

interface DictionaryOptions {
  readonly faults?: readonly CircuitFault[];
  readonly onProgress?: (done: number, all: number) => void;
}

function pointInFull(system: System, change: Change, from: Float64Array): Float64Array | undefined {
  try {
    return operatingPoint(system, { change, from });
  } catch (error) {
    if (error instanceof NoConvergence) return undefined;
    throw error;
  }
}
