import { type Check, type Context, type Predictions } from '../../behaviour';
import { type Suspect } from '../belief';

/** Suspects asked whether a rail would be taken away again. */
const asked = 20;

/** Would some likely suspect let a reading rise and then take it away? */
export function mayBeBrief(
  predictions: Predictions,
  { suspects }: { readonly suspects: readonly Suspect[] },
  check: Check,
  context: Context,
): boolean {
  return suspects.slice(0, asked).some(({ fault }) => {
    const expectation = predictions.expectation(fault, check, context);
    return expectation.kind === 'number' && expectation.components.some(({ shape }) => shape === 'brief');
  });
}
