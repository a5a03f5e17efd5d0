import { type LogBody } from '../../log';
import { type Context } from '../../behaviour';
import { type Sheet } from '../../sheet';
import { buildChanges } from './probes';

/**
 * The steps that bring a set from one context to another, in the order in which they are done:
 * power off, stores proven, connectors and legs moved, power on, warmth awaited.
 *
 * @param volts what is written down as the reading that proves a store empty, where nobody types one
 */
export function transition(sheet: Sheet, from: Context, to: Context, volts: (store: string) => number): LogBody[] {
  const steps: LogBody[] = [];
  const moved = buildChanges(from, to);
  const mustBeOff = to.power !== 'live' || moved.length > 0 || from.lamp !== to.lamp;
  let power = from.power;
  if (mustBeOff && power === 'live') {
    steps.push({ kind: 'power', power: 'unplugged' });
    power = 'unplugged';
  }
  if (mustBeOff && power === 'unplugged' && (to.power === 'proven' || moved.length > 0)) {
    for (const store of sheet.stores.keys()) steps.push({ kind: 'store', store, volts: volts(store) });
    power = 'proven';
  }
  for (const { kind, id, on } of moved)
    steps.push(
      kind === 'unplugged'
        ? { kind: 'connector', connector: id, pulled: on }
        : { kind: 'intervention', change: kind, target: id, on },
    );
  if (from.lamp !== to.lamp) steps.push({ kind: 'lamp', fitted: to.lamp });
  if (to.power === 'live' && power !== 'live') steps.push({ kind: 'power', power: 'live' });
  if (from.warm !== to.warm) steps.push({ kind: 'warmth', warm: to.warm });
  return steps;
}
