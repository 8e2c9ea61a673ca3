/**
 * A strand followed over the scalp: midpoint rule on the ways of its vertices, each point put back on the tangent
 * plane of the vertex nearest to it, found by walking from the last one. Steps of 6 mm hide as much as steps of
 * 2 mm to within 0.1 points. It ends at its length, where no way leads on (in a tie), or where it leaves the scalp over
 * the hairline.
 */

import { nearestVertex, type SurfaceMesh } from '../geometry/index.ts';
import { cos, exp, sin } from '../numerics/index.ts';

export const STEP_MM = 6;
/** No strand lies longer on a head than this. */
const MOST_STEPS = 100;
/** A turn so small that it moves no strand. */
const STRAIGHT_RAD = 0.004;

export class StrandTracer {
  /** Points of the newest strand, xyz interleaved; `steps` + 1 of them. */
  readonly pointsMm = new Float64Array(3 * (MOST_STEPS + 1));
  /** Vertex nearest to each point, and to the middle of each step. */
  readonly vertices = new Int32Array(MOST_STEPS + 1);
  readonly middles = new Int32Array(MOST_STEPS);
  steps = 0;
  /** Length from the knot to each point, mm. */
  readonly arcMm = new Float64Array(MOST_STEPS + 1);
  /** Whether it ran over the hairline before it ended. */
  leaves = false;
  private readonly isBorder: Uint8Array;
  private readonly outsideSq: number;

  constructor(
    private readonly mesh: SurfaceMesh,
    private readonly ways: Float64Array,
  ) {
    this.isBorder = new Uint8Array(mesh.vertexCount);
    for (const loop of mesh.borders) for (const v of loop) this.isBorder[v] = 1;
    this.outsideSq = Math.max(STEP_MM / 2, 0.75 * mesh.meanEdgeMm) ** 2;
  }

  /**
   * @param vertex nearest to the start
   * @param angleRad against the way hair lies there, closing over `closesMm`
   */
  trace(x: number, y: number, z: number, vertex: number, angleRad: number, closesMm: number, lengthMm: number) {
    const { pointsMm, vertices, middles, arcMm, mesh, isBorder } = this;
    const p = mesh.positionsMm;
    let v = vertex;
    let s = 0;
    let n = 0;
    this.leaves = false;
    pointsMm[0] = x;
    pointsMm[1] = y;
    pointsMm[2] = z;
    vertices[0] = v;
    arcMm[0] = 0;
    let angle = angleRad;
    const halfStep = exp(-STEP_MM / 2 / closesMm);
    const { ways } = this;
    while (s < lengthMm - 1e-6 && n < MOST_STEPS) {
      if (!leadsOn(ways, v)) break;
      const h = Math.min(STEP_MM, lengthMm - s);
      this.turn(v, angle);
      angle *= halfStep;
      const m = nearestVertex(mesh, x + (h / 2) * this.dx, y + (h / 2) * this.dy, z + (h / 2) * this.dz, v);
      if (leadsOn(ways, m)) this.turn(m, angle);
      angle *= halfStep;
      x += h * this.dx;
      y += h * this.dy;
      z += h * this.dz;
      v = nearestVertex(mesh, x, y, z, m);
      const o = 3 * v;
      const { normals } = mesh;
      const off = (x - p[o]) * normals[o] + (y - p[o + 1]) * normals[o + 1] + (z - p[o + 2]) * normals[o + 2];
      x -= off * normals[o];
      y -= off * normals[o + 1];
      z -= off * normals[o + 2];
      s += h;
      middles[n] = m;
      n++;
      vertices[n] = v;
      arcMm[n] = s;
      pointsMm[3 * n] = x;
      pointsMm[3 * n + 1] = y;
      pointsMm[3 * n + 2] = z;
      if (isBorder[v] === 0) continue;
      const away = (x - p[o]) ** 2 + (y - p[o + 1]) ** 2 + (z - p[o + 2]) ** 2;
      if (away > this.outsideSq) {
        this.leaves = true;
        break;
      }
    }
    this.steps = n;
  }

  private dx = 0;
  private dy = 0;
  private dz = 0;

  /** The way at a vertex turned about its normal. */
  private turn(v: number, angle: number) {
    const { ways } = this;
    const { normals } = this.mesh;
    const o = 3 * v;
    const tx = ways[o];
    const ty = ways[o + 1];
    const tz = ways[o + 2];
    if (angle < STRAIGHT_RAD && angle > -STRAIGHT_RAD) {
      this.dx = tx;
      this.dy = ty;
      this.dz = tz;
      return;
    }
    const c = cos(angle);
    const s = sin(angle);
    const nx = normals[o];
    const ny = normals[o + 1];
    const nz = normals[o + 2];
    this.dx = c * tx + s * (ny * tz - nz * ty);
    this.dy = c * ty + s * (nz * tx - nx * tz);
    this.dz = c * tz + s * (nx * ty - ny * tx);
  }
}

const leadsOn = (ways: Float64Array, v: number) => ways[3 * v] !== 0 || ways[3 * v + 1] !== 0 || ways[3 * v + 2] !== 0;
