/** How steep the row field is, whatever the spacing, and the step that suits it. */

import { gradientLengths, type SurfaceMesh } from '../../geometry/index.ts';
import { exp, log } from '../../numerics/index.ts';
import type { RowField } from '../field/row-field.ts';
import { gapAfterRule } from './dyadic.ts';
import { triangleFactor } from './triangles.ts';

/** What laying rows needs of a field, whatever the spacing: its slope, and how its row length is spread over gaps. */
export interface RowSlopes {
  readonly perTriangle: Float64Array;
  readonly perVertex: Float64Array;
  /** Row length by slope × zone, in bins of its logarithm. */
  readonly histogram: Float64Array;
}

export function rowSlopes(mesh: SurfaceMesh, rowField: RowField): RowSlopes {
  const perTriangle = gradientLengths(mesh, rowField.field);
  return {
    perTriangle,
    perVertex: toVertices(mesh, perTriangle),
    histogram: slopeHistogram(mesh, perTriangle, rowField.spacingFactor),
  };
}

const BINS = 160;

const LOG_MIN = log(0.05);

const LOG_MAX = log(8);

function slopeHistogram(mesh: SurfaceMesh, slope: Float64Array, spacingFactor: Float64Array): Float64Array {
  const histogram = new Float64Array(BINS);
  // A distribution over 20 000 triangles: every fourth one gives it.
  for (let t = 0; t < mesh.triangleCount; t += 4) {
    const x = slope[t] * triangleFactor(mesh, spacingFactor, t);
    if (!(x > 0) || !Number.isFinite(x)) continue;
    const bin = Math.floor(((log(x) - LOG_MIN) / (LOG_MAX - LOG_MIN)) * BINS);
    histogram[Math.min(BINS - 1, Math.max(0, bin))] += mesh.triangleAreasMm2[t] * slope[t];
  }
  return histogram;
}

/** The step factor whose gaps, after the dyadic rule, come nearest to the target. */
export function bestStepFactor(histogram: Float64Array, range: readonly [number, number]): number {
  const total = histogram.reduce((a, b) => a + b, 0);
  let best = 1;
  let bestScore = Number.POSITIVE_INFINITY;
  for (let f = range[0]; f <= range[1] + 1e-9; f += 0.01) {
    let sum = 0;
    for (let b = 0; b < BINS; b++) {
      const x = exp(LOG_MIN + ((b + 0.5) / BINS) * (LOG_MAX - LOG_MIN));
      sum += histogram[b] * log(gapAfterRule(f / x));
    }
    const score = Math.abs(sum / total) + 0.1 * Math.abs(f - 1);
    if (score < bestScore) {
      bestScore = score;
      best = f;
    }
  }
  return best;
}

/** Area-weighted mean of the triangles round each vertex. */
function toVertices(mesh: SurfaceMesh, perTriangle: Float64Array): Float64Array {
  const { triangles, triangleAreasMm2, vertexAreasMm2 } = mesh;
  const out = new Float64Array(mesh.vertexCount);
  for (let t = 0; t < perTriangle.length; t++) {
    const weighted = triangleAreasMm2[t] * perTriangle[t];
    out[triangles[3 * t]] += weighted;
    out[triangles[3 * t + 1]] += weighted;
    out[triangles[3 * t + 2]] += weighted;
  }
  // A vertex owns a third of each triangle round it.
  for (let v = 0; v < out.length; v++) out[v] /= 3 * vertexAreasMm2[v];
  return out;
}
