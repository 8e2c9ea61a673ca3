/**
 * The same gap is seen more the more its ground differs from the hair. Contrast between two luminances is Michelson's,
 * |a - b| / (a + b) (A. A. Michelson, "Studies in Optics", 1927; from memory), which is why an install on a white block
 * looks emptier than the same one over a dark cap. Luminances are relative, 0 black to 1 white, as by eye.
 */
export const GROUND_LUMINANCE = {
  /** Painted foam or linen. */
  block: 0.85,
  darkCap: 0.02,
  ownHair: 0.02,
} as const;

/** Words that products use for colours, with the luminance of hair of that colour; the first that fits counts. */
const COLOUR_WORDS: ReadonlyArray<readonly [word: RegExp, luminance: number]> = [
  [/white|platinum|silver/, 0.6],
  [/light|honey|gold|blond/, 0.35],
  [/grey|gray/, 0.25],
  [/copper|ginger|orange|pink/, 0.2],
  [/caramel|chestnut|medium/, 0.1],
  [/red|burgundy|auburn|wine|plum|blue|green|purple/, 0.06],
  [/brown/, 0.045],
  [/black/, 0.015],
];
/** Hair of a colour whose word is not known. */
const DARK = 0.03;

export function hairLuminance(colour: string): number {
  const words = colour.toLowerCase();
  return COLOUR_WORDS.find(([word]) => word.test(words))?.[1] ?? DARK;
}

export function michelson(a: number, b: number): number {
  return Math.abs(a - b) / (a + b);
}

/** Of the share that shows, how much of it meets the eye against a ground. */
export function meetsTheEye(seenShare: number, hair: number, ground: number): number {
  return seenShare * michelson(hair, ground);
}
