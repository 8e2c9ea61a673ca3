import type { SurfaceMesh } from '../geometry/surface-mesh.ts';

/**
 * Gauss-Seidel sweeps towards the mean of the neighbours, forwards and backwards in turn. `weight` (0 to 1)
 * says how far vertex v gives way; border vertices stay. Returns a new field.
 */
export function smoothField(
  mesh: SurfaceMesh,
  field: Float64Array,
  sweeps: number,
  weight: (v: number) => number,
): Float64Array {
  const { neighbourStart, neighbours } = mesh;
  const out = field.slice();
  const fixed = new Uint8Array(mesh.vertexCount);
  for (const loop of mesh.borders) for (const v of loop) fixed[v] = 1;
  const active: number[] = [];
  const weights: number[] = [];
  for (let v = 0; v < mesh.vertexCount; v++) {
    const w = fixed[v] ? 0 : weight(v);
    if (w <= 0) continue;
    active.push(v);
    weights.push(w);
  }
  const relax = (i: number) => {
    const v = active[i];
    let sum = 0;
    for (let k = neighbourStart[v]; k < neighbourStart[v + 1]; k++) sum += out[neighbours[k]];
    out[v] += weights[i] * (sum / (neighbourStart[v + 1] - neighbourStart[v]) - out[v]);
  };
  for (let sweep = 0; sweep < sweeps; sweep++) {
    if (sweep % 2 === 0) for (let i = 0; i < active.length; i++) relax(i);
    else for (let i = active.length - 1; i >= 0; i--) relax(i);
  }
  return out;
}
