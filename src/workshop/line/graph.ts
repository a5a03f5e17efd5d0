import { makers, type Sheet } from '@/core/sheet';

/** The block that stands for the screen at the end of the line. */
export const screenId = '#screen';

/** A net that is drawn: from the block that makes it to those that need it, or the screen. */
export interface Wire {
  readonly net: string;
  readonly from: string;
  readonly to: readonly string[];
}

/** What is drawn of a sheet, and in which column. */
export interface LineGraph {
  /** Blocks from the plug on; what stands on the screen's own board is the screen. */
  readonly blocks: readonly string[];
  readonly column: ReadonlyMap<string, number>;
  readonly wires: readonly Wire[];
  /** The block that brings the mains. */
  readonly plug: string | undefined;
}

/** Commands and data run against the flow of power; they are read on their blocks, not drawn. */
function drawn(sheet: Sheet, net: string): boolean {
  const signal = sheet.nets.get(net)?.signal;
  return signal !== 'control' && signal !== 'sound';
}

/**
 * Columns by distance from the plug: one more than the furthest block that feeds it. What needs
 * nothing, such as a source device, stands just before the first that needs it.
 */
function columnsOf(sheet: Sheet, blocks: readonly string[], plug: string | undefined): Map<string, number> {
  const made = makers(sheet);
  const column = new Map<string, number>();
  const place = (id: string): number => {
    const known = column.get(id);
    if (known !== undefined) return known;
    const feeds = sheet.blocks
      .get(id)!
      .needs.filter((net) => drawn(sheet, net))
      .flatMap((net) => made.get(net)?.id ?? []);
    const at = feeds.length === 0 ? 0 : 1 + Math.max(...feeds.map(place));
    column.set(id, at);
    return at;
  };
  for (const id of blocks) place(id);
  for (const id of blocks) {
    const { needs, makes } = sheet.blocks.get(id)!;
    if (needs.length > 0 || id === plug) continue;
    const users = blocks.filter((other) => sheet.blocks.get(other)!.needs.some((net) => makes.includes(net)));
    column.set(id, Math.max(0, Math.min(...users.map((other) => column.get(other)!)) - 1));
  }
  return column;
}

/** The graph of the line for any sheet. */
export function lineGraph(sheet: Sheet): LineGraph {
  const made = makers(sheet);
  const all = [...sheet.blocks.values()];
  const screens = new Set(all.filter((block) => block.makes.length === 0).map((block) => block.board));
  const blocks = all.filter((block) => !screens.has(block.board)).map((block) => block.id);
  const plug = all.find(
    (block) => block.needs.length === 0 && block.makes.some((net) => sheet.nets.get(net)?.kind === 'rail'),
  )?.id;
  const shown = new Set([...sheet.picture.values()].flat());
  const onScreen = new Set(all.filter((block) => screens.has(block.board)).flatMap((block) => block.needs));
  const wires = [...sheet.nets.keys()].flatMap((net): Wire[] => {
    const from = made.get(net);
    if (!from || !blocks.includes(from.id) || !drawn(sheet, net)) return [];
    const needing = blocks.filter((id) => sheet.blocks.get(id)!.needs.includes(net));
    const to = onScreen.has(net) || (needing.length === 0 && shown.has(net)) ? [...needing, screenId] : needing;
    return to.length === 0 ? [] : [{ net, from: from.id, to }];
  });
  return { blocks, column: columnsOf(sheet, blocks, plug), wires, plug };
}
