import { sumOf } from '../../statistics';
import { type Case, type Posterior } from '../belief';
import { asBuilt, joined, withConnector } from '../../behaviour';
import { type Fault } from '../../sheet';
import { contextFor } from './probes';

/** A load on a rail that can be taken off by one connector. */
export interface Load {
  readonly connector: string;
  /** What is taken off by it. */
  readonly boards: readonly string[];
  /** Share of what may hold the rail down that is taken off with it. */
  readonly share: number;
  readonly pulled: boolean;
}

/** A rail that something holds down, and the way to what does. */
export interface Isolation {
  readonly net: string;
  /** Chance that anything on the rail holds it down. */
  readonly chance: number;
  readonly loads: readonly Load[];
  /** Share of what may hold it down that no connector takes off. */
  readonly fixed: number;
  /** The connector that comes nearest to halving what is left. */
  readonly next: string | undefined;
  /** Blinks of the code if the load taken off next was the guilty one, and if it was not. */
  readonly blinks: { readonly freed: number; readonly held: number } | undefined;
}

/** A rail is shown as held down from this chance. */
const shownFrom = 0.15;

/** The rail most likely held down by a short, with the loads still on it; undefined where none is likely. */
export function isolationOf({ predictions, bench }: Case, posterior: Posterior): Isolation | undefined {
  const { model } = predictions;
  const { sheet } = model;
  const holding = new Map<string, { fault: Fault; weight: number }[]>();
  for (const { fault, probability, cured } of posterior.suspects) {
    if (cured || probability < 1e-5) continue;
    for (const net of fault.shorts) holding.set(net, [...(holding.get(net) ?? []), { fault, weight: probability }]);
  }
  const sum = (list: readonly { weight: number }[]) => sumOf(list, ({ weight }) => weight);
  const [found] = [...holding].sort(([, a], [, b]) => sum(b) - sum(a));
  if (!found || sum(found[1]) < shownFrom) return undefined;
  const [net, suspects] = found;
  const index = model.netIndex.get(net)!;
  const source = model.sourceBoard[index];
  const boardOf = (fault: Fault) => sheet.parts.get(fault.part)!.board;
  const chance = sum(suspects);
  const loads = [...sheet.connectors.values()]
    .filter(({ unplug, carries }) => unplug && carries.includes(net))
    .map((connector): Load => {
      const off = (board: string) => !joined(model, index, source, board, new Set([connector.id]));
      return {
        connector: connector.id,
        boards: [...sheet.boards.keys()].filter(off),
        share: sum(suspects.filter(({ fault }) => off(boardOf(fault)))) / chance,
        pulled: bench.context.unplugged.includes(connector.id),
      };
    })
    .sort((a, b) => b.share - a.share);
  const open = new Set(loads.filter(({ pulled }) => pulled).map(({ connector }) => connector));
  const attached = loads.filter(({ pulled, share }) => !pulled && share > 0.02);
  const next = [...attached].sort((a, b) => Math.abs(a.share - 0.5) - Math.abs(b.share - 0.5))[0];
  return {
    net,
    chance,
    loads,
    fixed: sum(suspects.filter(({ fault }) => loads.every(({ boards }) => !boards.includes(boardOf(fault))))) / chance,
    next: next?.connector,
    blinks: next && blinksAfter(next),
  };

  function blinksAfter(load: Load): Isolation['blinks'] {
    const context = withConnector(
      { ...contextFor(asBuilt(bench.context), 'live'), unplugged: [...open].sort() },
      load.connector,
      true,
    );
    const likeliest = (taken: boolean) =>
      suspects.reduce<{ fault: Fault; weight: number } | undefined>(
        (best, one) =>
          load.boards.includes(boardOf(one.fault)) === taken && one.weight > (best?.weight ?? 0) ? one : best,
        undefined,
      )?.fault;
    return {
      freed: predictions.behaviour(likeliest(true), context).blinks,
      held: predictions.behaviour(likeliest(false), context).blinks,
    };
  }
}
