/** The brush: a factor on the spacing at every vertex, soft at its rim, so that no row is cut where it ends. */

import { type SurfaceMesh, smoothstep } from '../../geometry/index.ts';
import { forStroke, type HeadShape } from '../../head/index.ts';
import { exp, log } from '../../numerics/index.ts';
import { ROW_LIMITS } from '../../trade/index.ts';
import type { BrushStroke } from '../choice.ts';

/** Full inside this share of its radius, nothing at its rim. */
const CORE_SHARE = 0.45;

/** Undefined where nothing is brushed. Strokes act one after the other; within one no place is brushed twice. */
export function brushField(
  head: { readonly shape: HeadShape; readonly mesh: SurfaceMesh },
  brush: readonly BrushStroke[],
): Float64Array | undefined {
  if (brush.length === 0) return undefined;
  const n = head.mesh.vertexCount;
  const logs = new Float64Array(n);
  const weight = new Float64Array(n);
  for (const { stroke, factor } of brush) {
    weight.fill(0);
    const r = stroke.radiusMm;
    forStroke(head, stroke, (v, distanceMm) => {
      const w = 1 - smoothstep(CORE_SHARE * r, r, distanceMm);
      if (w > weight[v]) weight[v] = w;
    });
    const to = log(factor);
    // A stroke of factor 1 wipes out; any other adds to what is there.
    if (factor === 1) for (let v = 0; v < n; v++) logs[v] *= 1 - weight[v];
    else for (let v = 0; v < n; v++) logs[v] += to * weight[v];
  }
  const [low, high] = ROW_LIMITS.brushFactor;
  for (let v = 0; v < n; v++) logs[v] = Math.min(high, Math.max(low, exp(logs[v])));
  return logs;
}
