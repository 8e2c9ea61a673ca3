/**
 * A cap as the features it combines, not as a product's name: dome, opening, holding, ready-made rows, size,
 * stretch and holes. Kept as hers, with the times it was worn.
 */
import type { HoleShape } from '../trade/index.ts';

/** Centres of holes from one to the next, across (ear to ear) and up, for a pitch between nearest holes. */
export function holeSteps(shape: HoleShape, pitchMm: number): { readonly acrossMm: number; readonly upMm: number } {
  switch (shape) {
    case 'square':
      return { acrossMm: pitchMm, upMm: pitchMm };
    // A square net on its corner: neighbours lie aslant, so that holes of one line are a diagonal apart.
    case 'diamond':
      return { acrossMm: pitchMm * Math.SQRT2, upMm: pitchMm / Math.SQRT2 };
    case 'honeycomb':
      return { acrossMm: pitchMm, upMm: (pitchMm * Math.sqrt(3)) / 2 };
  }
}
