import { type Expectation } from '../../measure';
import { liveCold, type Context, type Predictions } from '../../behaviour';
import { kept } from '../../recent';
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
  const count = faults.length;
  /** Of each two of them, whether something tells them apart, and of each, how many are still like it. */
  const toldApart = new Uint8Array(count * count);
  const alike = new Int32Array(count).fill(count);
  const tell = (one: number, other: number) => {
    if (toldApart[one * count + other]) return;
    toldApart[one * count + other] = toldApart[other * count + one] = 1;
    alike[one]! -= 1;
    alike[other]! -= 1;
  };
  const contexts: Context[] = [liveCold, { ...liveCold, warm: true }];
  for (const { check, context } of contexts.flatMap((bench) => probesOf(predictions, bench, true))) {
    const expected = predictions.row(check, context);
    // Faults that one answer fits, for those that something is still like.
    const answers = new Map<Expectation, number[]>();
    for (let fault = 0; fault < count; fault += 1)
      if (alike[fault]! > 1) kept(answers, expected(faults[fault]), () => []).push(fault);
    if (answers.size < 2) continue;
    const { chancesFor } = classesOf(predictions.standard(check, context), [...answers.keys()]);
    const told = [...answers].map(([expectation, fits]) => ({ chances: chancesFor(expectation), fits }));
    told.forEach((one, index) => {
      for (const other of told.slice(index + 1))
        if (distance(one.chances, other.chances) > apart)
          for (const a of one.fits) for (const b of other.fits) tell(a, b);
    });
  }
  return new Map(
    faults.map(({ id }, one) => [
      id,
      new Set(faults.flatMap((fault, other) => (toldApart[one * count + other] ? [] : fault.id))),
    ]),
  );
}

/** Total variation between two distributions over the same outcomes. */
const distance = (one: readonly number[], other: readonly number[]): number =>
  one.reduce((sum, chance, outcome) => sum + Math.abs(chance - other[outcome]!), 0) / 2;
