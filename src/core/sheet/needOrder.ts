import { type Block, type Sheet } from './sheet';

/** A circle of blocks, each needing what the next makes. */
export class NeedLoop extends Error {
  override readonly name = 'NeedLoop';
  constructor(readonly blocks: readonly Block[]) {
    super(blocks.map((block) => block.id).join(' → '));
  }
}

/** Which block makes each net. */
export function makers(sheet: Pick<Sheet, 'blocks'>): Map<string, Block> {
  const made = new Map<string, Block>();
  for (const block of sheet.blocks.values()) for (const net of block.makes) made.set(net, block);
  return made;
}

/**
 * Blocks in an order in which every need is made before it is needed.
 *
 * @throws NeedLoop when there is none
 */
export function needOrder(sheet: Pick<Sheet, 'blocks'>): Block[] {
  const made = makers(sheet);
  const order: Block[] = [];
  const done = new Set<string>();
  const path: Block[] = [];
  const visit = (block: Block): void => {
    if (done.has(block.id)) return;
    const start = path.indexOf(block);
    if (start >= 0) throw new NeedLoop(path.slice(start));
    path.push(block);
    for (const net of block.needs) {
      const maker = made.get(net);
      if (maker) visit(maker);
    }
    path.pop();
    done.add(block.id);
    order.push(block);
  };
  for (const block of sheet.blocks.values()) visit(block);
  return order;
}
