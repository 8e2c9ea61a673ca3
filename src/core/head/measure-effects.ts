/** What each measure does to the plan: how scalp and pieces follow one centimetre more. */

import type { Icosphere } from '../geometry/index.ts';
import { TAPE_MEASURES, type TapeMeasure } from '../trade/index.ts';
import { type HairlineOffsets, hairline } from './hairline.ts';
import type { Head } from './head.ts';
import { HEAD_PARAMETERS } from './parameters.ts';
import { scalpMesh } from './scalp.ts';
import { headShape } from './shape.ts';

export interface MeasureEffect {
  readonly measure: TapeMeasure;
  /** Scalp for one centimetre more, cm². */
  readonly areaCm2PerCm: number;
  /** Pieces for one centimetre more, at the spacing of the plan. */
  readonly piecesPerCm: number;
}

/** Area changes smoothly: a coarse sphere gives its slope within a few per cent. */
export const EFFECTS_FREQUENCY = 20;
const STEP = 0.05;

/** d area / d measure = Σ d area / d score × d score / d measure, at the fitted head. */
export function measureEffects(
  head: Head,
  pieces: number,
  offsets: HairlineOffsets,
  sphere: Icosphere,
): MeasureEffect[] {
  const { scores, scoresPerMm } = head.fit;
  const slopes = HEAD_PARAMETERS.map((_, i) => {
    const moved = (by: number) =>
      areaOf(
        scores.map((q, k) => (k === i ? q + by : q)),
        offsets,
        sphere,
      );
    return (moved(STEP) - moved(-STEP)) / (2 * STEP);
  });
  return TAPE_MEASURES.flatMap((measure): MeasureEffect[] => {
    const perMm = scoresPerMm[measure];
    if (!perMm) return [];
    const mm2PerMm = slopes.reduce((sum, slope, i) => sum + slope * perMm[i], 0);
    return [{ measure, areaCm2PerCm: mm2PerMm / 10, piecesPerCm: (10 * mm2PerMm * pieces) / head.areaMm2 }];
  });
}

function areaOf(scores: Float64Array, offsets: HairlineOffsets, sphere: Icosphere): number {
  const shape = headShape(scores);
  return scalpMesh(shape, hairline(shape, offsets), sphere).triangleAreasMm2.reduce((a, b) => a + b, 0);
}
