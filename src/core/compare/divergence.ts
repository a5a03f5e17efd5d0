import { median } from '../statistics';
import { type Siblings } from '../sheet';

/** A cell of a comparison: the reading at one node of one column, where there is one. */
export type Cell = number | undefined;

/** How one row of siblings agrees. */
export interface ComparedRow {
  readonly title: string;
  readonly points: readonly string[];
  readonly values: readonly Cell[];
  /** Ratio of each value to the middle of its row. */
  readonly ratios: readonly Cell[];
  /** Column that leaves the others, if one does. */
  readonly odd: number | undefined;
}

/** The whole comparison with what it says. */
export interface Comparison {
  readonly title: string;
  readonly columns: readonly string[];
  readonly rows: readonly ComparedRow[];
  /** The column that is odd somewhere. */
  readonly oddColumn: number | undefined;
  /** Parts between the last row where that column still agrees and the first where it does not. */
  readonly between: readonly string[];
  /** The next point that would narrow it. */
  readonly next: string | undefined;
}

/** Siblings of one design differ by less than this share of each other. */
const agreement = 0.12;

function compareRow(title: string, points: readonly string[], values: readonly Cell[]): ComparedRow {
  const known = values.filter((value): value is number => value !== undefined);
  const centre = known.length >= 2 ? median(known) : undefined;
  const ratios = values.map((value) =>
    value === undefined || centre === undefined || centre === 0 ? undefined : value / centre,
  );
  const distances = ratios.map((ratio) => (ratio === undefined ? 0 : Math.abs(Math.log(Math.max(ratio, 0.01)))));
  const furthest = distances.indexOf(Math.max(...distances));
  const others = distances.filter((_, column) => column !== furthest);
  // With three columns one stands apart; with two nobody can say which is wrong.
  const odd =
    known.length >= 3 && distances[furthest]! > agreement && Math.max(...others) < distances[furthest]! / 2
      ? furthest
      : undefined;
  return { title, points, values, ratios, odd };
}

/**
 * Compares sibling circuits node by node, from the picture back towards the signal.
 *
 * The node where one column first leaves the others is next to the fault: equal at the chip,
 * unequal at the collector leaves what stands between.
 *
 * @param read latest settled value of a point
 */
export function compareSiblings(siblings: Siblings, read: (point: string) => Cell): Comparison {
  const rows = siblings.rows.map((row) => compareRow(row.title, row.points, row.points.map(read)));
  const oddRows = rows.map((row, index) => ({ row, index })).filter(({ row }) => row.odd !== undefined);
  const oddColumn = oddRows[0]?.row.odd;
  if (oddColumn === undefined) {
    return { title: siblings.title, columns: siblings.columns, rows, oddColumn, between: [], next: firstUnread(rows) };
  }
  // Walk back from the deepest row that is still odd to the first that agrees again.
  const deepest = Math.max(...oddRows.filter(({ row }) => row.odd === oddColumn).map(({ index }) => index));
  const agreeing = rows.findIndex((row, index) => index > deepest && row.odd === undefined && complete(row));
  const last = agreeing < 0 ? rows.length : agreeing;
  const between = [...new Set(siblings.rows.slice(deepest, last).flatMap((row) => row.parts[oddColumn] ?? []))];
  const next = firstUnread(rows.slice(deepest + 1, agreeing < 0 ? undefined : agreeing));
  return { title: siblings.title, columns: siblings.columns, rows, oddColumn, between, next };
}

function complete(row: ComparedRow): boolean {
  return row.values.every((value) => value !== undefined);
}

function firstUnread(rows: readonly ComparedRow[]): string | undefined {
  for (const row of rows) {
    const column = row.values.findIndex((value) => value === undefined);
    if (column >= 0) return row.points[column];
  }
  return undefined;
}
