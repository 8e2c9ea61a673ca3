/**
 * What a texture does to hold and cover. All rows: common practice, no source; `coversFingers` and `spread`
 * are guesses until a first row has been looked at.
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
  /** Widest gap, in fingers, that a piece of 2 g still covers when looked at from half a metre. */
  readonly coversFingers: number;
  /** Width of a hanging strand against a straight one. */
  readonly spread: number;
}

export const TEXTURE_INFO: Readonly<Record<Texture, TextureInfo>> = {
  straight: { name: 'straight', grip: 'smooth', springy: false, coversFingers: 1.25, spread: 1 },
  wave: { name: 'wave', grip: 'smooth', springy: false, coversFingers: 1.5, spread: 1.15 },
  looseCurl: { name: 'loose curl', grip: 'some', springy: false, coversFingers: 1.75, spread: 1.35 },
  curl: { name: 'full curl', grip: 'some', springy: true, coversFingers: 2, spread: 1.6 },
  coil: { name: 'tight coil', grip: 'grips', springy: true, coversFingers: 2.25, spread: 1.8 },
  kinky: { name: 'kinky', grip: 'grips', springy: true, coversFingers: 2.25, spread: 1.9 },
  twist: { name: 'twist', grip: 'grips', springy: false, coversFingers: 1.5, spread: 0.9 },
};
