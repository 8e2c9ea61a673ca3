/** Ids of what she changes by hand: unlike within their list, and the same whatever stands before them in it. */

/** One more than the highest number that is taken: "h1", "h2" … */
export function freshId(letter: string, taken: readonly { readonly id: string }[]): string {
  const numbers = taken.map(({ id }) => Number(id.slice(letter.length))).filter(Number.isFinite);
  return `${letter}${Math.max(0, ...numbers) + 1}`;
}
