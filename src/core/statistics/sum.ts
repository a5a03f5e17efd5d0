/** The sum of one number of each item. */
export function sumOf<T>(items: Iterable<T>, numberOf: (item: T) => number): number {
  let all = 0;
  for (const item of items) all += numberOf(item);
  return all;
}

export const sum = (values: Iterable<number>): number => sumOf(values, (value) => value);
