import { type Point } from '../plane';
import { type TracedNet } from './net';
import { type Spot } from './part';

/** Pins with their nodes and places, as a table of a spreadsheet: part, pin, node, right and down in shares of the width. */
export function pinTable({ parts, nodeOf }: TracedNet, places: ReadonlyMap<Spot, Point>): string {
  const rows = [...parts.values()].flatMap(({ ref, kind, pins }) =>
    pins.map((pin) => {
      const spot = `${ref}.${pin}`;
      const place = places.get(spot);
      return [ref, kind, pin, nodeOf.get(spot)!.name, place?.x.toFixed(4) ?? '', place?.y.toFixed(4) ?? ''].join(',');
    }),
  );
  return `${['part,kind,pin,node,right,down', ...rows].join('\n')}\n`;
}
