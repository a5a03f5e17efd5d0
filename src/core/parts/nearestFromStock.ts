import { sum, sumOf } from '../statistics';
import { type Ohms, requirePositive, Refusal } from '../quantity';

/** One to three resistors of the stock, together near a wanted value. */
export interface StockChoice {
  readonly how: 'alone' | 'series' | 'parallel';
  readonly values: readonly Ohms[];
  readonly together: Ohms;
}

const mostTogether = 3;
/** With more pieces than this the triples would take too long. */
const mostPieces = 60;

const series = (values: readonly Ohms[]) => sum(values);
const parallel = (values: readonly Ohms[]) => 1 / sumOf(values, (one) => 1 / one);

/**
 * The best single resistor, pair and triple of a stock for a wanted value, by ratio; each piece is used once.
 *
 * @throws Refusal when a value is not positive, or there are too many pieces
 */
export function nearestFromStock(wanted: Ohms, stock: readonly Ohms[]): StockChoice[] {
  requirePositive({ value: wanted, ...Object.fromEntries(stock.map((one, index) => [`piece ${index + 1}`, one])) });
  if (stock.length > mostPieces) throw new Refusal(`${stock.length} pieces: name ${mostPieces} or fewer of the stock`);
  const best: (StockChoice | undefined)[] = [];
  const off = ({ together }: StockChoice) => Math.abs(Math.log(together / wanted));
  const consider = (choice: StockChoice) => {
    const index = choice.values.length - 1;
    if (!best[index] || off(choice) < off(best[index])) best[index] = choice;
  };
  const choose = (values: readonly Ohms[], from: number) => {
    if (values.length === 1) consider({ how: 'alone', values, together: values[0]! });
    if (values.length > 1) {
      consider({ how: 'series', values, together: series(values) });
      consider({ how: 'parallel', values, together: parallel(values) });
    }
    if (values.length === mostTogether) return;
    for (let index = from; index < stock.length; index += 1) choose([...values, stock[index]!], index + 1);
  };
  choose([], 0);
  return best.filter((one) => one !== undefined);
}
