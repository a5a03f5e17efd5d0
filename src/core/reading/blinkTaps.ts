/** A key held while a light was on, in seconds. */
export interface Tap {
  readonly down: number;
  readonly up: number;
}

/** What a run of taps comes to. */
export interface BlinkCount {
  /** Blinks of each group, the last of which may not be over yet. */
  readonly groups: readonly number[];
  /** The count that at least two whole groups agree on, or that of the only one; undefined while they differ. */
  readonly count: number | undefined;
  /** How many whole groups agree. */
  readonly agree: number;
  /** Long blinks of the last whole group, where there are two lengths. */
  readonly long: number | undefined;
}

/** A pause longer than this, or than so many of the usual pauses, parts two groups. */
const parts = { seconds: 1.1, times: 2 };
/** A blink longer than so many of the shortest is a long one. */
const longer = 2.2;

/**
 * Counts blinks that were tapped along: groups apart by pauses, and whether they agree.
 *
 * @param taps in the order of time
 * @param now seconds, to tell whether the last group is over
 */
export function countBlinks(taps: readonly Tap[], now: number): BlinkCount {
  const pauses = taps.slice(1).map(({ down }, index) => down - taps[index]!.up);
  const usual = [...pauses].sort((a, b) => a - b)[Math.floor(pauses.length / 4)] ?? 0;
  // Where even the short pauses are long, every blink is a group of its own.
  const parting = usual < parts.seconds ? Math.max(parts.seconds, parts.times * usual) : parts.seconds;
  const groups: Tap[][] = [];
  taps.forEach((tap, index) => {
    if (index === 0 || pauses[index - 1]! > parting) groups.push([]);
    groups[groups.length - 1]!.push(tap);
  });
  const last = taps[taps.length - 1];
  const over = last !== undefined && now - last.up > parting;
  const whole = over ? groups : groups.slice(0, -1);
  const counts = whole.map((group) => group.length);
  const times = new Map<number, number>();
  for (const count of counts) times.set(count, (times.get(count) ?? 0) + 1);
  const [count, agree] = [...times].sort((a, b) => b[1] - a[1])[0] ?? [undefined, 0];
  const settled = counts.length === 1 || (agree >= 2 && agree > counts.length / 2);
  return {
    groups: groups.map((group) => group.length),
    count: settled ? count : undefined,
    agree,
    long: longOf(whole[whole.length - 1] ?? []),
  };
}

function longOf(group: readonly Tap[]): number | undefined {
  const lengths = group.map(({ down, up }) => up - down);
  const shortest = Math.min(...lengths);
  const long = lengths.filter((length) => length > longer * shortest).length;
  return long > 0 ? long : undefined;
}
