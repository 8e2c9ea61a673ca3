/**
 * The opening of a cap on her head: it begins at the front and follows the part, as long as it is made, which
 * may be longer than the part. What is too long is hooked closed; inside, only own hair carries.
 */

import { type Hairline, type HeadShape, type LinePart, type Part, partPolyline } from '../head/index.ts';
import type { Cap } from '../trade/index.ts';

/** Kept round a cut and fixed with a few pieces, mm (common practice, no source: half a finger). */
export const MARGIN_MM = 8;
/** Inside the stitching of a U the net is cut this far in, mm. */
export const INSIDE_STITCHING_MM = 2;
/** A slit goes through the border and no deeper than it is wide, mm. */
export const BORDER_MM = 12;
/** An open top is this wide, mm (guess), and is drawn shut by knots this far apart round its rim. */
const OPEN_TOP_MM = 50;
const RIM_STEP_MM = 30;
const FEWEST_TO_CLOSE = 3;

export interface OpeningOnHead {
  /** Along its middle, from the front; xyz interleaved, mm. Empty where there is none. */
  readonly lineMm: Float64Array;
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Of its length, beyond the end of the part: to be hooked closed. */
  readonly surplusMm: number;
  readonly piecesToClose: number;
  /** Part that runs on over closed net. */
  readonly partOnNetMm: number;
  readonly marginMm: number;
  /** Where the scissors go, from the middle line, mm. */
  readonly cutAtMm: number;
}

const NONE: OpeningOnHead = {
  lineMm: new Float64Array(0),
  lengthMm: 0,
  widthMm: 0,
  surplusMm: 0,
  piecesToClose: 0,
  partOnNetMm: 0,
  marginMm: 0,
  cutAtMm: 0,
};

/** What of a cap its opening hangs on. */
export type OpeningTold = Pick<Cap, 'dome' | 'opening' | 'openingMm' | 'openingWidthMm'>;

/** @param pitchMm between knots beside the part, for the pieces that hook a surplus closed. */
export function openingOnHead(
  shape: HeadShape,
  line: Hairline,
  cap: OpeningTold,
  part: Part,
  pitchMm: number,
): OpeningOnHead {
  if (cap.dome === 'none' || cap.opening === 'none') return NONE;
  const slit = cap.opening === 'slit';
  const lengthMm = slit ? BORDER_MM : cap.openingMm;
  const widthMm = slit ? 2 : cap.openingWidthMm;
  const along: LinePart =
    part.kind === 'line'
      ? { ...part, lengthMm, endMm: endAt(part, lengthMm), bendMm: part.bendMm * Math.min(1, lengthMm / part.lengthMm) }
      : { kind: 'line', frontMm: 0, endMm: 0, lengthMm, bendMm: 0 };
  const surplusMm = part.kind === 'line' && !slit ? Math.max(0, lengthMm - part.lengthMm) : 0;
  return {
    lineMm: partPolyline(shape, line, along),
    lengthMm,
    widthMm,
    surplusMm,
    piecesToClose: Math.ceil(surplusMm / pitchMm - 1e-9),
    partOnNetMm: part.kind === 'line' ? Math.max(0, part.lengthMm - lengthMm) : 0,
    marginMm: slit ? 0 : MARGIN_MM,
    cutAtMm: cap.opening === 'stitchedU' ? Math.max(0, widthMm / 2 - INSIDE_STITCHING_MM) : widthMm / 2,
  };
}

/** How far aside the part is at that length: an opening follows its line, and goes on in its direction beyond. */
function endAt(part: LinePart, lengthMm: number): number {
  const aside = part.frontMm + ((part.endMm - part.frontMm) * lengthMm) / part.lengthMm;
  return Math.min(65, Math.max(-65, aside));
}

/** Knots that draw an open top shut: round its rim, a handful. */
export function knotsToCloseTop(cap: Pick<Cap, 'dome'>): number {
  return cap.dome === 'openTop' ? Math.max(FEWEST_TO_CLOSE, Math.round((Math.PI * OPEN_TOP_MM) / RIM_STEP_MM)) : 0;
}

/** Whether a knot can only be laid once the net is open: in the cut-out, and in the margin where she cuts it herself; a stitched U is hooked along its line first, one that comes open is open from the start (common practice, no source). */
export function waitsForOpening(opening: Cap['opening'], here: NetHere): boolean {
  if (opening === 'openU') return false;
  return here === 'cutOut' || (here === 'margin' && opening === 'cut');
}

export type NetHere = 'net' | 'margin' | 'cutOut';

/** What is under a place so far from the opening's middle line. */
export function netAt(opening: Pick<OpeningOnHead, 'cutAtMm' | 'marginMm' | 'lengthMm'>, fromLineMm: number): NetHere {
  if (opening.lengthMm === 0 || opening.marginMm === 0) return 'net';
  if (fromLineMm < opening.cutAtMm) return 'cutOut';
  return fromLineMm < opening.cutAtMm + opening.marginMm ? 'margin' : 'net';
}
