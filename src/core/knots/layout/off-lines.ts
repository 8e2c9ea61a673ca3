/** Lines of the base stay free: a knot that would lie on one slides along its row until it is beside it. */
import {
  along,
  cross,
  dot,
  minus,
  nearestVertex,
  pointAt,
  type SurfaceMesh,
  unit,
  type Vec3,
} from '../../geometry/index.ts';
import { type HeadShape, onSurface } from '../../head/index.ts';
import { isHooked, knotAt, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface LineGround {
  readonly mesh: SurfaceMesh;
  readonly shape: HeadShape;
  /** Points along the lines, xyz interleaved, mm. */
  readonly linesMm: Float64Array;
  /** Nearer to its neighbour a knot would sit on it, mm. */
  leastAt(vertex: number): number;
}

/** A knot lies off a line from so far, mm (guess: half a finger tip, so that the line can be seen). */
export const OFF_LINE_MM = 4;
/** A knot slides in steps of so many mm, so many of them at most. */
const STEP_MM = 1;
const MOST_STEPS = 9;

export function offLines(passes: Passes, g: LineGround): Passes {
  if (g.linesMm.length === 0) return passes;
  const knots = [...passes.knots];
  knots.forEach((k, i) => {
    const row = passes.rows[k.row];
    if (!isHooked(k) || row.locked === true || row.kind === 'base' || awayFrom(g.linesMm, k) >= OFF_LINE_MM) return;
    const beside = slid(passes, knots, i, g) ?? aside(knots, i, g);
    if (beside) knots[i] = beside;
  });
  return { ...passes, knots };
}

/** The nearest place along its row that lies off the lines and clear of others; undefined where there is none. */
function slid(passes: Passes, knots: readonly LaidKnot[], i: number, g: LineGround): LaidKnot | undefined {
  const k = knots[i];
  const { curve } = passes.rows[k.row];
  for (let step = 1; step <= MOST_STEPS; step++) {
    for (const way of [1, -1]) {
      const arc = k.arcMm + way * step * STEP_MM;
      if (!curve.closed && (arc < 0 || arc > curve.lengthMm)) continue;
      const at = knotAt(g.mesh, curve, k.row, (arc + curve.lengthMm) % curve.lengthMm);
      if (awayFrom(g.linesMm, at) < OFF_LINE_MM || !isClear(knots, i, at, g)) continue;
      return { ...k, ...at, namedAtMm: k.namedAtMm ?? k.arcMm };
    }
  }
  return undefined;
}

/** A row that runs along a line leaves no such place: then straight away from the line. */
function aside(knots: readonly LaidKnot[], i: number, g: LineGround): LaidKnot | undefined {
  const k = knots[i];
  const here: Vec3 = [k.xMm, k.yMm, k.zMm];
  const { index } = nearestOn(g.linesMm, k);
  const at = pointAt(g.linesMm, index);
  const beside = pointAt(g.linesMm, 3 * (index + 1) < g.linesMm.length ? index + 1 : index - 1);
  const off = minus(here, at);
  // Right on it, to the side of its left hand.
  const out = dot(off, off) > 1e-6 ? unit(off) : unit(cross(unit(here), unit(minus(beside, at))));
  for (const side of [1, -1]) {
    const [xMm, yMm, zMm] = onSurface(g.shape, along(at, out, side * (OFF_LINE_MM + 0.5)));
    const moved = { ...k, xMm, yMm, zMm, vertex: nearestVertex(g.mesh, xMm, yMm, zMm, k.vertex) };
    if (awayFrom(g.linesMm, moved) >= OFF_LINE_MM - 0.5 && isClear(knots, i, moved, g)) return moved;
  }
  return undefined;
}

/** Index of the nearest point of the lines, and how far it is. */
function nearestOn(p: Float64Array, { xMm, yMm, zMm }: Pick<LaidKnot, 'xMm' | 'yMm' | 'zMm'>) {
  let index = 0;
  let nearestSq = Number.POSITIVE_INFINITY;
  for (let i = 0; 3 * i < p.length; i++) {
    const d = (p[3 * i] - xMm) ** 2 + (p[3 * i + 1] - yMm) ** 2 + (p[3 * i + 2] - zMm) ** 2;
    if (d >= nearestSq) continue;
    nearestSq = d;
    index = i;
  }
  return { index, awayMm: Math.sqrt(nearestSq) };
}

function isClear(knots: readonly LaidKnot[], i: number, at: LaidKnot, { leastAt }: LineGround): boolean {
  const least = leastAt(at.vertex) ** 2;
  return knots.every((k, n) => {
    if (n === i || !isHooked(k)) return true;
    return (k.xMm - at.xMm) ** 2 + (k.yMm - at.yMm) ** 2 + (k.zMm - at.zMm) ** 2 >= least;
  });
}

/** From the nearest point of the lines, mm. */
export const awayFrom = (linesMm: Float64Array, k: Pick<LaidKnot, 'xMm' | 'yMm' | 'zMm'>): number =>
  nearestOn(linesMm, k).awayMm;
