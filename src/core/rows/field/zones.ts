/**
 * Spacing by zone. Along the way from the nape to the part the zones are functions of distance alone, so
 * that changing one needs no new distance field; the face edge acts on the spacing along a row only, since
 * rows meet the front hairline at right angles and cannot close up there without bending.
 */
import { smoothstep } from '../../geometry/index.ts';

/** Factors on the spacing of the top, which is the reference (1). */
export interface ZoneFactors {
  readonly part: number;
  readonly back: number;
  readonly nape: number;
  readonly faceEdge: number;
}

export const EVEN_ZONES: ZoneFactors = { part: 1, back: 1, nape: 1, faceEdge: 1 };

/** Distances over which one zone gives way to the next, mm on a head of prior size. */
export const ZONE_REACH_MM = {
  /** From the nape line. */
  nape: [15, 85],
  back: [85, 170],
  /** From the part. */
  part: [20, 55],
  /** From the front hairline. */
  faceEdge: [12, 40],
} as const;

/** How much of the back, of the nape, of the part and of the face edge a place has, each 0 to 1. */
export interface ZoneShares {
  readonly back: number;
  readonly nape: number;
  readonly part: number;
  readonly faceEdge: number;
}

const within = ([from, to]: readonly [number, number], mm: number, scale = 1) =>
  1 - smoothstep(from * scale, to * scale, mm);

export const zoneShares = (
  fromNapeMm: number,
  fromPartMm: number,
  fromFrontHairlineMm: number,
  scale: number,
): ZoneShares => ({
  back: within(ZONE_REACH_MM.back, fromNapeMm, scale),
  nape: within(ZONE_REACH_MM.nape, fromNapeMm, scale),
  part: within(ZONE_REACH_MM.part, fromPartMm),
  faceEdge: within(ZONE_REACH_MM.faceEdge, fromFrontHairlineMm),
});

/** Of the top, the back and the nape. */
const alongNape = ({ back, nape }: Pick<ZoneFactors, 'back' | 'nape'>, backShare: number, napeShare: number) =>
  1 + (back - 1) * backShare + (nape - back) * napeShare;
/** Of the top and one other zone. */
const towards = (factor: number, share: number) => 1 + (factor - 1) * share;

/** On the gap between rows, and along a row, of shares that were worked out once. */
export const gapFactor = (zones: ZoneFactors, shares: ZoneShares) =>
  alongNape(zones, shares.back, shares.nape) * towards(zones.part, shares.part);
export const edgeFactor = (zones: ZoneFactors, shares: ZoneShares) => towards(zones.faceEdge, shares.faceEdge);

export const napeFactor = (zones: ZoneFactors, fromNapeMm: number, scale: number) =>
  alongNape(zones, within(ZONE_REACH_MM.back, fromNapeMm, scale), within(ZONE_REACH_MM.nape, fromNapeMm, scale));

export const partFactor = (zones: ZoneFactors, fromPartMm: number) =>
  towards(zones.part, within(ZONE_REACH_MM.part, fromPartMm));

/** Along a row near the face. @param factor at the hairline itself */
export const faceEdgeFactor = (factor: number, fromFrontHairlineMm: number) =>
  towards(factor, within(ZONE_REACH_MM.faceEdge, fromFrontHairlineMm));

/** The same at every vertex. */
export function faceEdgeFactors(factor: number, fromFrontHairline: Float64Array): Float64Array {
  return fromFrontHairline.map((mm) => faceEdgeFactor(factor, mm));
}

/** Row count along a distance: the integral of 1 / factor, tabulated by the midpoint rule every mm. */
export class CountTable {
  private readonly sums: Float64Array;

  constructor(factor: (distanceMm: number) => number, reachMm: number) {
    const n = Math.ceil(reachMm) + 2;
    this.sums = new Float64Array(n + 1);
    for (let i = 0; i < n; i++) this.sums[i + 1] = this.sums[i] + 1 / factor(i + 0.5);
  }

  at(distanceMm: number): number {
    const i = Math.min(this.sums.length - 2, Math.max(0, Math.floor(distanceMm)));
    return this.sums[i] + (distanceMm - i) * (this.sums[i + 1] - this.sums[i]);
  }
}

/** A factor along a distance, tabulated every mm and read between; exact to 1e-4 for zones as wide as these. */
export class FactorTable {
  private readonly values: Float64Array;

  constructor(factor: (distanceMm: number) => number, reachMm: number) {
    this.values = Float64Array.from({ length: Math.ceil(reachMm) + 2 }, (_, mm) => factor(mm));
  }

  at(distanceMm: number): number {
    const i = Math.min(this.values.length - 2, Math.max(0, Math.floor(distanceMm)));
    return this.values[i] + (distanceMm - i) * (this.values[i + 1] - this.values[i]);
  }
}
