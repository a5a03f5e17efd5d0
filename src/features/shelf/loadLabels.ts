import 'server-only';
import QRCode from 'qrcode';
import { database, searchShelf } from '@/store';

/** A label of a sheet: what it says, and the code that opens the shelf at it. */
export interface Label {
  readonly title: string;
  readonly lines: readonly string[];
  /** An image as a data address. */
  readonly code: string;
}

/** So many labels are made at a time: some twenty sheets. */
const mostLabels = 500;
/** So many lines fit under a drawer’s name. */
const linesThatFit = 4;

/**
 * Labels for what a search finds: one a drawer, with what lies in it; what lies in none has one of its own.
 *
 * @param origin where the shelf is reached from, as `http://127.0.0.1:4870`
 */
export async function loadLabels(typed: string, origin: string): Promise<Label[]> {
  const rows = (await searchShelf(await database(), typed, 5000)).filter(({ count }) => count > 0);
  const labels = new Map<string, string[]>();
  for (const { drawer, typed: part } of rows)
    if (drawer === '') labels.set(part, []);
    else labels.set(drawer, [...(labels.get(drawer) ?? []), part]);
  const sorted = [...labels].sort(([a], [b]) => a.localeCompare(b, undefined, { numeric: true })).slice(0, mostLabels);
  return Promise.all(
    sorted.map(async ([title, parts]): Promise<Label> => {
      const more = parts.length - linesThatFit;
      return {
        title,
        lines: more > 0 ? [...parts.slice(0, linesThatFit - 1), `and ${more + 1} more kinds`] : parts,
        code: await QRCode.toDataURL(`${origin}/shelf?q=${encodeURIComponent(title)}`, { margin: 0, width: 220 }),
      };
    }),
  );
}
