import { sumOf } from '../../statistics';
import {
  type Check,
  type Context,
  type Intervention,
  interventions,
  type Predictions,
  withConnector,
} from '../../behaviour';
import { type Minutes } from '../../quantity';
import { type Connector, type SetState, type Sheet } from '../../sheet';

/** A check to be made in a certain context. */
export interface Probe {
  /** `check` or `check@connector pulled`. */
  readonly id: string;
  readonly check: Check;
  readonly context: Context;
  /** The connector pulled for it, where the probe isolates a load. */
  readonly isolates?: string;
}

/** What a danger is reckoned at, in minutes of extra care. */
const dangerMinutes: readonly Minutes[] = [0, 0.3, 1, 2.5];

export function probeCost(probe: Pick<Probe, 'check'>): Minutes {
  return probe.check.minutes + dangerMinutes[probe.check.danger]!;
}

/** Minutes to unplug, discharge and prove the stores; and to apply power and let it settle. */
export const powerDown: Minutes = 4;
export const powerUp: Minutes = 1.5;
const warmUp: Minutes = 10;

/** The context of the bench as a probe in the given state of the set would need it. */
export function contextFor(bench: Context, state: SetState): Context {
  return { ...bench, power: state === 'live' ? 'live' : 'proven' };
}

/** Minutes to make or undo a change for a try. */
function changeMinutes(sheet: Sheet, kind: Intervention, id: string): Minutes {
  switch (kind) {
    case 'unplugged':
      return sheet.connectors.get(id)?.minutes ?? 1;
    case 'cut':
    case 'strapped':
    case 'lifted':
      return 4;
    case 'bridged':
      return 3;
    case 'donors':
      return sheet.boards.get(id)?.removal ?? 10;
  }
}

/** What differs between two contexts in a set's build. */
export function buildChanges(from: Context, to: Context): { kind: Intervention; id: string; on: boolean }[] {
  return interventions.flatMap((kind) =>
    [...new Set([...from[kind], ...to[kind]])]
      .filter((id) => from[kind].includes(id) !== to[kind].includes(id))
      .map((id) => ({ kind, id, on: to[kind].includes(id) })),
  );
}

/** Minutes from one context to another. Connectors and legs are only moved with the set off and proven. */
export function changeCost(sheet: Sheet, from: Context, to: Context): Minutes {
  const moving = sumOf(buildChanges(from, to), ({ kind, id }) => changeMinutes(sheet, kind, id));
  const wasLive = from.power === 'live';
  const willBeLive = to.power === 'live';
  let cost = moving;
  if (wasLive && (!willBeLive || moving > 0 || from.lamp !== to.lamp)) cost += powerDown;
  else if (from.power === 'unplugged' && !willBeLive) cost += powerDown - 1;
  if (willBeLive && (!wasLive || moving > 0 || from.lamp !== to.lamp)) cost += powerUp;
  if (willBeLive && to.warm && !from.warm) cost += warmUp;
  return cost;
}

/** Points that watch, from the supply's side, what a connector carries. */
function watching(sheet: Sheet, connector: Connector, check: Check): boolean {
  if (check.measure === 'blinks') return true;
  const point = check.point;
  if (!point?.net || !connector.carries.includes(point.net)) return false;
  return point.board === connector.from && (check.measure === 'dc' || check.measure === 'ohms');
}

/**
 * Every probe that could be made next.
 *
 * @param isolating whether to offer pulling connectors and watching what they carried
 */
export function probesOf(predictions: Predictions, bench: Context, isolating: boolean): Probe[] {
  const { sheet } = predictions.model;
  const whole: Context = { ...bench, unplugged: [] };
  // One object a context: predictions are kept by its key, which is worked out once an object.
  const contexts = { live: contextFor(whole, 'live'), cold: contextFor(whole, 'cold') };
  const probes: Probe[] = [];
  for (const check of predictions.checks.values()) {
    probes.push({ id: check.id, check, context: contexts[check.state] });
    if (check.measure === 'picture' && !bench.warm) {
      probes.push({ id: `${check.id}@warm`, check, context: { ...contexts.live, warm: true } });
    }
  }
  if (!isolating && bench.unplugged.length === 0) return probes;
  const pullable = [...sheet.connectors.values()].filter((connector) => connector.unplug);
  for (const connector of pullable) {
    if (!isolating && !bench.unplugged.includes(connector.id)) continue;
    const pulled = {
      live: withConnector(contexts.live, connector.id, true),
      cold: withConnector(contexts.cold, connector.id, true),
    };
    for (const check of predictions.checks.values()) {
      if (!watching(sheet, connector, check)) continue;
      probes.push({ id: `${check.id}@${connector.id}`, check, context: pulled[check.state], isolates: connector.id });
    }
  }
  return probes;
}
