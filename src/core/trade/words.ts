/** Names inside sentences, and sentences from names. */

export function upperFirst(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** Only the first letter, so that "A stitched U" keeps its U; a name in capitals, as XL, stays as it is. */
export function lowerFirst(words: string): string {
  return /^\p{Lu}\p{Lu}/u.test(words) ? words : words.charAt(0).toLowerCase() + words.slice(1);
}

/** "2 h 33". */
export function duration(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

export const percent = (share: number) => `${Math.round(100 * share)} %`;

/** "row 7, windows"; one that is not counted is "the border row", or what it is called: "the tied roots". */
export const rowWords = (label: string) =>
  /^\d/.test(label) ? `row ${label}` : `the ${label}${/^(front|border|fringe)/.test(label) ? ' row' : ''}`;
