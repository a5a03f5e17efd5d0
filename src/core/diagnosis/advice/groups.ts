import { outcomesOf } from '../belief';
import { liveCold, type Context, type Predictions } from '../../behaviour';
import { type Fault } from '../../sheet';
import { probesOf } from './probes';

/** Two outcome distributions closer than this (total variation) tell nothing apart in practice. */
const apart = 0.25;

/**
 * For each fault, the faults that no probe of the sheet tells from it, itself included.
 *
 * All checks are tried, live and off, cold and warm, and with each connector pulled.
 */
export function indistinguishable(predictions: Predictions): Map<string, ReadonlySet<string>> {
  const faults: Fault[] = [...predictions.model.sheet.faults.values()];
  const told = faults.map(() => new Uint8Array(faults.length));
  const contexts: Context[] = [liveCold, { ...liveCold, warm: true }];
  for (const bench of contexts) {
    for (const probe of probesOf(predictions, bench, true)) {
      const outcomes = outcomesOf(
        predictions,
        probe.check,
        probe.context,
        faults.map((fault) => [fault]),
      );
      for (let a = 0; a < faults.length; a += 1) {
        for (let b = a + 1; b < faults.length; b += 1) {
          if (told[a]![b] === 1) continue;
          let distance = 0;
          for (const { chances } of outcomes) distance += Math.abs(chances[a]! - chances[b]!);
          if (distance / 2 > apart) told[a]![b] = told[b]![a] = 1;
        }
      }
    }
  }
  return new Map(
    faults.map((fault, a) => [
      fault.id,
      new Set(faults.filter((_, b) => b === a || told[a]![b] === 0).map((other) => other.id)),
    ]),
  );
}
