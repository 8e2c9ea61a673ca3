import type { SurfaceMesh } from './surface-mesh.ts';

/**
 * Sweeps towards the mean of the neighbours, all vertices at once (Jacobi): what comes out doesn't hang on the order of
 * vertices, and a field that is alike on both sides stays so. `weight` (0 to 1) says how far vertex v gives way; border
 * vertices stay. Returns a new field.
 */
export function smoothField(
  mesh: SurfaceMesh,
  field: Float64Array,
  sweeps: number,
  weight: (v: number) => number,
): Float64Array {
  const { neighbourStart, neighbours } = mesh;
  let out = field.slice();
  let next = field.slice();
  const fixed = new Uint8Array(mesh.vertexCount);
  for (const loop of mesh.borders) for (const v of loop) fixed[v] = 1;
  const active = new Int32Array(mesh.vertexCount);
  const weights = new Float64Array(mesh.vertexCount);
  let count = 0;
  for (let v = 0; v < mesh.vertexCount; v++) {
    const w = fixed[v] ? 0 : weight(v);
    if (w <= 0) continue;
    active[count] = v;
    weights[count++] = w;
  }
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (let i = 0; i < count; i++) {
      const v = active[i];
      const from = neighbourStart[v];
      const to = neighbourStart[v + 1];
      let sum = 0;
      if (to - from === 6) {
        // Nearly every vertex of a geodesic mesh has six neighbours: unrolled, twice as fast.
        sum =
          out[neighbours[from]] +
          out[neighbours[from + 1]] +
          out[neighbours[from + 2]] +
          out[neighbours[from + 3]] +
          out[neighbours[from + 4]] +
          out[neighbours[from + 5]];
      } else {
        for (let k = from; k < to; k++) sum += out[neighbours[k]];
      }
      next[v] = out[v] + weights[i] * (sum / (to - from) - out[v]);
    }
    [out, next] = [next, out];
  }
  return out;
}
