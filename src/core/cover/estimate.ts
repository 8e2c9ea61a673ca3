/**
 * A first estimate of how much scalp is hidden at rest, before any strand is traced: pieces as ribbons
 * scattered at random with the planned density, of which those whose knots lie upslope within the hair's
 * length hang over a place. Hidden share = 1 - exp(-density × opaque area), the coverage of a Boolean model
 * (P. Hall, "Introduction to the Theory of Coverage Processes", Wiley 1988, ch. 3; from memory). Bricks cover
 * better than random, so it errs to the bare side; ribbon width and opacity are guesses.
 */
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import { TEXTURE_INFO, type Texture } from '../hair/textures.ts';

export interface CoverEstimate {
  readonly hiddenShare: number;
  readonly range: readonly [low: number, high: number];
}

/** Width of a piece of 2 g lying open: four ribbons of 14 mm, each hiding 45 % (guesses). */
const RIBBONS_MM = 4 * 14;
const OPACITY = 0.45;
const OPACITY_SPREAD = 0.3;
const REFERENCE_MASS_G = 2;
/** Springy hair also hides what lies upslope of its knot, mm (guess). */
const SPRING_REACH_MM = 14;

/** The share is a mean over the scalp: every fifth vertex of a fine mesh gives it to a tenth of a per cent. */
const STRIDE = 5;

export function estimateCover(
  mesh: SurfaceMesh,
  fromPart: Float64Array,
  zone: Float64Array,
  spacingMm: { readonly gapMm: number; readonly pitchMm: number },
  /** A mean piece as worn. */
  piece: {
    readonly texture: Texture;
    readonly massG: number;
    readonly lengthMm: number;
    readonly widthFactor: number;
  },
  /** Own hair in sight, where no cover is owed. */
  inSight: Uint8Array,
): CoverEstimate {
  const texture = TEXTURE_INFO[piece.texture];
  const width = RIBBONS_MM * texture.spread * piece.widthFactor * Math.sqrt(piece.massG / REFERENCE_MASS_G);
  const spring = texture.springy ? SPRING_REACH_MM : 0;
  const share = (opacity: number) => {
    let hidden = 0;
    let area = 0;
    for (let v = 0; v < mesh.vertexCount; v += STRIDE) {
      if (inSight[v]) continue;
      const density = 1 / (spacingMm.gapMm * spacingMm.pitchMm * zone[v] * zone[v]);
      const reach = Math.min(piece.lengthMm, fromPart[v]) + spring;
      hidden += mesh.vertexAreasMm2[v] * (1 - Math.exp(-density * opacity * width * reach));
      area += mesh.vertexAreasMm2[v];
    }
    return area > 0 ? hidden / area : 1;
  };
  return {
    hiddenShare: share(OPACITY),
    range: [share(OPACITY * (1 - OPACITY_SPREAD)), share(Math.min(1, OPACITY * (1 + OPACITY_SPREAD)))],
  };
}
