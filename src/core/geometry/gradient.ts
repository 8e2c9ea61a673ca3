/**
 * Length of the gradient of a field that is linear on each triangle, from the first fundamental form:
 * |∇f|² = (G u² - 2 F u v + E v²) / (E G - F²), u and v the differences along two edges.
 */
import type { SurfaceMesh } from './surface-mesh.ts';

/** Two edges of a triangle from its first corner, their products, and the field's differences along them. */
interface Forms {
  ux: number;
  uy: number;
  uz: number;
  vx: number;
  vy: number;
  vz: number;
  E: number;
  F: number;
  G: number;
  du: number;
  dv: number;
}

function newForms(): Forms {
  return { ux: 0, uy: 0, uz: 0, vx: 0, vy: 0, vz: 0, E: 0, F: 0, G: 0, du: 0, dv: 0 };
}

function formsInto(out: Forms, mesh: SurfaceMesh, field: Float64Array, t: number) {
  const { positionsMm: p, triangles } = mesh;
  const a = triangles[3 * t];
  const b = triangles[3 * t + 1];
  const c = triangles[3 * t + 2];
  out.ux = p[3 * b] - p[3 * a];
  out.uy = p[3 * b + 1] - p[3 * a + 1];
  out.uz = p[3 * b + 2] - p[3 * a + 2];
  out.vx = p[3 * c] - p[3 * a];
  out.vy = p[3 * c + 1] - p[3 * a + 1];
  out.vz = p[3 * c + 2] - p[3 * a + 2];
  out.E = out.ux * out.ux + out.uy * out.uy + out.uz * out.uz;
  out.F = out.ux * out.vx + out.uy * out.vy + out.uz * out.vz;
  out.G = out.vx * out.vx + out.vy * out.vy + out.vz * out.vz;
  out.du = field[b] - field[a];
  out.dv = field[c] - field[a];
}

export function gradientLengths(mesh: SurfaceMesh, field: Float64Array): Float64Array {
  const out = new Float64Array(mesh.triangleCount);
  const f = newForms();
  for (let t = 0; t < out.length; t++) {
    formsInto(f, mesh, field, t);
    const squared = (f.G * f.du * f.du - 2 * f.F * f.du * f.dv + f.E * f.dv * f.dv) / (f.E * f.G - f.F * f.F);
    out[t] = Math.sqrt(Math.max(0, squared));
  }
  return out;
}

/** The gradient itself as a 3-vector at a vertex, of length 1: area-weighted mean over the triangles round it. */
export function gradientAt(mesh: SurfaceMesh, field: Float64Array, vertex: number): [number, number, number] {
  let gx = 0;
  let gy = 0;
  let gz = 0;
  const f = newForms();
  for (let k = mesh.vertexStart[vertex]; k < mesh.vertexStart[vertex + 1]; k++) {
    const t = mesh.vertexTriangles[k];
    formsInto(f, mesh, field, t);
    const det = f.E * f.G - f.F * f.F;
    const alongU = (f.G * f.du - f.F * f.dv) / det;
    const alongV = (f.E * f.dv - f.F * f.du) / det;
    const w = mesh.triangleAreasMm2[t];
    gx += w * (alongU * f.ux + alongV * f.vx);
    gy += w * (alongU * f.uy + alongV * f.vy);
    gz += w * (alongU * f.uz + alongV * f.vz);
  }
  const l = Math.sqrt(gx * gx + gy * gy + gz * gz);
  return l > 0 ? [gx / l, gy / l, gz / l] : [0, 0, 0];
}

/** The same at all vertices, xyz interleaved: each triangle is visited once. */
export function gradients(mesh: SurfaceMesh, field: Float64Array): Float64Array {
  const { triangles, triangleAreasMm2 } = mesh;
  const out = new Float64Array(3 * mesh.vertexCount);
  const f = newForms();
  for (let t = 0; t < mesh.triangleCount; t++) {
    formsInto(f, mesh, field, t);
    const w = triangleAreasMm2[t] / (f.E * f.G - f.F * f.F);
    const alongU = w * (f.G * f.du - f.F * f.dv);
    const alongV = w * (f.E * f.dv - f.F * f.du);
    const gx = alongU * f.ux + alongV * f.vx;
    const gy = alongU * f.uy + alongV * f.vy;
    const gz = alongU * f.uz + alongV * f.vz;
    for (let k = 3 * t; k < 3 * t + 3; k++) {
      const v = 3 * triangles[k];
      out[v] += gx;
      out[v + 1] += gy;
      out[v + 2] += gz;
    }
  }
  for (let v = 0; v < out.length; v += 3) {
    const l = Math.sqrt(out[v] * out[v] + out[v + 1] * out[v + 1] + out[v + 2] * out[v + 2]);
    if (l === 0) continue;
    out[v] /= l;
    out[v + 1] /= l;
    out[v + 2] /= l;
  }
  return out;
}
