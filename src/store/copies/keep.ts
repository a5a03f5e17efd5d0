const day = 86_400_000;

/** How many copies are kept of each span: of each of the last days, weeks and months the newest. */
const kept: readonly { readonly count: number; spanOf(at: Date): string }[] = [
  { count: 7, spanOf: (at) => at.toISOString().slice(0, 10) },
  { count: 5, spanOf: (at) => String(Math.floor((at.getTime() / day + 3) / 7)) },
  { count: 12, spanOf: (at) => at.toISOString().slice(0, 7) },
];

/**
 * Which of some copies stay: the newest of each of the last seven days, five weeks (from Monday) and twelve months that
 * have one, in UTC. The newest of all always stays.
 *
 * @param made instants of the copies
 * @returns those that stay, the newest first
 */
export function copiesToKeep(made: readonly Date[]): Date[] {
  const newestFirst = [...made].sort((a, b) => b.getTime() - a.getTime());
  const stay = new Set<Date>();
  for (const { count, spanOf } of kept) {
    const spans = new Map<string, Date>();
    for (const at of newestFirst) if (!spans.has(spanOf(at))) spans.set(spanOf(at), at);
    for (const at of [...spans.values()].slice(0, count)) stay.add(at);
  }
  return newestFirst.filter((at) => stay.has(at));
}
