/** Spacing from fingers to mm: centre to centre, or the clear gap plus the width of a knot of that zone. */

import type { RowSpacing } from '../rows/rows.ts';
import type { ZoneFactors } from '../rows/zones.ts';
import type { PlanInputs, SpacingZone } from './inputs.ts';
import { hookedPieces } from './pieces.ts';

export interface SpacingMm {
  /** On top, the reference. */
  readonly mm: RowSpacing;
  readonly zones: ZoneFactors;
  /** Centre to centre by zone, mm. */
  readonly centresMm: Readonly<Record<SpacingZone, number>>;
}

/** Nearer than this knots are not laid, mm; findings say so where a plan asks for it. */
export const LEAST_CENTRES_MM = 6;

export function spacingInMm(
  inputs: Pick<PlanInputs, 'spacing' | 'fingerMm' | 'products' | 'cuts' | 'pieces'>,
): SpacingMm {
  const clear = inputs.spacing.said === 'clear';
  const pieces = clear ? hookedPieces(inputs) : undefined;
  const centre = (zone: SpacingZone) => {
    const extra = pieces ? (pieces.get(inputs.pieces[zone].cut)?.knotWidthMm ?? 0) : 0;
    return Math.max(LEAST_CENTRES_MM, inputs.spacing.fingers[zone] * inputs.fingerMm + extra);
  };
  const centresMm = {
    part: centre('part'),
    top: centre('top'),
    back: centre('back'),
    nape: centre('nape'),
    faceEdge: centre('faceEdge'),
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
