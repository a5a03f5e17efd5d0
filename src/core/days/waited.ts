/** A stretch during which a part for a set was on order, as ISO instants; without an end it still is. */
export interface OnOrder {
  readonly job: string;
  readonly title: string;
  readonly typed: string;
  readonly from: string;
  readonly until: string | undefined;
}

/** How long a set waited for parts, and for which. */
export interface Waited {
  readonly job: string;
  readonly title: string;
  /** Days of 24 hours, those that overlap counted once. */
  readonly days: number;
  readonly parts: readonly string[];
}

const day = 24 * 3600_000;

/**
 * How long sets waited for parts within some days, the longest first.
 *
 * @param from the first instant, in milliseconds since 1970
 * @param until the first instant after, or now where that is earlier
 */
export function waitedIn(orders: readonly OnOrder[], from: number, until: number): Waited[] {
  const jobs = new Map<string, OnOrder[]>();
  for (const order of orders) jobs.set(order.job, [...(jobs.get(order.job) ?? []), order]);
  return [...jobs.values()]
    .flatMap((own): Waited[] => {
      const stretches = own
        .map(({ from: begun, until: ended, typed }) => ({
          begins: Math.max(from, Date.parse(begun)),
          ends: Math.min(until, ended === undefined ? Infinity : Date.parse(ended)),
          typed,
        }))
        .filter(({ begins, ends }) => ends > begins)
        .sort((a, b) => a.begins - b.begins);
      let [waited, reached] = [0, -Infinity];
      for (const { begins, ends } of stretches) {
        waited += Math.max(0, ends - Math.max(begins, reached));
        reached = Math.max(reached, ends);
      }
      const [{ job, title }] = own as [OnOrder];
      const parts = [...new Set(stretches.map(({ typed }) => typed))];
      return waited > 0 ? [{ job, title, days: waited / day, parts }] : [];
    })
    .sort((a, b) => b.days - a.days);
}
