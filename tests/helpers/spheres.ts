/** Meshes with closed forms: whole spheres, spheroids, caps, flat patches. */

import type { BaseContext } from '../../src/core/base/context.ts';
import { contours } from '../../src/core/geometry/contour.ts';
import { icosphere } from '../../src/core/geometry/icosphere.ts';
import { buildSurfaceMesh, type SurfaceMesh } from '../../src/core/geometry/surface-mesh.ts';
import { layKnots } from '../../src/core/knots/layout/layout.ts';
import type { Row } from '../../src/core/rows/levels/row.ts';
import { REFERENCE_SCORES, wholeHead } from './heads.ts';

/** Spheroid with equatorial radius a and polar radius b (along y), mm. 10 f² + 2 vertices. */
export function spheroid(a: number, b: number, frequency: number): SurfaceMesh {
  const ico = icosphere(frequency);
  const p = ico.directions.slice();
  for (let i = 0; i < p.length; i += 3) {
    // The point whose geocentric direction is kept: scale the unit direction to the surface.
    const r = 1 / Math.sqrt((p[i] ** 2 + p[i + 2] ** 2) / a ** 2 + p[i + 1] ** 2 / b ** 2);
    for (let k = 0; k < 3; k++) p[i + k] *= r;
  }
  return buildSurfaceMesh(p, ico.triangles);
}

export function sphere(radius: number, frequency: number): SurfaceMesh {
  return spheroid(radius, radius, frequency);
}

/** A flat square patch of n × n cells of the given side in the plane z = 0. */
export function patch(n: number, side: number): SurfaceMesh {
  const p: number[] = [];
  const t: number[] = [];
  for (let j = 0; j <= n; j++) for (let i = 0; i <= n; i++) p.push(i * side, j * side, 0);
  const at = (i: number, j: number) => j * (n + 1) + i;
  for (let j = 0; j < n; j++) {
    for (let i = 0; i < n; i++) {
      // Diagonals alternate, so that no direction is preferred.
      if ((i + j) % 2 === 0) t.push(at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1));
      else t.push(at(i, j), at(i + 1, j), at(i, j + 1), at(i + 1, j), at(i + 1, j + 1), at(i, j + 1));
    }
  }
  return buildSurfaceMesh(Float64Array.from(p), Uint32Array.from(t));
}

/** Whole rows a finger apart on a flat patch of 180 mm, in bricks: what a second pass or a score can be counted on. */
export function bricksOnPatch() {
  const mesh = patch(60, 3);
  const y = Float64Array.from({ length: mesh.vertexCount }, (_, v) => mesh.positionsMm[3 * v + 1]);
  const levels = [9, 27, 45, 63, 81, 99, 117, 135, 153, 171];
  const rows: Row[] = contours(mesh, y, levels).map(([curve], i) => ({
    quarter: 4 * (levels.length - 1 - i),
    kind: 'whole' as const,
    curve,
    gapRatio: new Float64Array(curve.pointCount).fill(1),
    besidePart: false,
  }));
  const ones = new Float64Array(mesh.vertexCount).fill(1);
  const spacing = { gapMm: 18, pitchMm: 18 };
  const pitch = { spacingFactor: ones, faceEdge: ones };
  return { mesh, levels, rows, spacing, pitch, ...layKnots(mesh, rows, pitch, spacing) };
}

/** Geodetic latitude and longitude in degrees of a point on a spheroid about the y axis. */
export function geodetic(x: number, y: number, z: number, a: number, b: number) {
  const lat = Math.atan2(y / b ** 2, Math.sqrt(x * x + z * z) / a ** 2);
  return { lat: (lat * 180) / Math.PI, lon: (Math.atan2(x, z) * 180) / Math.PI };
}

export interface ErrorSummary {
  readonly mean: number;
  readonly worst: number;
}

/** Relative error against the truth, mean over all vertices, worst over those beyond `beyond` mm. */
export function relativeErrors(found: Float64Array, truth: (v: number) => number, beyond = 10): ErrorSummary {
  let sum = 0;
  let counted = 0;
  let worst = 0;
  for (let v = 0; v < found.length; v++) {
    const t = truth(v);
    if (t < 1e-6) continue;
    const error = Math.abs(found[v] - t) / t;
    sum += error;
    counted++;
    if (t > beyond && error > worst) worst = error;
  }
  return { mean: sum / counted, worst };
}

/** The upper half of a sphere as the ground of a base: what a generator cuts along, with closed forms. */
export function hemisphereContext(radiusMm: number, frequency: number): BaseContext {
  const sphere = icosphere(frequency);
  const kept: number[] = [];
  for (let t = 0; t < sphere.triangles.length; t += 3) {
    const corners = [0, 1, 2].map((c) => sphere.triangles[t + c]);
    if (corners.every((v) => sphere.directions[3 * v + 1] >= -1e-9)) kept.push(...corners);
  }
  const renamed = new Map<number, number>();
  const positions: number[] = [];
  const triangles = kept.map((v) => {
    let id = renamed.get(v);
    if (id === undefined) {
      id = positions.length / 3;
      renamed.set(v, id);
      for (let c = 0; c < 3; c++) positions.push(radiusMm * sphere.directions[3 * v + c]);
    }
    return id;
  });
  const mesh = buildSurfaceMesh(Float64Array.from(positions), triangles);
  const head = wholeHead(REFERENCE_SCORES, 8);
  const p = mesh.positionsMm;
  const each = (f: (x: number, y: number, z: number) => number) =>
    Float64Array.from({ length: mesh.vertexCount }, (_, v) => f(p[3 * v], p[3 * v + 1], p[3 * v + 2]));
  const none = new Uint8Array(mesh.vertexCount);
  const far = each(() => 1e3);
  return {
    ...head,
    mesh,
    scalp: {
      scale: 1,
      fromNape: far,
      fromHairline: far,
      fromFrontHairline: far,
      fromMidline: each((x) => Math.abs(x)),
    },
    hair: { regionOf: none, regions: [], hairs: 0, massG: 0 },
    masks: { tender: none, thin: none, noGo: none, inSight: none },
    fingerMm: 18,
    massG: mesh.vertexAreasMm2.map((a) => 1e-3 * a),
    beforeEars: each((_, __, z) => z),
    aside: each((x) => x),
    backwards: each((_, y, z) => Math.atan2(y, z)),
    aroundBack: each((x, _, z) => Math.atan2(x, -z)),
  };
}
