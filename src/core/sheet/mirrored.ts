import { type Fault, type Sheet, type Siblings } from './sheet';

/** A listed fault as it would be in a sibling of what it is in: the next channel, the other half. */
export interface Mirrored {
  readonly fault: Fault;
  /** The block that it would be in. */
  readonly block: string;
  /** What the sibling is called, in one word. */
  readonly into: string;
}

const nameOf = (column: string): string => column.toLowerCase().replaceAll(/\W+/g, '-');

/** From one column of siblings to another: nets, points, and the blocks that make what stands in that column alone. */
interface Mirror {
  readonly nets: ReadonlyMap<string, string>;
  readonly points: ReadonlyMap<string, string>;
  readonly blocks: ReadonlyMap<string, string>;
  readonly from: string;
  readonly into: string;
}

function mirrorOf({ points, blocks }: Sheet, { rows, columns }: Siblings, from: number, into: number): Mirror {
  const pointTo = new Map<string, string>();
  const netTo = new Map<string, string>();
  const blockTo = new Map<string, string>();
  const makers = (net: string) => [...blocks.values()].filter(({ makes }) => makes.includes(net)).map(({ id }) => id);
  for (const row of rows) {
    const [own, other] = [row.points[from], row.points[into]];
    const [net, otherNet] = [points.get(own ?? '')?.net, points.get(other ?? '')?.net];
    if (own === undefined || other === undefined || net === undefined || otherNet === undefined || net === otherNet)
      continue;
    pointTo.set(own, other);
    netTo.set(net, otherNet);
    for (const [at, maker] of makers(net).entries()) {
      const otherMaker = makers(otherNet)[at];
      if (otherMaker !== undefined) blockTo.set(maker, otherMaker);
    }
  }
  return { nets: netTo, points: pointTo, blocks: blockTo, from: nameOf(columns[from]!), into: nameOf(columns[into]!) };
}

/** A fault seen in a mirror; undefined where it does not lie in that column alone, or looks no other in the other. */
function seenIn(sheet: Sheet, fault: Fault, mirror: Mirror, strangers: ReadonlySet<string>): Mirrored | undefined {
  const named = [...fault.sets.keys(), ...fault.shorts, ...fault.ripples];
  if (named.some((net) => strangers.has(net)) || fault.opens.length > 0) return undefined;
  const inWords = (word: string) =>
    word
      .split('_')
      .map((part) => (part === mirror.from ? mirror.into : part))
      .join('_');
  const shows = fault.shows.map(inWords);
  const isOfColumn =
    named.length > 0 ? named.some((net) => mirror.nets.has(net)) : shows.some((word, at) => word !== fault.shows[at]);
  if (!isOfColumn) return undefined;
  const net = (id: string) => mirror.nets.get(id) ?? id;
  // What is read of its own part says nothing of another’s.
  const reads = [...fault.reads].filter(([point]) => sheet.points.get(point)?.parts.includes(fault.part) !== true);
  const { block } = sheet.parts.get(fault.part)!;
  return {
    block: mirror.blocks.get(block) ?? block,
    into: mirror.into,
    fault: {
      ...fault,
      sets: new Map([...fault.sets].map(([id, ratio]) => [net(id), ratio])),
      shorts: fault.shorts.map(net),
      ripples: fault.ripples.map(net),
      shows,
      reads: new Map([...reads].map(([point, value]) => [mirror.points.get(point) ?? point, value])),
    },
  };
}

/**
 * What is listed of one of several siblings, as it would be in each of the others: what goes wrong in the red channel may
 * go wrong in the green one. Faults that act on nets of several columns, and those of plugs, are left out.
 */
export function mirroredFaults(sheet: Sheet): Mirrored[] {
  return sheet.siblings.flatMap((table) => {
    const netsIn = table.columns.map(
      (_, column) => new Set(table.rows.flatMap(({ points }) => sheet.points.get(points[column] ?? '')?.net ?? [])),
    );
    return table.columns.flatMap((_, from) =>
      table.columns.flatMap((__, into) => {
        if (from === into) return [];
        const mirror = mirrorOf(sheet, table, from, into);
        const strangers = new Set(netsIn.flatMap((nets, column) => (column === from ? [] : [...nets])));
        return [...sheet.faults.values()].flatMap((fault) => seenIn(sheet, fault, mirror, strangers) ?? []);
      }),
    );
  });
}
