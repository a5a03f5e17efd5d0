import { type Expectation } from '../../measure';
import { liveCold, type Context, type Predictions } from '../../behaviour';
import { classesOf } from '../belief';
import { probesOf } from './probes';

/** Two outcome distributions closer than this (total variation) tell nothing apart in practice. */
const apart = 0.25;

/**
 * For each fault, the faults that no probe of the sheet tells from it, itself included; on an opened sheet also
 * something else that does the same, where nothing measured at a part tells which of them it is.
 *
 * All checks are tried, live and off, cold and warm, and with each connector pulled.
 */
export function indistinguishable(predictions: Predictions): Map<string, ReadonlySet<string>> {
  const faults = [...predictions.model.sheet.faults.values()].filter(({ degreeOf }) => degreeOf === undefined);
  const alike = new Map(faults.map((fault) => [fault, new Set(faults)]));
  const contexts: Context[] = [liveCold, { ...liveCold, warm: true }];
  for (const { check, context } of contexts.flatMap((bench) => probesOf(predictions, bench, true))) {
    const expected = predictions.row(check, context);
    // Faults that one answer fits, for those that something is still like.
    const answers = new Map<Expectation, typeof faults>();
    for (const [fault, { size }] of alike) {
      if (size === 1) continue;
      const expectation = expected(fault);
      answers.set(expectation, [...(answers.get(expectation) ?? []), fault]);
    }
    if (answers.size < 2) continue;
    const { chancesFor } = classesOf(predictions.standard(check, context), [...answers.keys()]);
    const told = [...answers].map(([expectation, fits]) => ({ chances: chancesFor(expectation), fits }));
    told.forEach((one, index) => {
      for (const other of told.slice(index + 1))
        if (distance(one.chances, other.chances) > apart)
          for (const a of one.fits)
            for (const b of other.fits) {
              alike.get(a)!.delete(b);
              alike.get(b)!.delete(a);
            }
    });
  }
  return new Map([...alike].map(([{ id }, group]) => [id, new Set([...group].map((fault) => fault.id))]));
}

/** Total variation between two distributions over the same outcomes. */
const distance = (one: readonly number[], other: readonly number[]): number =>
  one.reduce((sum, chance, outcome) => sum + Math.abs(chance - other[outcome]!), 0) / 2;
