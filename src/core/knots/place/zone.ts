/** The zone of a knot: how its place is told, and which spacing and piece it takes. */
import type { KnotZone } from '../../trade/index.ts';
import type { KnotPlace, WhereContext } from './where.ts';

/** Distances that part the zones, mm on a head of prior size (guesses: what a finger would call so). */
const NAPE_END_MM = 55;
const PART_END_MM = 20;
const FACE_EDGE_MM = 24;
const BEHIND_CROWN_MM = 25;
/** Shares of landmarks that part them: sides lie below so much of the crown's height, in front of so much of the nape corner, outside so much of the ear (guesses). */
const SIDE_BELOW_CROWN = 0.55;
const SIDE_BEFORE_NAPE_CORNER = 0.8;
const SIDE_BEYOND_EAR = 0.6;
const BACK_BELOW_CROWN = 0.35;

export function zoneOf(k: KnotPlace, besidePart: boolean, c: WhereContext): KnotZone {
  const { scalp, mark } = c;
  const behindFace = scalp.fromFrontHairline[k.vertex] > FACE_EDGE_MM * scalp.scale;
  if (besidePart || c.fromPart[k.vertex] < PART_END_MM) return c.hasPart ? 'part' : behindFace ? 'crown' : 'faceEdge';
  if (!behindFace) return 'faceEdge';
  if (scalp.fromNape[k.vertex] < NAPE_END_MM * scalp.scale) return 'nape';
  const isLow = k.yMm < SIDE_BELOW_CROWN * mark.crown[1];
  const isForward = k.zMm > mark.napeCorner[2] * SIDE_BEFORE_NAPE_CORNER;
  if (isLow && isForward && Math.abs(k.xMm) > SIDE_BEYOND_EAR * mark.earTop[0]) return 'side';
  const isBehind = k.zMm < mark.crown[2] - BEHIND_CROWN_MM * scalp.scale;
  return isBehind || k.yMm < BACK_BELOW_CROWN * mark.crown[1] ? 'back' : 'top';
}
