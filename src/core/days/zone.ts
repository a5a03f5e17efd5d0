const day = 24 * 60 * 60 * 1000;

/** Making one takes longer than a hundred uses of it. */
const clocks = new Map<string, Intl.DateTimeFormat>();

/** What the clocks and calendars of a time zone show at an instant, as though they stood in Greenwich: milliseconds. */
function shownIn(instant: number, zone: string): number {
  const clock =
    clocks.get(zone) ??
    new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      ...({ year: 'numeric', month: 'numeric', day: 'numeric' } as const),
      ...({ hour: 'numeric', minute: 'numeric', second: 'numeric' } as const),
    });
  clocks.set(zone, clock);
  const parts = new Map(clock.formatToParts(instant).map(({ type, value }) => [type, Number(value)]));
  const part = (type: Intl.DateTimeFormatPartTypes) => parts.get(type)!;
  return Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'), part('second'));
}

/** The date at an instant where the clocks of a time zone show it, as `2026-11-24`. */
export const dayIn = (instant: string | number, zone: string): string =>
  new Date(shownIn(new Date(instant).getTime(), zone)).toISOString().slice(0, 10);

/** How far the clocks of a zone are ahead of UTC at an instant, in milliseconds. */
const ahead = (instant: number, zone: string): number => shownIn(instant, zone) - Math.floor(instant / 1000) * 1000;

/**
 * The instant at which a date begins in a time zone, in milliseconds since 1970.
 *
 * @param date as `2026-11-24`
 */
export function startOfDay(date: string, zone: string): number {
  const midnight = Date.parse(`${date}T00:00:00Z`);
  // Clocks may be put on between the first guess and the day itself.
  const guess = midnight - ahead(midnight, zone);
  return midnight - ahead(guess, zone);
}

/** Days from an instant until the end of a date in a time zone, below 0 when it is over. */
export const daysUntilEnd = (date: string, now: number, zone: string): number =>
  (startOfDay(date, zone) + day - now) / day;
