/** `6 min`, `1 h 20`. */
export function minutesText(minutes: number): string {
  const whole = Math.max(0, Math.round(minutes));
  return whole < 100 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

/** `1:52` from seconds; hours from an hour on. */
export function clockText(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return whole >= 3600
    ? `${Math.floor(whole / 3600)} h ${String(Math.floor((whole % 3600) / 60)).padStart(2, '0')}`
    : `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** How long something takes: `0:02`, or `under 1 s`. */
export const waitText = (seconds: number): string => (seconds < 1 ? 'under 1 s' : clockText(seconds));

/** `£1.10`, `£45`. */
export function moneyText(amount: number, currency: string): string {
  return `${currency}${Number.isInteger(amount) ? amount : amount.toFixed(2)}`;
}

/** A probability for the eye: never 0 % or 100 %, which nothing measured deserves. */
export function chanceText(chance: number): string {
  if (chance > 0.995) return '>99 %';
  return chance < 0.005 ? '<1 %' : `${Math.round(chance * 100)} %`;
}

/** The time zone of the shop, which is that of its server: a page is read in it wherever it is opened. */
export const shopZone = (): string =>
  (typeof document === 'undefined' ? undefined : document.documentElement.dataset.zone) ??
  Intl.DateTimeFormat().resolvedOptions().timeZone;

/** `14:02` of an ISO instant, in the shop's time. */
export function timeText(instant: string): string {
  return new Date(instant).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: shopZone() });
}

/** `12 Nov 2026` of an ISO instant in the shop's time, or of a date, which has no time. */
export function dateText(instant: string): string {
  const timeZone = instant.length === 10 ? 'UTC' : shopZone();
  return new Date(instant).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone });
}
