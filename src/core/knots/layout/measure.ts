/** Rows measured in local spacings, and the place of a knot along one. */
import { fieldAt, type SurfaceCurve, type SurfaceMesh } from '../../geometry/index.ts';
import { gapAfterRule, type Row } from '../../rows/index.ts';

export interface LaidKnot {
  /** Index of the row in laying order. */
  readonly row: number;
  /** Along the row's curve, mm. */
  readonly arcMm: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  /** Nearest mesh vertex, for reading fields. */
  readonly vertex: number;
  /** Changed by hand; one that was taken out stays in the list, so that its neighbours keep their names. */
  readonly hand?: 'moved' | 'added' | 'removed';
  /** What lies in its place: the row along the border, or pieces that go into the base. It stays in the list as one that was taken out does. */
  readonly replaced?: 'border' | 'base';
  /** Where along the row it lay before it was moved: it keeps the name of that place. */
  readonly namedAtMm?: number;
  /** Filled in the second pass. */
  readonly second?: boolean;
}

/** Whether a piece is hooked there: neither taken out by hand nor replaced by the row along the border. */
export const isHooked = (k: Pick<LaidKnot, 'hand' | 'replaced'>) => k.hand !== 'removed' && !k.replaced;

export interface PitchFields {
  /** Zone factor at every vertex, on rows and along them. */
  readonly spacingFactor: Float64Array;
  /** Extra factor along a row at the face edge. */
  readonly faceEdge: Float64Array;
}

export interface Working {
  readonly row: Row;
  /** Position along the row in local spacings, at every curve point. */
  readonly u: Float64Array;
  readonly lengthU: number;
}

/** What spacing along a row is multiplied by, at every point of it. */
interface Factors {
  readonly zone: Float64Array;
  readonly edge: Float64Array;
  readonly even: Float64Array;
}

/** The same rows are measured at several spacings. */
const factorsOf = new WeakMap<Row, Map<PitchFields, Factors>>();

function factors(row: Row, pitch: PitchFields): Factors {
  const known = factorsOf.get(row)?.get(pitch);
  if (known) return known;
  const { curve, gapRatio } = row;
  const n = curve.pointCount;
  const made = { zone: new Float64Array(n), edge: new Float64Array(n), even: new Float64Array(n) };
  for (let i = 0; i < n; i++) {
    made.zone[i] = fieldAt(curve, pitch.spacingFactor, i);
    made.edge[i] = fieldAt(curve, pitch.faceEdge, i);
    made.even[i] = evenness(gapRatio[i]);
  }
  const ofRow = factorsOf.get(row) ?? new Map<PitchFields, Factors>();
  factorsOf.set(row, ofRow.set(pitch, made));
  return made;
}

export function measured(row: Row, pitch: PitchFields, pitchMm: number): Working {
  const { curve } = row;
  const { arcMm, pointCount: n } = curve;
  const { zone, edge, even } = factors(row, pitch);
  const u = new Float64Array(n);
  let before = pitchMm * zone[0] * edge[0] * even[0];
  for (let i = 1; i < n; i++) {
    const here = pitchMm * zone[i] * edge[i] * even[i];
    u[i] = u[i - 1] + (2 * (arcMm[i] - arcMm[i - 1])) / (here + before);
    before = here;
  }
  const closing = curve.closed ? (curve.lengthMm - arcMm[n - 1]) / before : 0;
  return { row, u, lengthU: u[n - 1] + closing };
}

/**
 * Spacing along a row against the target, from the gap to its neighbours against theirs: where rows crowd, knots
 * along them thin out, and where they gape knots close up, so that the hair per area stays.
 */
export function evenness(gapRatio: number): number {
  return Math.min(EVENING[1], Math.max(EVENING[0], 1 / gapAfterRule(gapRatio)));
}

/** Closer, knots of one row would sit on each other; wider, the row itself would show gaps. */
const EVENING = [0.8, 1.5] as const;

export function arcAt(working: Working, place: number): number {
  const { u, row } = working;
  let lo = 0;
  let hi = u.length - 1;
  if (place >= u[hi]) {
    const beyond = working.lengthU - u[hi];
    const share = beyond > 0 ? (place - u[hi]) / beyond : 0;
    return row.curve.arcMm[hi] + share * (row.curve.lengthMm - row.curve.arcMm[hi]);
  }
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (u[mid] <= place) lo = mid;
    else hi = mid;
  }
  const t = u[hi] > u[lo] ? (place - u[lo]) / (u[hi] - u[lo]) : 0;
  return row.curve.arcMm[lo] + t * (row.curve.arcMm[hi] - row.curve.arcMm[lo]);
}

export function knotAt(mesh: SurfaceMesh, curve: SurfaceCurve, row: number, arcMm: number): LaidKnot {
  const n = curve.pointCount;
  let lo = 0;
  let hi = n - 1;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (curve.arcMm[mid] <= arcMm) lo = mid;
    else hi = mid;
  }
  if (arcMm > curve.arcMm[n - 1]) {
    lo = n - 1;
    hi = 0;
  }
  const next = hi === 0 ? curve.lengthMm : curve.arcMm[hi];
  const t = Math.min(1, Math.max(0, (arcMm - curve.arcMm[lo]) / Math.max(1e-9, next - curve.arcMm[lo])));
  const at = (k: number) => curve.pointsMm[3 * lo + k] + t * (curve.pointsMm[3 * hi + k] - curve.pointsMm[3 * lo + k]);
  const i = t < 0.5 ? lo : hi;
  const vertex = curve.share[i] < 0.5 ? curve.fromVertex[i] : curve.toVertex[i];
  return { row, arcMm, xMm: at(0), yMm: at(1), zMm: at(2), vertex: Math.min(vertex, mesh.vertexCount - 1) };
}
