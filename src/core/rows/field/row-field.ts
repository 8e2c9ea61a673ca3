/**
 * The row field F: rows are its level sets. Near the part F is the distance from the part, near the nape
 * it is a constant minus the distance from the nape line, so that rows run ear to ear at the nape and along
 * the part on top, without a seam: F = fP + W(r) (T - fN - fP), r = fP / (fP + fN), W a rounded ramp whose
 * width grows with how much the two counts disagree. Our own construction; docs/how-it-works.md has its trial.
 * F is in zone-mm (a zone of factor 1.4 counts 1/1.4 mm a mm) and doesn't contain the spacing.
 */

import { type SurfaceMesh, smoothField, smoothstep } from '../../geometry/index.ts';
import type { ScalpFields } from '../../head/index.ts';
import { CountTable, FactorTable, napeFactor, partFactor, ZONE_REACH_MM, type ZoneFactors } from './zones.ts';

export interface RowField {
  readonly field: Float64Array;
  /** Zone factor at every vertex, on the gap between rows. */
  readonly spacingFactor: Float64Array;
  /** The single total T of both counts, zone-mm. */
  readonly total: number;
  /** How much the two counts disagree, relative. */
  readonly mismatch: number;
  /** Count from the part alone, before joining. */
  readonly fromPartCount: Float64Array;
}

/** Smoothing sweeps on edges of 2.86 mm: enough to round the creases; gaps are the same without. */
const SWEEPS = 12;
/** Rounding of the ramp's corners, as a share of its width. */
const RAMP_ROUNDING = 0.12;

/** 0 at the part, 1 at the nape, with rounded corners at both ends. */
export function ramp(r: number, from: number, to: number): number {
  const e = RAMP_ROUNDING;
  const t = (r - from) / (to - from);
  if (t <= -e) return 0;
  if (t < e) return (t + e) ** 2 / (4 * e);
  if (t <= 1 - e) return t;
  if (t < 1 + e) return 1 - (1 + e - t) ** 2 / (4 * e);
  return 1;
}

export interface RowFieldOptions {
  /** Rounds the creases of both distances. */
  readonly smooth?: boolean;
  readonly rampOf?: (r: number, from: number, to: number) => number;
}

export function rowField(
  mesh: SurfaceMesh,
  scalp: ScalpFields,
  fromPart: Float64Array,
  zones: ZoneFactors,
  options: RowFieldOptions = {},
): RowField {
  const { fromNape, scale } = scalp;
  const n = mesh.vertexCount;
  const atNape = (d: number) => napeFactor(zones, d, scale);
  const atPart = (d: number) => partFactor(zones, d);
  const napeReach = maximum(fromNape);
  const partReach = maximum(fromPart);
  const napeCount = new CountTable(atNape, napeReach);
  const partCount = new CountTable(atPart, partReach);
  const napeTable = new FactorTable(atNape, napeReach);
  const partTable = new FactorTable(atPart, partReach);
  const napeZoneEnd = ZONE_REACH_MM.back[1] * scale;
  const savedInAll = napeZoneEnd - napeCount.at(napeZoneEnd);
  const fN = new Float64Array(n);
  const fP = new Float64Array(n);
  const spacingFactor = new Float64Array(n);
  for (let v = 0; v < n; v++) {
    const dN = fromNape[v];
    const dP = fromPart[v];
    const d = Math.min(dN, napeZoneEnd);
    const savedBelow = d - napeCount.at(d);
    const share = dP + dN > 0 ? dP / (dP + dN) : 0;
    fN[v] = napeCount.at(dN);
    fP[v] = partCount.at(dP) - share * (savedInAll - savedBelow);
    spacingFactor[v] = napeTable.at(dN) * partTable.at(dP);
  }
  const { total, mismatch } = bestTotal(mesh, fN, fP);
  const k = smoothstep(0.06, 0.2, mismatch);
  const from = 0.3 - 0.2 * k;
  const to = 0.9 + 0.05 * k;
  const rampOf = options.rampOf ?? ramp;
  const joined = new Float64Array(n);
  for (let v = 0; v < n; v++) {
    const sum = fP[v] + fN[v];
    const r = sum > 0 ? fP[v] / sum : 0;
    joined[v] = fP[v] + rampOf(r, from, to) * (total - sum);
  }
  const sweeps = Math.round(SWEEPS * (2.86 / mesh.meanEdgeMm) ** 2 * scale * scale);
  const field =
    options.smooth === false
      ? joined
      : smoothField(mesh, joined, sweeps, (v) => 0.9 * smoothstep(27 * scale, 63 * scale, fromPart[v]));
  return { field, spacingFactor, total, mismatch, fromPartCount: fP };
}

/** Least squares total of the two counts, weighted to where both are far from zero. */
function bestTotal(mesh: SurfaceMesh, fN: Float64Array, fP: Float64Array) {
  let weights = 0;
  let weighted = 0;
  let squares = 0;
  for (let v = 0; v < fN.length; v++) {
    const sum = fN[v] + fP[v];
    if (sum <= 0) continue;
    const r = fP[v] / sum;
    const w = (r * (1 - r)) ** 2 * mesh.vertexAreasMm2[v];
    weights += w;
    weighted += w * sum;
    squares += w * sum * sum;
  }
  const total = weighted / weights;
  return { total, mismatch: Math.sqrt(Math.max(0, squares / weights / (total * total) - 1)) };
}

function maximum(field: Float64Array): number {
  let best = 0;
  for (let i = 0; i < field.length; i++) if (field[i] > best) best = field[i];
  return best;
}
