/** The places on the head that a tape runs through and that words refer to. Positions in mm. */

import type { Vec3 } from '../geometry/index.ts';
import { cos, pow, sin } from '../numerics/index.ts';
import { gauge, type HeadShape, rayLength, sectionAt } from './shape.ts';

export type Point = Vec3;

export interface Landmarks {
  readonly frontHairline: Point;
  readonly napeHairline: Point;
  readonly crown: Point;
  readonly occiput: Point;
  /** Left ones; the right is its mirror image. */
  readonly earTop: Point;
  readonly temple: Point;
  readonly napeCorner: Point;
}

export function landmarks(head: HeadShape): Landmarks {
  const fitted = onFitted(head);
  if (!head.relief) return fitted;
  const out = Object.entries(fitted).map(([name, at]) => [name, outward(head, at)] as const);
  return Object.fromEntries(out) as unknown as Landmarks;
}

/** On the surface of a scan, in the same direction. */
function outward(head: HeadShape, [x, y, z]: Point): Point {
  const long = Math.sqrt(x * x + y * y + z * z);
  const t = rayLength(head, 0, 0, 0, x / long, y / long, z / long, long) / long;
  return [t * x, t * y, t * z];
}

function onFitted(head: HeadShape): Landmarks {
  const frontHairline = midlinePoint(head, head.frontHeight * head.sizeMm, 1);
  const occiput = midlinePoint(head, -0.12 * head.sizeMm, -1);
  return {
    frontHairline,
    napeHairline: midlinePoint(head, -head.napeDrop * head.sizeMm, -1),
    crown: [0, head.crownHeightMm, sectionAt(head, head.crownHeightMm).c],
    occiput,
    earTop: earTop(head),
    temple: templePoint(head, frontHairline, occiput),
    napeCorner: horizontalPoint(head, -0.92 * head.napeDrop * head.sizeMm, Math.PI - head.napeHalfAngleRad),
  };
}

/** Point of the midline at height y, on the face side (1) or behind (-1). */
function midlinePoint(head: HeadShape, y: number, side: 1 | -1): Point {
  const { f, b, c, top } = sectionAt(head, y);
  const reach = pow(Math.max(0, 1 - top), 1 / head.vertical);
  return [0, y, c + side * (side > 0 ? f : b) * reach];
}

function earTop(head: HeadShape): Point {
  const y = -head.earDrop * head.sizeMm;
  const z = 0.13 * head.halfLengthMm;
  const { w, f } = sectionAt(head, y);
  return [w * pow(1 - pow(z / f, head.horizontal), 1 / head.horizontal), y, z];
}

/** Point below the widest plane at the azimuth (from the face, about the vertical axis). */
function horizontalPoint(head: HeadShape, y: number, azimuth: number): Point {
  const { w, f, b } = sectionAt(head, y);
  const x = sin(azimuth);
  const z = cos(azimuth);
  const flat = pow(Math.abs(x) / w, head.horizontal) + pow(Math.abs(z) / (z >= 0 ? f : b), head.horizontal);
  const r = pow(flat, -1 / head.horizontal);
  return [r * x, y, r * z];
}

/** The temple lies in the plane of the head girth, at its azimuth: bisection on the distance from the axis. */
function templePoint(head: HeadShape, front: Point, back: Point): Point {
  const slope = (front[1] - back[1]) / (front[2] - back[2]);
  const outX = sin(head.templeAzimuthRad);
  const outZ = cos(head.templeAzimuthRad);
  const y = (r: number) => front[1] + slope * (r * outZ - front[2]);
  let lo = 0;
  let hi = 2 * head.sizeMm;
  for (let k = 0; k < 50; k++) {
    const mid = (lo + hi) / 2;
    if (gauge(head, mid * outX, y(mid), mid * outZ) < 0) lo = mid;
    else hi = mid;
  }
  return [lo * outX, y(lo), lo * outZ];
}
