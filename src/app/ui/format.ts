/** Figures as they stand on the screen. */
import { percent } from '../../core/trade/index.ts';

/** "3:05" for minutes; "12 min" below an hour. */
export function hours(minutes: number): string {
  const whole = Math.round(minutes);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

export function money(amount: number, currency: string): string {
  const figure = Number.isInteger(amount) ? String(amount) : amount.toFixed(2);
  return currency.length === 1 ? `${currency}${figure}` : `${figure} ${currency}`;
}

export function range([low, high]: readonly [number, number], show: (v: number) => string): string {
  return show(low) === show(high) ? show(low) : `${show(low)} to ${show(high)}`;
}

/** "Sat, 5 December", of "2026-12-05". */
export function weekday(written: string): string {
  // A day has no hour: read and written as in Greenwich it stays the same one everywhere.
  return new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
    Date.parse(written),
  );
}

/** "19:30", of minutes after midnight. */
export const hourOf = (minutes: number) =>
  `${Math.floor(minutes / 60) % 24}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;

export function day(atMs: number): string {
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }).format(atMs);
}

export { percent };

/** "82 to 95 %". */
export const percentRange = ([low, high]: readonly [number, number]) =>
  Math.round(100 * low) === Math.round(100 * high) ? percent(low) : `${Math.round(100 * low)} to ${percent(high)}`;

/** A count, or to the tenth where it is none: three and a half pieces from a pack. */
export const countOf = (n: number) => String(Math.round(10 * n) / 10);
