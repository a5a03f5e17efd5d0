import { mainValue, measures, partStandard, type Standard } from '../measure';
import { type Check } from './checks';
import { expect, netAt, partAt } from './expect';
import { type Behaviour } from './simulate';

/** Limits for `check` from the good set's behaviour in the context of the reading. */
export function standardOf(healthy: Behaviour, check: Check): Standard {
  const way = measures[check.measure];
  const { point } = check;
  if (way.kind === 'number' && point) {
    if (point.net === undefined || !way.netLimits) return partStandard(check.measure, partAt(healthy, point))!;
    const nominal = mainValue(expect(healthy, check));
    return { kind: 'number', scale: way.scale, nominal, ...way.netLimits(netAt(healthy, point), nominal) };
  }
  const expectation = expect(healthy, check);
  if (expectation.kind !== 'choice') return { kind: 'picture' };
  const [right] = [...expectation.chances].reduce((best, one) => (one[1] > best[1] ? one : best));
  return { kind: 'choice', right };
}
