/**
 * A piece as it lies: so many ribbons side by side, each so wide and hiding so much. The width goes with the
 * thickness of the piece, so that halves of the same thickness lie as wide as whole ones; texture, opening and
 * dressing widen it by their stated factors. However wide, a piece hides no more than its fibres laid side by side.
 */

import { type HookedPiece, pieceThicknessMm } from '../hair/index.ts';
import { type FallGuesses, FIBRE_DENSITY, TEXTURE_INFO, type Texture } from '../trade/index.ts';

export interface Ribbons {
  readonly count: number;
  readonly widthMm: number;
  readonly opacity: number;
  /** Angle over which they leave the knot, rad; a whole turn where hair springs to all sides. */
  readonly fanRad: number;
  /** Distance over which the fan closes again, mm. */
  readonly fanReachMm: number;
  readonly lengthMm: number;
  /** Hides its own knot. */
  readonly springs: boolean;
}

/** Ribbons of a smooth piece of the reference: 2 g, 25 cm from fold to tip (guess). */
const RIBBONS = 4;
const REFERENCE_THICKNESS_MM = pieceThicknessMm(2, 250);
const MOST_RIBBONS = 20;

/** Angles close again over this length, mm (guess); springy hair turns down sooner. */
const FAN_REACH_MM = 60;
const SPRING_FAN_RAD = 2 * Math.PI;
const SPRING_REACH_MM = 24;

/** Diameter of a hair-like synthetic fibre, mm (from memory: 60 to 90 µm). */
const FIBRE_MM = 0.075;

/** Width of all fibres of a piece laid side by side, mm: the linear density of the piece over that of one fibre (tex, ISO 1144). */
export function fibresSideBySideMm(massG: number, hangingMm: number): number {
  const fibreGPerMm = FIBRE_DENSITY * Math.PI * (FIBRE_MM / 2) ** 2;
  return (massG / hangingMm / fibreGPerMm) * FIBRE_MM;
}

/** @param texture of the product that the piece is cut from */
export function ribbonsOf(
  piece: Pick<HookedPiece, 'massG' | 'lengthMm' | 'thicknessMm' | 'widthFactor'>,
  texture: Texture,
  guesses: FallGuesses,
): Ribbons {
  const { spread, springy } = TEXTURE_INFO[texture];
  const size = piece.thicknessMm / REFERENCE_THICKNESS_MM;
  const inAll = RIBBONS * guesses.ribbonWidthMm * spread * piece.widthFactor * size;
  const count = Math.min(MOST_RIBBONS, Math.max(2, Math.round(inAll / guesses.ribbonWidthMm)));
  const most = fibresSideBySideMm(piece.massG, piece.lengthMm) / inAll;
  return {
    count,
    widthMm: inAll / count,
    opacity: Math.min(guesses.opacity, 0.9 * most),
    fanRad: springy ? SPRING_FAN_RAD : guesses.fanRad,
    fanReachMm: springy ? SPRING_REACH_MM : FAN_REACH_MM,
    lengthMm: piece.lengthMm,
    springs: springy,
  };
}

/** Angle of ribbon j against the way hair lies. A whole turn has no two alike. */
export function ribbonAngle(r: Pick<Ribbons, 'count' | 'fanRad'>, j: number): number {
  const closes = r.fanRad >= SPRING_FAN_RAD;
  const share = closes ? (j + 0.5) / r.count - 0.5 : r.count > 1 ? j / (r.count - 1) - 0.5 : 0;
  return r.fanRad * share;
}
