/**
 * The same gap is seen more the more its ground differs from the hair. Contrast between two luminances is Michelson's,
 * |a - b| / (a + b) (A. A. Michelson, "Studies in Optics", 1927; from memory), which is why an install on a white block
 * looks emptier than the same one over a dark cap. Luminances are relative, 0 black to 1 white, as by eye.
 */

export function michelson(a: number, b: number): number {
  return Math.abs(a - b) / (a + b);
}

/** Of the share that shows, how much of it meets the eye against a ground. */
export function meetsTheEye(seenShare: number, hair: number, ground: number): number {
  return seenShare * michelson(hair, ground);
}
