/**
 * A piece as it lies: so many ribbons side by side, each so wide and hiding so much. The width goes with the
 * thickness of the piece, so that halves of the same thickness lie as wide as whole ones; texture, opening and
 * dressing widen it by their stated factors. However wide, a piece hides no more than its fibres laid side by side.
 */

import { type HookedPiece, pieceThicknessMm } from '../hair/index.ts';
import { exp, log } from '../numerics/index.ts';
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

/** The piece that the guesses speak of: smooth, 2 g in four strands, 25 cm from fold to tip. */
const REFERENCE = { massG: 2, strands: 4, lengthMm: 250 } as const;
const REFERENCE_STRAND_MM = pieceThicknessMm(REFERENCE.massG / REFERENCE.strands, REFERENCE.lengthMm);
const MOST_RIBBONS = 20;
/** Drawn as this many at least, where it has so many ends. */
const FEWEST_RIBBONS = 2;

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
  piece: Pick<HookedPiece, 'massG' | 'strands' | 'hangingEnds' | 'lengthMm' | 'thicknessMm' | 'widthFactor'>,
  texture: Texture,
  guesses: FallGuesses,
): Ribbons {
  const { spread, springy } = TEXTURE_INFO[texture];
  const strand = piece.thicknessMm / Math.sqrt(piece.strands) / REFERENCE_STRAND_MM;
  const inAll = guesses.ribbonWidthMm * spread * piece.widthFactor * piece.strands * strand;
  const ends = Math.max(1, Math.round(piece.hangingEnds));
  const wanted = Math.max(FEWEST_RIBBONS, Math.round(inAll / guesses.ribbonWidthMm));
  const count = Math.min(MOST_RIBBONS, ends, wanted);
  return {
    count,
    widthMm: inAll / count,
    opacity: opacityOf(fibresSideBySideMm(piece.massG, piece.lengthMm) / inAll, texture, guesses),
    fanRad: springy ? SPRING_FAN_RAD : guesses.fanRad,
    fanReachMm: springy ? SPRING_REACH_MM : FAN_REACH_MM,
    lengthMm: piece.lengthMm,
    springs: springy,
  };
}

/**
 * Share that a ribbon hides: 1 - e^(-depth) (Beer and Lambert's law over fibres lying at random), the depth as many
 * fibres over each other as they would lie side by side over its width, times how well those of the texture lie apart.
 * That share is at most 1, so no ribbon hides more than its fibres side by side.
 */
function opacityOf(fibresOverWidth: number, texture: Texture, guesses: FallGuesses): number {
  const ofReference =
    fibresSideBySideMm(REFERENCE.massG, REFERENCE.lengthMm) / (REFERENCE.strands * guesses.ribbonWidthMm);
  const apart = (-log(1 - guesses.opacity) / ofReference) * TEXTURE_INFO[texture].apart;
  return 1 - exp(-Math.min(1, apart) * fibresOverWidth);
}

/** Mean of what a ribbon hides over its width: all over the inner half, fading to its edge. */
export const KERNEL_MEAN = 0.75;

/** Width at the root against further down, and where the full width is reached, mm. */
const ROOT_WIDTH = 0.35;
const FULL_WIDTH_AT_MM = 20;

/** Share of its full width at a length along it: at its root a ribbon is gathered in the knot; hair that springs isn't. */
export function fullWidthAt({ springs }: Pick<Ribbons, 'springs'>, alongMm: number): number {
  return springs ? 1 : ROOT_WIDTH + (1 - ROOT_WIDTH) * Math.min(1, alongMm / FULL_WIDTH_AT_MM);
}

/** Angle of ribbon j against the way hair lies. A whole turn has no two alike. */
export function ribbonAngle(r: Pick<Ribbons, 'count' | 'fanRad'>, j: number): number {
  const closes = r.fanRad >= SPRING_FAN_RAD;
  const share = closes ? (j + 0.5) / r.count - 0.5 : r.count > 1 ? j / (r.count - 1) - 0.5 : 0;
  return r.fanRad * share;
}
