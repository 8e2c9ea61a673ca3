/**
 * What she marks on her scalp: tender, thin and no-go spots, and own hair in sight, where no piece goes and no
 * cover is owed. A mark is a named region or a brush stroke of directions from the middle of the head, so that
 * it stays where it was painted when a measure changes. Later marks win over earlier ones.
 */

import {
  between,
  distance,
  distanceToSegment,
  forVerticesWithin,
  nearestVertex,
  pointAt,
  type SurfaceMesh,
  unit,
} from '../geometry/index.ts';
import { atan2, cos, sin } from '../numerics/index.ts';
import type { MarkKind, Region } from '../trade/index.ts';
import type { Landmarks, Point } from './landmarks.ts';
import { type HeadShape, rayLength } from './shape.ts';

/** Azimuth from the face (positive to her left) and elevation, degrees. */
export type DirectionDeg = readonly [azimuth: number, elevation: number];

export interface Stroke {
  readonly points: readonly DirectionDeg[];
  readonly radiusMm: number;
}

export interface Mark {
  readonly kind: MarkKind;
  /** Wipes this kind out instead. */
  readonly erase: boolean;
  readonly place: { readonly region: Region } | { readonly stroke: Stroke };
}

/** One byte a vertex and kind: 1 where marked. */
export type MarkMasks = Readonly<Record<MarkKind, Uint8Array>>;

export interface MarkedHead {
  readonly shape: HeadShape;
  readonly mesh: SurfaceMesh;
  readonly mark: Landmarks;
  readonly scalp: { readonly scale: number; readonly fromFrontHairline: Float64Array; readonly fromNape: Float64Array };
}

export function markMasks(head: MarkedHead, marks: readonly Mark[]): MarkMasks {
  const n = head.mesh.vertexCount;
  const masks: MarkMasks = {
    tender: new Uint8Array(n),
    thin: new Uint8Array(n),
    noGo: new Uint8Array(n),
    inSight: new Uint8Array(n),
  };
  for (const m of marks) paintPlace(head, m.place, masks[m.kind], m.erase ? 0 : 1);
  return masks;
}

/** Writes the value at every vertex of a named region or under a stroke. */
export function paintPlace(head: MarkedHead, place: Mark['place'], mask: Uint8Array, value: number) {
  if ('region' in place) paintRegion(head, place.region, mask, value);
  else paintStroke(head, place.stroke, mask, value);
}

export function directionOf([azimuth, elevation]: DirectionDeg): Point {
  const a = (azimuth * Math.PI) / 180;
  const e = (elevation * Math.PI) / 180;
  return [sin(a) * cos(e), sin(e), cos(a) * cos(e)];
}

/** Rounded to a tenth of a degree: a sixth of a millimetre on the head. */
export function directionDeg([x, y, z]: Point): DirectionDeg {
  const degrees = (rad: number) => Math.round((rad * 1800) / Math.PI) / 10 + 0;
  return [degrees(atan2(x, z)), degrees(atan2(y, Math.sqrt(x * x + z * z)))];
}

export function onSurface(shape: HeadShape, direction: Point): Point {
  const d = unit(direction);
  const t = rayLength(shape, 0, 0, 0, ...d);
  return [t * d[0], t * d[1], t * d[2]];
}

/** Reaches of the named regions: guesses, mm on a prior head. */
const FRONT_EDGE = 20;
const TEMPLE = 32;
const OVER_EAR = 34;
const NAPE = 25;
const CROWN = 36;

function paintRegion(head: MarkedHead, region: Region, mask: Uint8Array, value: number) {
  const { mesh, mark, scalp } = head;
  const p = mesh.positionsMm;
  const near = (v: number, at: Point, reach: number) =>
    (Math.abs(p[3 * v]) - at[0]) ** 2 + (p[3 * v + 1] - at[1]) ** 2 + (p[3 * v + 2] - at[2]) ** 2 <
    (reach * scalp.scale) ** 2;
  const inside: Readonly<Record<Region, (v: number) => boolean>> = {
    frontEdge: (v) => scalp.fromFrontHairline[v] < FRONT_EDGE * scalp.scale,
    temples: (v) => near(v, mark.temple, TEMPLE),
    overEars: (v) => near(v, mark.earTop, OVER_EAR),
    nape: (v) => scalp.fromNape[v] < NAPE * scalp.scale,
    crown: (v) => near(v, mark.crown, CROWN),
  };
  for (let v = 0; v < mask.length; v++) if (inside[region](v)) mask[v] = value;
}

function paintStroke(head: MarkedHead, stroke: Stroke, mask: Uint8Array, value: number) {
  forStroke(head, stroke, (v) => {
    mask[v] = value;
  });
}

/** Vertices under a stroke with their distance from its line; one may come up again for a later part of the line. */
export function forStroke(
  { mesh, shape }: Pick<MarkedHead, 'mesh' | 'shape'>,
  stroke: Stroke,
  visit: (vertex: number, distanceMm: number) => void,
) {
  const points = stroke.points.map((d) => onSurface(shape, directionOf(d)));
  const stamp = new Int32Array(mesh.vertexCount).fill(-1);
  let near = 0;
  for (let i = 0; i < Math.max(1, points.length - 1); i++) {
    const a = points[i];
    const b = points[Math.min(points.length - 1, i + 1)];
    const middle = between(a, b, 0.5);
    const half = distance(a, b) / 2;
    near = nearestVertex(mesh, ...middle, near);
    forVerticesWithin(mesh, near, ...middle, stroke.radiusMm + half, stamp, i, (v) => {
      const d = distanceToSegment(pointAt(mesh.positionsMm, v), a, b);
      if (d <= stroke.radiusMm) visit(v, d);
    });
  }
}
