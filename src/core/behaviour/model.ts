import { leadOf } from './context';
import { deadRatio } from '../measure';
import { type Block, levels, type Level, makers, needOrder, type Protection, type Sheet } from '../sheet';

/** A connector that carries a net between two boards. */
interface Link {
  readonly connector: string;
  /** Its lead that carries the net. */
  readonly lead: string;
  readonly from: string;
  readonly to: string;
}

/** A sheet made ready to be simulated: everything that does not depend on the fault or context. */
export interface Model {
  readonly sheet: Sheet;
  readonly netIndex: ReadonlyMap<string, number>;
  /** Blocks in the order in which they can be worked out. */
  readonly order: readonly CompiledBlock[];
  /** By net index: links that carry it and the board it is made on. */
  readonly links: readonly (readonly Link[])[];
  readonly sourceBoard: readonly (string | undefined)[];
  /** By net index: the ratio below which it is low and above which it is high. */
  readonly lowBelow: Float64Array;
  readonly highAbove: Float64Array;
  readonly guards: readonly CompiledGuard[];
  /** By net index: 1 where it switches what needs it on, and where what makes it runs or does not. */
  readonly commands: Uint8Array;
  readonly switches: Uint8Array;
  /** By net index: 1 where it feeds a part of what needs it, and nobody knows which. */
  readonly partial: Uint8Array;
}

export interface CompiledBlock {
  readonly block: Block;
  /** Indices of nets. */
  readonly needs: readonly number[];
  readonly makes: readonly CompiledOutput[];
  /** Is a rail among its needs? Without any of them it makes nothing, whatever its rules say. */
  readonly powered: boolean;
}

/** A net that a block makes, with the rules for it; the first whose conditions all hold decides. */
export interface CompiledOutput {
  readonly net: number;
  /** Places among the block’s needs of those it is made of; absent where it is made of all. */
  readonly of?: readonly number[];
  readonly rules: readonly { readonly when: readonly CompiledCondition[]; readonly ratio: number }[];
}

/** `need` is the place among the block's needs. */
interface CompiledCondition {
  readonly need: number;
  readonly levels: readonly Level[];
}

/** A protection with the indices of its nets. */
export interface CompiledGuard {
  readonly protection: Protection;
  readonly cuts: readonly number[];
  /** Blocks that make what it cuts. */
  readonly supplies: readonly CompiledBlock[];
  readonly watches: readonly { readonly net: number; readonly wrong: readonly Level[] }[];
}

/**
 * Prepares a sheet for simulation.
 *
 * @throws NeedLoop when the blocks need each other in a circle (the reader refuses such sheets)
 */
export function compileSheet(sheet: Sheet): Model {
  const netIndex = new Map([...sheet.nets.keys()].map((id, index) => [id, index]));
  const index = (net: string) => netIndex.get(net)!;
  const made = makers(sheet);
  const nets = [...sheet.nets.values()];
  // A level names a real departure: at least 4 %, so that rounding in a chain of ratios never counts.
  const slack = nets.map((net) =>
    Math.max(0.04, 'relative' in net.tolerance ? net.tolerance.relative : net.tolerance.absolute / Math.abs(net.volts)),
  );
  const order = needOrder(sheet).map((block): CompiledBlock => ({
    block,
    needs: block.needs.map(index),
    powered: block.needs.some((net) => sheet.nets.get(net)!.kind === 'rail'),
    makes: block.makes.map((net) => ({
      net: index(net),
      ...madeOf(sheet, block, net),
      rules: block.rules.flatMap(({ when, makes }) => {
        const ratio = makes.get(net);
        if (ratio === undefined) return [];
        return [{ ratio, when: [...when].map(([id, wanted]) => ({ need: block.needs.indexOf(id), levels: wanted })) }];
      }),
    })),
  }));
  return {
    sheet,
    netIndex,
    order,
    guards: sheet.protections.map((protection): CompiledGuard => ({
      protection,
      cuts: protection.cuts.map(index),
      supplies: order.filter(({ block }) => block.makes.some((net) => protection.cuts.includes(net))),
      watches: [...protection.watches].map(([net, wrong]) => ({ net: index(net), wrong })),
    })),
    links: nets.map((net) =>
      [...sheet.connectors.values()]
        .filter((connector) => connector.carries.includes(net.id))
        .map(({ id, from, to }) => ({ connector: id, lead: leadOf(id, net.id), from, to })),
    ),
    sourceBoard: nets.map((net) => made.get(net.id)?.board),
    commands: Uint8Array.from(nets, ({ signal }) => (signal === 'control' ? 1 : 0)),
    partial: Uint8Array.from(nets, ({ partial }) => (partial ? 1 : 0)),
    switches: Uint8Array.from(nets, ({ signal }) => (signal === 'control' || signal === 'data' ? 1 : 0)),
    lowBelow: Float64Array.from(slack, (share) => 1 - share),
    highAbove: Float64Array.from(slack, (share) => 1 + share),
  };
}

/** A rail of which nobody knows what it feeds is made of rails and commands, whatever else its block is there for. */
function madeOf({ nets }: Sheet, { needs }: Block, net: string): Pick<CompiledOutput, 'of'> {
  if (!nets.get(net)!.partial) return {};
  const of = needs.flatMap((need, place) => {
    const { kind, signal, partial } = nets.get(need)!;
    return !partial && (kind === 'rail' || signal === 'control') ? [place] : [];
  });
  return of.length > 0 ? { of } : {};
}

/** The named band a ratio of a net lies in. */
export function levelOf(model: Model, net: number, ratio: number): Level {
  if (ratio < deadRatio) return levels[0];
  if (ratio < model.lowBelow[net]!) return levels[1];
  return ratio > model.highAbove[net]! ? levels[3] : levels[2];
}

/**
 * Whether a net on one board is joined to the same net on another, with some connectors, or leads of them, open.
 *
 * Boards that no connector of the net reaches are taken as wired straight to it.
 */
export function joined(
  model: Model,
  net: number,
  from: string | undefined,
  to: string | undefined,
  open: ReadonlySet<string>,
): boolean {
  if (open.size === 0 || from === undefined || to === undefined || from === to) return true;
  const links = model.links[net]!;
  const isOpen = ({ connector, lead }: Link) => open.has(connector) || open.has(lead);
  if (!links.some(isOpen)) return true;
  if (!links.some((link) => link.from === to || link.to === to)) return true;
  if (!links.some((link) => link.from === from || link.to === from)) return true;
  const reached = new Set([from]);
  for (let grown = true; grown;) {
    grown = false;
    for (const link of links) {
      if (isOpen(link)) continue;
      const [near, far] = reached.has(link.from) ? [link.from, link.to] : [link.to, link.from];
      if (reached.has(near) && !reached.has(far)) {
        reached.add(far);
        grown = true;
      }
    }
  }
  return reached.has(to);
}
