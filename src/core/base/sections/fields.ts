/** Fields of her own head along which sections are cut: sideways, by the part, above a line of fingers, by the nearest of given lines. */
import { type DirectionDeg, directionOf, onSurface } from '../../head/index.ts';
import { atan2, cos, sin } from '../../numerics/index.ts';
import type { BaseContext } from '../context.ts';
import { surfaceWay } from '../tails/parking.ts';

export interface PartOnHead {
  /** xyz interleaved from the hairline backwards, mm; empty without a part. */
  readonly pointsMm: Float64Array;
}

export const NO_PART: PartOnHead = { pointsMm: new Float64Array(0) };

/** Rises from her left to her right. */
export function sideways(ground: BaseContext): Float64Array {
  return ground.aside.map((v) => -v);
}

/** The same behind, about the vertical axis. */
export function fromLeft(ground: BaseContext): Float64Array {
  return ground.aroundBack.map((v) => -v);
}

/** Whether a vertex lies on her left of the part, run on behind its end to the middle of the nape. */
export function leftOfPart(ground: BaseContext, part: PartOnHead): (v: number) => boolean {
  const q = part.pointsMm;
  const n = q.length / 3;
  if (n < 2) return (v) => ground.aside[v] >= 0;
  const angleOf = (i: number) => atan2(q[3 * i + 1], q[3 * i + 2]);
  const nape = atan2(ground.mark.napeHairline[1], ground.mark.napeHairline[2]) + 2 * Math.PI;
  const end = angleOf(n - 1);
  const xAt = (angle: number) => {
    if (angle >= end) return q[3 * (n - 1)] * Math.max(0, (nape - angle) / (nape - end));
    let i = 0;
    while (i < n - 2 && angleOf(i + 1) < angle) i++;
    const share = Math.min(1, Math.max(0, (angle - angleOf(i)) / Math.max(1e-9, angleOf(i + 1) - angleOf(i))));
    return q[3 * i] + share * (q[3 * i + 3] - q[3 * i]);
  };
  return (v) => ground.mesh.positionsMm[3 * v] >= xAt(ground.backwards[v]);
}

/** Above the plane through both temples and the middle line so many fingers behind the crown. */
export function aboveHalfLine({ mesh, mark, fingerMm, shape }: BaseContext, fingers: number): (v: number) => boolean {
  const [, ty, tz] = mark.temple;
  const [, by, bz] = behindCrown(shape, mark.crown, fingers * fingerMm);
  return (v) => {
    const z = mesh.positionsMm[3 * v + 2];
    return mesh.positionsMm[3 * v + 1] > ty + ((z - tz) / (bz - tz)) * (by - ty);
  };
}

/** On the middle line, so far behind the crown; at least a little, so that the plane has a slope. */
function behindCrown(shape: BaseContext['shape'], crown: readonly number[], mm: number) {
  const radius = Math.sqrt(crown[1] ** 2 + crown[2] ** 2);
  const angle = atan2(crown[1], crown[2]) + Math.max(10, mm) / radius;
  return onSurface(shape, [0, sin(angle), cos(angle)]);
}

/** A line as she entered it, with points close enough that the nearest one tells the distance to it. */
export function densePoints(ground: BaseContext, line: readonly DirectionDeg[]): Float64Array {
  return surfaceWay(
    ground,
    line.map((d) => onSurface(ground.shape, directionOf(d))),
  );
}

export function nearestOf(ground: BaseContext, v: number, lines: readonly Float64Array[]): number {
  const p = ground.mesh.positionsMm;
  const x = p[3 * v];
  const y = p[3 * v + 1];
  const z = p[3 * v + 2];
  let best = 0;
  let nearest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < lines.length; i++) {
    const q = lines[i];
    for (let k = 0; k < q.length; k += 3) {
      const d = (q[k] - x) * (q[k] - x) + (q[k + 1] - y) * (q[k + 1] - y) + (q[k + 2] - z) * (q[k + 2] - z);
      if (d < nearest) {
        nearest = d;
        best = i;
      }
    }
  }
  return best;
}
