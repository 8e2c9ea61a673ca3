/** Distances on the scalp that belong to the head alone: computed once a head. All per vertex, mm. */

import { distanceFrom, type SurfaceMesh, smoothField, smoothstep } from '../geometry/index.ts';
import { atan2, cos, sin } from '../numerics/index.ts';
import { azimuthOf, type Hairline } from './hairline.ts';
import { REFERENCE_SIZE_MM } from './parameters.ts';
import { type HeadShape, rayLength } from './shape.ts';

export interface ScalpFields {
  /** Head size over the reference: lengths of the method scale with it. */
  readonly scale: number;
  readonly fromNape: Float64Array;
  readonly fromHairline: Float64Array;
  /** From the hairline between the temples. */
  readonly fromFrontHairline: Float64Array;
  /** From the line over the middle of the head. */
  readonly fromMidline: Float64Array;
}

export function scalpFields(head: HeadShape, line: Hairline, mesh: SurfaceMesh): ScalpFields {
  const border = mesh.borders[0];
  const { napeCorner, temple } = line.azimuthsRad;
  const span = (inside: (azimuth: number) => boolean) => ({ pointsMm: borderSpan(mesh, border, inside) });
  return {
    scale: head.sizeMm / REFERENCE_SIZE_MM,
    fromNape: distanceFrom(
      mesh,
      span((a) => a >= napeCorner),
    ),
    fromHairline: distanceFrom(mesh, { pointsMm: borderSpan(mesh, border, () => true), closed: true }),
    fromFrontHairline: distanceFrom(
      mesh,
      span((a) => a <= temple),
    ),
    fromMidline: distanceFrom(mesh, { pointsMm: midline(head, mesh) }),
  };
}

/**
 * Distance from the front hairline between the recesses, smoothed so that the M of the hairline does not
 * become a crease on the midline. The counter of rows that are swept back.
 */
export function sweptCounter(line: Hairline, mesh: SurfaceMesh, scale: number): Float64Array {
  const reach = line.azimuthsRad.recess;
  const distance = distanceFrom(mesh, { pointsMm: borderSpan(mesh, mesh.borders[0], (a) => a <= reach) });
  return smoothField(mesh, distance, 120, (v) => 0.9 * smoothstep(4 * scale, 40 * scale, distance[v]));
}

/** The border vertices inside a span of azimuth, in order, as a polyline. */
function borderSpan(mesh: SurfaceMesh, border: Int32Array, inside: (azimuth: number) => boolean): Float64Array {
  const p = mesh.positionsMm;
  const included = Array.from(border, (v) => inside(azimuthOf(p[3 * v], p[3 * v + 2])));
  const n = border.length;
  const start = included.findIndex((yes, i) => yes && !included[(i + n - 1) % n]);
  const points: number[] = [];
  for (let k = 0, i = Math.max(0, start); k < n && included[i]; k++, i = (i + 1) % n) {
    const v = border[i];
    points.push(p[3 * v], p[3 * v + 1], p[3 * v + 2]);
  }
  return Float64Array.from(points);
}

function midline(head: HeadShape, mesh: SurfaceMesh): Float64Array {
  const p = mesh.positionsMm;
  const points: number[] = [];
  let lowest = Math.PI;
  let highest = 0;
  for (const v of mesh.borders[0]) {
    if (Math.abs(p[3 * v]) > 2 * mesh.meanEdgeMm) continue;
    const angle = atan2(p[3 * v + 1], p[3 * v + 2]);
    const turned = angle < 0 ? angle + 2 * Math.PI : angle;
    lowest = Math.min(lowest, turned);
    highest = Math.max(highest, turned);
  }
  const steps = 120;
  for (let i = 0; i <= steps; i++) {
    const a = lowest + ((highest - lowest) * i) / steps;
    const t = rayLength(head, 0, 0, 0, 0, sin(a), cos(a));
    points.push(0, t * sin(a), t * cos(a));
  }
  return Float64Array.from(points);
}
