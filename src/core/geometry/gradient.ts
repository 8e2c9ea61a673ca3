/**
 * Length of the gradient of a field that is linear on each triangle, from the first fundamental form:
 * |∇f|² = (G u² - 2 F u v + E v²) / (E G - F²), u and v the differences along two edges.
 */
import type { SurfaceMesh } from './surface-mesh.ts';

export function gradientLengths(mesh: SurfaceMesh, field: Float64Array): Float64Array {
  const { positionsMm: p, triangles } = mesh;
  const out = new Float64Array(mesh.triangleCount);
  for (let t = 0; t < out.length; t++) {
    const a = triangles[3 * t];
    const b = triangles[3 * t + 1];
    const c = triangles[3 * t + 2];
    const ux = p[3 * b] - p[3 * a];
    const uy = p[3 * b + 1] - p[3 * a + 1];
    const uz = p[3 * b + 2] - p[3 * a + 2];
    const vx = p[3 * c] - p[3 * a];
    const vy = p[3 * c + 1] - p[3 * a + 1];
    const vz = p[3 * c + 2] - p[3 * a + 2];
    const E = ux * ux + uy * uy + uz * uz;
    const F = ux * vx + uy * vy + uz * vz;
    const G = vx * vx + vy * vy + vz * vz;
    const u = field[b] - field[a];
    const v = field[c] - field[a];
    out[t] = Math.sqrt(Math.max(0, (G * u * u - 2 * F * u * v + E * v * v) / (E * G - F * F)));
  }
  return out;
}

/** The gradient itself as a 3-vector at a vertex: area-weighted mean over the triangles round it. */
export function gradientAt(mesh: SurfaceMesh, field: Float64Array, vertex: number): [number, number, number] {
  const { positionsMm: p, triangles, vertexStart, vertexTriangles } = mesh;
  let gx = 0;
  let gy = 0;
  let gz = 0;
  for (let k = vertexStart[vertex]; k < vertexStart[vertex + 1]; k++) {
    const t = vertexTriangles[k];
    const a = triangles[3 * t];
    const b = triangles[3 * t + 1];
    const c = triangles[3 * t + 2];
    const ux = p[3 * b] - p[3 * a];
    const uy = p[3 * b + 1] - p[3 * a + 1];
    const uz = p[3 * b + 2] - p[3 * a + 2];
    const vx = p[3 * c] - p[3 * a];
    const vy = p[3 * c + 1] - p[3 * a + 1];
    const vz = p[3 * c + 2] - p[3 * a + 2];
    const E = ux * ux + uy * uy + uz * uz;
    const F = ux * vx + uy * vy + uz * vz;
    const G = vx * vx + vy * vy + vz * vz;
    const det = E * G - F * F;
    const du = field[b] - field[a];
    const dv = field[c] - field[a];
    const alongU = (G * du - F * dv) / det;
    const alongV = (E * dv - F * du) / det;
    const w = mesh.triangleAreasMm2[t];
    gx += w * (alongU * ux + alongV * vx);
    gy += w * (alongU * uy + alongV * vy);
    gz += w * (alongU * uz + alongV * vz);
  }
  const l = Math.sqrt(gx * gx + gy * gy + gz * gz);
  return l > 0 ? [gx / l, gy / l, gz / l] : [0, 0, 0];
}
