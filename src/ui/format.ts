import { kept } from '@/core/recent';

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

let ownZone: string | undefined;

/** The time zone of the shop, which is that of its server: a page is read in it wherever it is opened. */
export const shopZone = (): string =>
  (typeof document === 'undefined' ? undefined : document.documentElement.dataset.zone) ??
  (ownZone ??= Intl.DateTimeFormat().resolvedOptions().timeZone);

/** Writers of times, by zone; making one takes longer than a hundred uses. */
const writers = new Map<string, Intl.DateTimeFormat>();

function written(instant: string, timeZone: string, parts: Intl.DateTimeFormatOptions): string {
  const key = `${timeZone} ${Object.keys(parts).join(' ')}`;
  const writer = kept(writers, key, () => new Intl.DateTimeFormat('en-GB', { ...parts, timeZone }));
  return writer.format(new Date(instant));
}

/** `14:02` of an ISO instant, in the shop's time. */
export const timeText = (instant: string): string =>
  written(instant, shopZone(), { hour: '2-digit', minute: '2-digit' });

/** `12 Nov 2026` of an ISO instant in the shop's time, or of a date, which has no time. */
export const dateText = (instant: string): string =>
  written(instant, instant.length === 10 ? 'UTC' : shopZone(), { day: 'numeric', month: 'short', year: 'numeric' });
