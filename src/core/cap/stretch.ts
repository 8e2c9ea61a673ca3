/**
 * What a net does between the form it is filled on and the head that wears it. A net drawn over a bigger form
 * opens in each direction by the ratio of the lengths: λ = length there / length here. Spacing scales with it,
 * the number of knots does not; their density falls by λ across × λ up. Exact for similar forms (two spheres);
 * for heads each direction is taken alone, by girth across and by front-to-nape up.
 */

import { type Cap, type SpacingZone, ZONES } from '../trade/index.ts';
import { holeSteps } from './cap.ts';

export interface Form {
  readonly girthMm: number;
  /** Front to nape over the top. */
  readonly depthMm: number;
}

export interface Stretch {
  readonly across: number;
  readonly up: number;
}

/** Against the net as it lies; a form smaller than the net leaves it slack, never below 1. */
export function stretchOver(cap: Form, form: Form): Stretch {
  return {
    across: Math.max(1, form.girthMm / cap.girthMm),
    up: Math.max(1, form.depthMm / cap.depthMm),
  };
}

export interface NetOnForm {
  readonly stretch: Stretch;
  /** From hole to hole. */
  readonly holeAcrossMm: number;
  readonly holeUpMm: number;
}

export function netOn(cap: Cap, form: Form): NetOnForm {
  const stretch = stretchOver(cap, form);
  const { acrossMm, upMm } = holeSteps(cap.hole, cap.holePitchMm);
  return { stretch, holeAcrossMm: acrossMm * stretch.across, holeUpMm: upMm * stretch.up };
}

/** A spacing as worn, and what to do on the form it is filled on. */
export interface SpacingOnForm {
  readonly wornGapMm: number;
  readonly wornPitchMm: number;
  readonly gapMm: number;
  readonly pitchMm: number;
  /** Holes from one row, or one knot, to the next: the same wherever the net lies. */
  readonly holesUp: number;
  readonly holesAcross: number;
  readonly gapFingers: number;
  readonly pitchFingers: number;
  /** Knots to the cm², filled and worn. */
  readonly densityThere: number;
  readonly densityWorn: number;
}

export function spacingOnForm(
  worn: { readonly gapMm: number; readonly pitchMm: number },
  on: NetOnForm,
  onHead: NetOnForm,
  fingerMm: number,
): SpacingOnForm {
  const gapMm = (worn.gapMm * on.stretch.up) / onHead.stretch.up;
  const pitchMm = (worn.pitchMm * on.stretch.across) / onHead.stretch.across;
  return {
    wornGapMm: worn.gapMm,
    wornPitchMm: worn.pitchMm,
    gapMm,
    pitchMm,
    holesUp: worn.gapMm / onHead.holeUpMm,
    holesAcross: worn.pitchMm / onHead.holeAcrossMm,
    gapFingers: gapMm / fingerMm,
    pitchFingers: pitchMm / fingerMm,
    densityThere: 100 / (gapMm * pitchMm),
    densityWorn: 100 / (worn.gapMm * worn.pitchMm),
  };
}

/** The same for every zone. @param centresMm centre to centre as worn */
export function spacingsOnForm(
  centresMm: Readonly<Record<SpacingZone, number>>,
  cap: { readonly onForm: NetOnForm; readonly onHead: NetOnForm },
  fingerMm: number,
): Record<SpacingZone, SpacingOnForm> {
  return Object.fromEntries(
    ZONES.map((z) => {
      const worn = { gapMm: centresMm[z], pitchMm: centresMm[z] };
      return [z, spacingOnForm(worn, cap.onForm, cap.onHead, fingerMm)];
    }),
  ) as Record<SpacingZone, SpacingOnForm>;
}
