const day = 24 * 60 * 60 * 1000;

/** The date at an instant where the clocks of a time zone show it, as `2026-11-24`. */
export function dayIn(instant: string | number, zone: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).formatToParts(new Date(instant));
  const part = (type: string) => parts.find((one) => one.type === type)!.value;
  return `${part('year')}-${part('month')}-${part('day')}`;
}

/** How far the clocks of a zone are ahead of UTC at an instant, in milliseconds. */
function ahead(instant: number, zone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  }).formatToParts(new Date(instant));
  const part = (type: string) => Number(parts.find((one) => one.type === type)!.value);
  const shown = Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'), part('second'));
  return shown - Math.floor(instant / 1000) * 1000;
}

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
