/**
 * What one piece hides: the share of the scalp that still shows through it at every vertex under its ribbons.
 * A ribbon hides fully over the inner half of its width and fades to its edge; at its root it is gathered in the
 * knot. A ribbon counts once at a place however it bends there, ribbons over each other multiply.
 */

import {
  type Footprint,
  fullWidthAt,
  type Ribbons,
  type Root,
  ribbonAngle,
  STEP_MM,
  StrandTracer,
} from '../fall/index.ts';
import type { SurfaceMesh, VertexBalls } from '../geometry/index.ts';

/** Where two steps meet under an angle the wedge between them is filled by so much of each, mm. */
const JOIN_MM = 2.5;

/** How far from the middle of a step a ribbon of that width can touch a vertex. */
export function reachOf(widthMm: number, meanEdgeMm: number): number {
  return widthMm / 2 + STEP_MM + 0.7 * meanEdgeMm;
}

export class FootprintMaker {
  private readonly tracer: StrandTracer;
  private readonly inRibbon: Int32Array;
  private readonly inPiece: Int32Array;
  private readonly kernel: Float64Array;
  private readonly shows: Float64Array;
  private readonly ofRibbon: Int32Array;
  private readonly ofPiece: Int32Array;
  private readonly slackMm: number;
  private ribbon = 0;
  private piece = 0;
  private touched = 0;
  private fromU = 0;
  private fromV = 0;
  private alongU = 0;
  private alongV = 0;
  private length = 0;

  constructor(
    private readonly mesh: SurfaceMesh,
    ways: Float64Array,
    private readonly balls: VertexBalls,
  ) {
    const n = mesh.vertexCount;
    this.tracer = new StrandTracer(mesh, ways);
    this.inRibbon = new Int32Array(n);
    this.inPiece = new Int32Array(n);
    this.kernel = new Float64Array(n);
    this.shows = new Float64Array(n);
    this.ofRibbon = new Int32Array(n);
    this.ofPiece = new Int32Array(n);
    this.slackMm = 0.7 * mesh.meanEdgeMm;
  }

  /** @throws RangeError where a ribbon is wider than the balls reach. */
  of(root: Root, ribbons: Ribbons): Footprint {
    if (reachOf(ribbons.widthMm, this.mesh.meanEdgeMm) > this.balls.reachMm + this.balls.binMm)
      throw new RangeError(`A ribbon of ${ribbons.widthMm} mm is wider than the stamps reach.`);
    const { tracer, inPiece, shows, ofPiece, ofRibbon, kernel } = this;
    const piece = ++this.piece;
    let touched = 0;
    for (let j = 0; j < ribbons.count; j++) {
      const { xMm, yMm, zMm, vertex } = root;
      tracer.trace(xMm, yMm, zMm, vertex, ribbonAngle(ribbons, j), ribbons.fanReachMm, ribbons.lengthMm);
      const n = this.stampRibbon(ribbons);
      for (let i = 0; i < n; i++) {
        const v = ofRibbon[i];
        const through = 1 - ribbons.opacity * kernel[v];
        if (inPiece[v] === piece) {
          shows[v] *= through;
        } else {
          inPiece[v] = piece;
          shows[v] = through;
          ofPiece[touched++] = v;
        }
      }
    }
    const vertices = ofPiece.slice(0, touched);
    const through = new Float32Array(touched);
    for (let i = 0; i < touched; i++) through[i] = shows[vertices[i]];
    return { vertices, through };
  }

  /** The largest kernel of any step at each vertex; gives how many were touched. */
  private stampRibbon(ribbons: Ribbons): number {
    const { vertices, middles, arcMm, steps } = this.tracer;
    this.ribbon++;
    this.touched = 0;
    // Two steps at a time: on a head the bend between them is a fifth of a millimetre.
    for (let i = 0; i < steps; i += 2) {
      const to = Math.min(i + 2, steps);
      const middle = to - i === 2 ? vertices[i + 1] : middles[i];
      if (!this.layOnPlane(i, to, middle)) continue;
      const r = (ribbons.widthMm / 2) * fullWidthAt(ribbons, (arcMm[i] + arcMm[to]) / 2);
      // Steps join: only both ends of the ribbon are round.
      this.stampStep(middle, r, i === 0 ? r : JOIN_MM, to === steps ? r : JOIN_MM);
    }
    return this.touched;
  }

  /** A step on the tangent plane of the vertex at its middle: from where, which way, how long; false where it has no length. */
  private layOnPlane(from: number, to: number, middle: number): boolean {
    const p = this.mesh.positionsMm;
    const { pointsMm } = this.tracer;
    const { axes } = this.balls;
    const q = 6 * middle;
    const o = 3 * from;
    const e = 3 * to;
    const fx = pointsMm[o] - p[3 * middle];
    const fy = pointsMm[o + 1] - p[3 * middle + 1];
    const fz = pointsMm[o + 2] - p[3 * middle + 2];
    const sx = pointsMm[e] - pointsMm[o];
    const sy = pointsMm[e + 1] - pointsMm[o + 1];
    const sz = pointsMm[e + 2] - pointsMm[o + 2];
    const du = sx * axes[q] + sy * axes[q + 1] + sz * axes[q + 2];
    const dv = sx * axes[q + 3] + sy * axes[q + 4] + sz * axes[q + 5];
    const length = Math.sqrt(du * du + dv * dv);
    this.fromU = fx * axes[q] + fy * axes[q + 1] + fz * axes[q + 2];
    this.fromV = fx * axes[q + 3] + fy * axes[q + 4] + fz * axes[q + 5];
    this.alongU = du / length;
    this.alongV = dv / length;
    this.length = length;
    return length > 0;
  }

  private stampStep(middle: number, r: number, before: number, after: number) {
    const { inRibbon, kernel, ofRibbon, ribbon, fromU, fromV, alongU, alongV, length } = this;
    const { start, members, planeMm, bins, binMm } = this.balls;
    const rSq = r * r;
    const half = length / 2 + JOIN_MM;
    const reach = Math.max(before, after) === r ? r + length / 2 : Math.sqrt(rSq + half * half);
    const need = Math.min(bins, Math.ceil((reach + this.slackMm) / binMm));
    const row = middle * (bins + 1);
    const end = start[row + need];
    let touched = this.touched;
    for (let m = start[row]; m < end; m++) {
      const u = planeMm[2 * m] - fromU;
      const w = planeMm[2 * m + 1] - fromV;
      const across = u * alongV - w * alongU;
      // Half of the ball lies beside the ribbon.
      if (across >= r || across <= -r) continue;
      const along = u * alongU + w * alongV;
      const beyond = along < 0 ? -along : along > length ? along - length : 0;
      if (beyond > (along < 0 ? before : after)) continue;
      const dSq = across * across + beyond * beyond;
      if (dSq >= rSq) continue;
      const k = 4 * dSq <= rSq ? 1 : 2 - (2 * Math.sqrt(dSq)) / r;
      const v = members[m];
      if (inRibbon[v] !== ribbon) {
        inRibbon[v] = ribbon;
        kernel[v] = k;
        ofRibbon[touched++] = v;
      } else if (k > kernel[v]) {
        kernel[v] = k;
      }
    }
    this.touched = touched;
  }
}
