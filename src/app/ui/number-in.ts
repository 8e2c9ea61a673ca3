/** @returns the number that is written, or a sentence on what is wrong with it */
export function numberIn(text: string): number | string {
  const written = text.trim();
  if (written === '') return 'A number is missing.';
  const value = Number(written.replace(',', '.'));
  return Number.isFinite(value) ? value : `“${written}” isn’t a number, such as 2 or 1.5.`;
}
