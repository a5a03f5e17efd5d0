import { lineText, type LogBody } from '../../log';
import { type Context } from '../../behaviour';
import { type Sheet } from '../../sheet';
import { type ExpectedHarm } from './harm';
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

/**
 * What must be done before a probe can be made, in order and in words.
 *
 * @param harm what the probe is expected to do; a picture that burns is turned down before it is lit
 */
export function stepsTo(sheet: Sheet, from: Context, to: Context, harm: ExpectedHarm | undefined): string[] {
  const steps = transition(sheet, from, to, () => 0);
  const stores = steps.flatMap((step) => (step.kind === 'store' ? [step.store] : []));
  const said = steps.flatMap((step, index): string[] => {
    if (step.kind === 'store')
      return steps[index - 1]?.kind === 'store' ? [] : [`discharge and measure ${stores.join(', ')}`];
    if (step.kind === 'power' && step.power === 'live') return [...(turnDown(harm) ? [dim] : []), 'power on'];
    if (step.kind === 'warmth') return [step.warm ? 'wait until it is warm' : 'let it cool'];
    return [lineText(step)];
  });
  return from.power === 'live' && to.power === 'live' && turnDown(harm) && !said.includes(dim) ? [dim, ...said] : said;
}

const dim = 'brightness right down';
const turnDown = (harm: ExpectedHarm | undefined) => harm?.kind === 'burn';
