/** Spacing from fingers to mm: centre to centre, or the clear gap plus the width of a knot. */
import { hookedPiece } from '../hair/product.ts';
import type { RowSpacing } from '../rows/rows.ts';
import type { ZoneFactors } from '../rows/zones.ts';
import type { PlanInputs, SpacingZone } from './inputs.ts';

export interface SpacingMm {
  /** On top, the reference. */
  readonly mm: RowSpacing;
  readonly zones: ZoneFactors;
  /** Centre to centre by zone, mm. */
  readonly centresMm: Readonly<Record<SpacingZone, number>>;
}

/** Nearer than this knots are not laid, mm; findings say so where a plan asks for it. */
export const LEAST_CENTRES_MM = 6;

export function spacingInMm(inputs: Pick<PlanInputs, 'spacing' | 'fingerMm' | 'product'>): SpacingMm {
  const extra = inputs.spacing.said === 'clear' ? hookedPiece(inputs.product).knotWidthMm : 0;
  const centre = (fingers: number) => Math.max(LEAST_CENTRES_MM, fingers * inputs.fingerMm + extra);
  const f = inputs.spacing.fingers;
  const centresMm = {
    part: centre(f.part),
    top: centre(f.top),
    back: centre(f.back),
    nape: centre(f.nape),
    faceEdge: centre(f.faceEdge),
  };
  const top = centresMm.top;
  // Rounded, so that scaling all zones alike finds the same row field again.
  const factor = (mm: number) => Math.round((1e6 * mm) / top) / 1e6;
  return {
    mm: { gapMm: top, pitchMm: top },
    zones: {
      part: factor(centresMm.part),
      back: factor(centresMm.back),
      nape: factor(centresMm.nape),
      faceEdge: factor(centresMm.faceEdge),
    },
    centresMm,
  };
}
