/** Days as they are written: within the years that a plan may name. */
const WRITTEN = /^(20\d{2})-(\d{2})-(\d{2})$/;

/** "2027-03-14", a day that there is. Checked without a clock, so that a plan is read alike everywhere. */
export function isWrittenDay(text: unknown): boolean {
  const parts = typeof text === 'string' ? WRITTEN.exec(text) : null;
  if (!parts) return false;
  const [year, month, day] = parts.slice(1).map(Number);
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}
