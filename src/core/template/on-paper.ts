/** From places on the head to places on paper: lines are cut where the paper is, and go on beside it. */

import { cos, sin } from '../numerics/index.ts';
import { type Pattern, type PatternPiece, sectorAt } from './pattern.ts';

type Vec = readonly [number, number, number];
type OnPaper = readonly [x: number, y: number];

/** A line on one piece, xy interleaved, mm. */
export interface PaperLine {
  readonly piece: number;
  readonly atMm: readonly number[];
}

/** Farther from the surface a place is on another side of the head, mm. */
const OFF_SURFACE_MM = 9;
/** Two places on paper nearer than this are one, mm. */
const SAME_MM = 0.5;
/** Lines are followed in steps no longer than this, mm. */
const STEP_MM = 3;

export class Paper {
  constructor(readonly pattern: Pattern) {}

  /** @returns undefined off the scalp */
  place(
    at: Vec,
    sector = sectorAt(this.pattern.begins, at[0], at[2]),
  ): { readonly piece: number; readonly at: OnPaper } | undefined {
    const piece = this.pattern.pieces.findIndex((p) => p.sectors.includes(sector));
    const found = onPiece(this.pattern.pieces[piece], sector, at);
    return found && { piece, at: found };
  }

  /** @param pointsMm along the line, xyz interleaved */
  line(pointsMm: ArrayLike<number>): PaperLine[] {
    const runs: Array<{ piece: number; atMm: number[] }> = [];
    const put = (at: Vec, sector: number, joins: boolean) => {
      const placed = this.place(at, sector);
      if (!placed) return;
      const last = runs.at(-1);
      const isSame = last?.piece === placed.piece;
      const away = last
        ? Math.sqrt((last.atMm.at(-2)! - placed.at[0]) ** 2 + (last.atMm.at(-1)! - placed.at[1]) ** 2)
        : 0;
      if (isSame && (joins || away < SAME_MM)) last.atMm.push(...placed.at);
      else runs.push({ piece: placed.piece, atMm: [...placed.at] });
    };
    let before: { readonly at: Vec; readonly sector: number } | undefined;
    for (const at of stepped(pointsMm)) {
      const sector = sectorAt(this.pattern.begins, at[0], at[2]);
      if (before && before.sector !== sector) {
        const seam = this.seamBetween(before.sector, sector);
        if (seam !== undefined) {
          const crossing = onPlane(before.at, at, this.pattern.begins[seam]);
          put(crossing, before.sector, true);
          put(crossing, sector, false);
          put(at, sector, true);
        } else put(at, sector, false);
      } else put(at, sector, before !== undefined);
      before = { at, sector };
    }
    return runs.filter((r) => r.atMm.length > 2);
  }

  /** Undefined where both are no neighbours. */
  private seamBetween(a: number, b: number): number | undefined {
    const n = this.pattern.begins.length;
    if ((a + 1) % n === b) return b;
    return (b + 1) % n === a ? a : undefined;
  }
}

function* stepped(p: ArrayLike<number>): Generator<Vec> {
  for (let i = 0; i < p.length; i += 3) {
    if (i > 0) {
      const [dx, dy, dz] = [p[i] - p[i - 3], p[i + 1] - p[i - 2], p[i + 2] - p[i - 1]];
      const steps = Math.ceil(Math.sqrt(dx * dx + dy * dy + dz * dz) / STEP_MM);
      for (let s = 1; s < steps; s++)
        yield [p[i - 3] + (dx * s) / steps, p[i - 2] + (dy * s) / steps, p[i - 1] + (dz * s) / steps];
    }
    yield [p[i], p[i + 1], p[i + 2]];
  }
}

function onPlane(a: Vec, b: Vec, angle: number): Vec {
  const side = ([x, , z]: Vec) => x * cos(angle) - z * sin(angle);
  const [sa, sb] = [side(a), side(b)];
  const share = sa === sb ? 0.5 : Math.min(1, Math.max(0, sa / (sa - sb)));
  return [0, 1, 2].map((k) => a[k] + share * (b[k] - a[k])) as unknown as Vec;
}

/** By the triangle of that sector that it lies over, or the nearest where it lies at a cut. */
function onPiece(piece: PatternPiece, sector: number, at: Vec): OnPaper | undefined {
  const { mesh, sectorOf, atMm } = piece;
  let best = -Number.POSITIVE_INFINITY;
  let found: readonly [number, number, number, number] | undefined;
  for (let t = 0; t < mesh.triangleCount; t++) {
    if (sectorOf[t] !== sector) continue;
    const weights = over(mesh.positionsMm, mesh.triangles, t, at);
    if (!weights) continue;
    const within = Math.min(...weights);
    if (within <= best) continue;
    best = within;
    found = [t, ...weights];
    if (within >= 0) break;
  }
  if (!found || best < -1) return undefined;
  const [t, ...weights] = found;
  return [0, 1].map((k) =>
    weights.reduce((sum, w, c) => sum + w * atMm[2 * mesh.triangles[3 * t + c] + k], 0),
  ) as unknown as OnPaper;
}

/** Weights of the corners for the foot of a place in the plane of a triangle; undefined where it is far from the plane. */
function over(p: Float64Array, triangles: Int32Array, t: number, at: Vec): [number, number, number] | undefined {
  const [a, b, c] = [3 * triangles[3 * t], 3 * triangles[3 * t + 1], 3 * triangles[3 * t + 2]];
  const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
  const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]];
  const [wx, wy, wz] = [at[0] - p[a], at[1] - p[a + 1], at[2] - p[a + 2]];
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const area = nx * nx + ny * ny + nz * nz;
  const off = nx * wx + ny * wy + nz * wz;
  if (off * off > OFF_SURFACE_MM ** 2 * area) return undefined;
  const wb = (nx * (wy * vz - wz * vy) + ny * (wz * vx - wx * vz) + nz * (wx * vy - wy * vx)) / area;
  const wc = (nx * (uy * wz - uz * wy) + ny * (uz * wx - ux * wz) + nz * (ux * wy - uy * wx)) / area;
  return [1 - wb - wc, wb, wc];
}
