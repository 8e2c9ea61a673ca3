/** Words that products use for colours: how such hair looks in the light, and how light it is. */

/** How light what lies under the hair is, from 0 to 1. */
export const GROUND_LUMINANCE = {
  /** Painted foam or linen. */
  block: 0.85,
  darkCap: 0.02,
  ownHair: 0.02,
} as const;

interface HairColour {
  /** Hair of that colour in daylight. */
  readonly lit: `#${string}`;
  /** Relative luminance of a curtain of it, highlights and gaps together. A guess, by eye. */
  readonly luminance: number;
}

/** The first that fits counts. */
const COLOUR_WORDS: ReadonlyArray<readonly [word: RegExp, colour: HairColour]> = [
  [/off.?black/, { lit: '#2a211d', luminance: 0.015 }],
  [/natural/, { lit: '#2a211d', luminance: 0.03 }],
  [/black|jet|1b?$/, { lit: '#221d1e', luminance: 0.015 }],
  [/white|platinum/, { lit: '#d8d0c2', luminance: 0.6 }],
  [/silver/, { lit: '#8f8c8c', luminance: 0.6 }],
  [/grey|gray/, { lit: '#8f8c8c', luminance: 0.25 }],
  [/honey|gold/, { lit: '#a4743a', luminance: 0.35 }],
  [/blond/, { lit: '#b08a55', luminance: 0.35 }],
  [/copper|ginger|orange/, { lit: '#8f4723', luminance: 0.2 }],
  [/auburn|mahogany/, { lit: '#552519', luminance: 0.06 }],
  [/burgundy|wine|plum/, { lit: '#43161f', luminance: 0.06 }],
  [/red/, { lit: '#76201a', luminance: 0.06 }],
  [/caramel|chestnut/, { lit: '#6b4426', luminance: 0.1 }],
  [/light brown/, { lit: '#644630', luminance: 0.35 }],
  [/medium/, { lit: '#46301f', luminance: 0.1 }],
  [/dark brown/, { lit: '#33231a', luminance: 0.045 }],
  [/brown/, { lit: '#46301f', luminance: 0.045 }],
  [/pink/, { lit: '#a9576b', luminance: 0.2 }],
  [/blue/, { lit: '#26355e', luminance: 0.06 }],
  [/green/, { lit: '#2b4433', luminance: 0.06 }],
  [/purple|violet/, { lit: '#3d2752', luminance: 0.06 }],
];

/** Hair of a colour whose word is not known. */
const DARK: HairColour = { lit: '#2a211d', luminance: 0.03 };

function hairColour(words: string): HairColour {
  const lower = words.toLowerCase().trim();
  return COLOUR_WORDS.find(([word]) => word.test(lower))?.[1] ?? DARK;
}

export const hairLuminance = (words: string) => hairColour(words).luminance;
export const litHair = (words: string) => hairColour(words).lit;

/** "black to copper", a pack that is shaded from root to tip, in its shades; any other colour is one. */
export const shadesIn = (words: string): string[] => words.split(/\s+to\s+|\s*>\s*/).filter(Boolean);
