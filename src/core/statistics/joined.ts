import { sumOf } from './sum';

/** Several lists of numbers as one. */
export function joined(...lists: readonly ArrayLike<number>[]): Float64Array<ArrayBuffer> {
  const all = new Float64Array(sumOf(lists, ({ length }) => length));
  let at = 0;
  for (const list of lists) {
    all.set(list, at);
    at += list.length;
  }
  return all;
}
