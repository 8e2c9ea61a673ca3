/**
 * What a texture does to hold, cover, fall and look. Names, grip and spring: common practice, no source; the
 * figures are guesses until a first row has been looked at, how strands are drawn is by eye.
 */
export const TEXTURES = ['straight', 'wave', 'looseCurl', 'curl', 'coil', 'kinky', 'twist'] as const;
export type Texture = (typeof TEXTURES)[number];

export type Grip = 'grips' | 'some' | 'smooth';

export interface TextureInfo {
  readonly name: string;
  /** How well a knot of it stays. */
  readonly grip: Grip;
  /** Springs and spreads, so that it hides its own knot. */
  readonly springy: boolean;
  /** Width of a hanging strand against a straight one. */
  readonly spread: number;
  /** How much better its fibres lie apart, instead of on each other, than those of a smooth strand. */
  readonly apart: number;
  /** Over which a strand's angle to the way things fall dies away to a third, mm: smooth hair hangs at once. */
  readonly bendMm: number;
  /** Of hair as it lies loosely over itself, g/cm³. */
  readonly looseGPerCm3: number;
  /** Share of its length that a strand stands off the head by itself. */
  readonly stands: number;
  /** How its locks are drawn: radius and length of one turn (negative: two that turn round each other), shine, by how far neighbours are out of step. */
  readonly drawn: readonly [radiusMm: number, turnMm: number, shine: number, outOfStepRad: number];
}

export const TEXTURE_INFO: Readonly<Record<Texture, TextureInfo>> = {
  straight: {
    name: 'straight',
    grip: 'smooth',
    springy: false,
    spread: 1,
    apart: 1,
    bendMm: 22,
    looseGPerCm3: 0.08,
    stands: 0,
    drawn: [0.5, 90, 1, 3],
  },
  wave: {
    name: 'wave',
    grip: 'smooth',
    springy: false,
    spread: 1.15,
    apart: 1.1,
    bendMm: 30,
    looseGPerCm3: 0.055,
    stands: 0.01,
    drawn: [3.4, 58, 0.8, 0.5],
  },
  looseCurl: {
    name: 'loose curl',
    grip: 'some',
    springy: false,
    spread: 1.35,
    apart: 1.25,
    bendMm: 38,
    looseGPerCm3: 0.045,
    stands: 0.03,
    drawn: [7, 36, 0.62, 0.8],
  },
  curl: {
    name: 'full curl',
    grip: 'some',
    springy: true,
    spread: 1.6,
    apart: 1.5,
    bendMm: 48,
    looseGPerCm3: 0.04,
    stands: 0.08,
    drawn: [5.2, 24, 0.45, 1.5],
  },
  coil: {
    name: 'tight coil',
    grip: 'grips',
    springy: true,
    spread: 1.8,
    apart: 1.6,
    bendMm: 60,
    looseGPerCm3: 0.04,
    stands: 0.14,
    drawn: [3, 13, 0.26, 3.4],
  },
  kinky: {
    name: 'kinky',
    grip: 'grips',
    springy: true,
    spread: 1.9,
    apart: 1.8,
    bendMm: 75,
    looseGPerCm3: 0.034,
    stands: 0.17,
    drawn: [1.5, 8, 0.12, 5],
  },
  twist: {
    name: 'twist',
    grip: 'grips',
    springy: false,
    spread: 0.9,
    apart: 0.9,
    bendMm: 28,
    looseGPerCm3: 0.12,
    stands: 0.01,
    drawn: [1.6, -11, 0.4, 1],
  },
};
