/** Words that products use for colours: how light hair of that colour is. */

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
