/**
 * The closed line round the hair-bearing scalp: elevation as a function of azimuth (from the face, about the
 * vertical axis) on each side. "Inside" is elevation above it, so that cutting the mesh needs no search.
 * The landmarks fix six of its points; the others (recess, sideburn, round the ear, nape) are shaped by eye.
 * She may move the points that differ most from head to head; the ear stays where the tape found it.
 */

import { evaluatePchip, type Pchip, pchip } from '../geometry/index.ts';
import { atan2, cos, sin } from '../numerics/index.ts';
import { landmarks, type Point } from './landmarks.ts';
import { type HeadShape, rayLength } from './shape.ts';

/** Points of one side that can be moved, from the face backwards. */
export const SIDE_POINTS = ['corner', 'temple', 'sideburn', 'behindEar', 'napeCorner'] as const;
export type SidePoint = (typeof SIDE_POINTS)[number];
export type SideOffsets = Readonly<Record<SidePoint, number>>;

/** How far she moved each point, mm: positive is higher, which is less hair. */
export interface HairlineOffsets {
  readonly front: number;
  readonly nape: number;
  readonly left: SideOffsets;
  readonly right: SideOffsets;
}

export const NO_OFFSET: SideOffsets = { corner: 0, temple: 0, sideburn: 0, behindEar: 0, napeCorner: 0 };
export const AS_FITTED: HairlineOffsets = { front: 0, nape: 0, left: NO_OFFSET, right: NO_OFFSET };
/** A point may be moved this far, mm: beyond it the line would fold or leave the head. */
export const HAIRLINE_LIMIT_MM = 25;

export const HAIRLINE_POINT_NAMES: Readonly<Record<SidePoint | 'front' | 'nape', string>> = {
  front: 'middle of the front',
  corner: 'corner of the forehead',
  temple: 'temple',
  sideburn: 'sideburn',
  behindEar: 'behind the ear',
  napeCorner: 'corner of the nape',
  nape: 'middle of the nape',
};

export function turnedOffsets(o: HairlineOffsets): HairlineOffsets {
  return { ...o, left: o.right, right: o.left };
}

export interface HairlinePoint {
  readonly name: SidePoint | 'front' | 'nape';
  readonly side: 'left' | 'right' | 'middle';
  readonly at: Point;
}

export interface Hairline {
  readonly left: Pchip;
  readonly right: Pchip;
  readonly azimuthsRad: {
    readonly recess: number;
    readonly temple: number;
    readonly ear: number;
    readonly napeCorner: number;
  };
}

export function azimuthOf(x: number, z: number): number {
  return Math.abs(atan2(x, z));
}

export function elevationOf(x: number, y: number, z: number): number {
  return atan2(y, Math.sqrt(x * x + z * z));
}

/** The recess (corner of the forehead) lies at this share of the temple's azimuth. */
const RECESS_SHARE = 0.62;

export function hairline(head: HeadShape, offsets: HairlineOffsets = AS_FITTED): Hairline {
  const mark = landmarks(head);
  const azimuth = (p: Point) => azimuthOf(p[0], p[2]);
  const elevation = (p: Point) => elevationOf(...p);
  const temple = azimuth(mark.temple);
  const ear = azimuth(mark.earTop);
  const napeCorner = azimuth(mark.napeCorner);
  const front = elevation(mark.frontHairline);
  const earLevel = elevation(mark.earTop);
  const nape = elevation(mark.napeHairline);
  const corner = elevation(mark.napeCorner);
  const recess = RECESS_SHARE * temple;
  const raised = (point: [number, number], mm: number): [number, number] => {
    const [a, e] = point;
    const reach = rayLength(head, 0, 0, 0, sin(a) * cos(e), sin(e), cos(a) * cos(e));
    return [a, e + mm / reach];
  };
  const side = (o: SideOffsets) => {
    const points: Array<[number, number]> = [
      raised([0, front], offsets.front),
      raised([recess, front + 0.014], o.corner),
      raised([temple, elevation(mark.temple)], o.temple),
      raised([temple + 0.5 * (ear - temple), earLevel - 0.1], o.sideburn),
      raised([temple + 0.78 * (ear - temple), earLevel - 0.16], 0.6 * o.sideburn),
      [ear, earLevel],
      raised([ear + 0.3 * (napeCorner - ear), earLevel - 0.135], 0.6 * o.behindEar),
      raised([ear + 0.62 * (napeCorner - ear), earLevel + 0.62 * (corner - earLevel)], o.behindEar),
      raised([napeCorner, corner], o.napeCorner),
      raised(
        [napeCorner + 0.5 * (Math.PI - napeCorner), corner + 0.55 * (nape - corner)],
        0.5 * (o.napeCorner + offsets.nape),
      ),
      raised([Math.PI, nape], offsets.nape),
    ];
    return pchip(
      points.map((p) => p[0]),
      points.map((p) => p[1]),
    );
  };
  const left = side(offsets.left);
  return {
    left,
    right: offsets.right === offsets.left ? left : side(offsets.right),
    azimuthsRad: { recess, temple, ear, napeCorner },
  };
}

/** The points that can be moved, where they lie on her head. */
export function hairlinePoints(head: HeadShape, line: Hairline): HairlinePoint[] {
  const { recess, temple, ear, napeCorner } = line.azimuthsRad;
  const azimuths: Readonly<Record<SidePoint, number>> = {
    corner: recess,
    temple,
    sideburn: temple + 0.5 * (ear - temple),
    behindEar: ear + 0.62 * (napeCorner - ear),
    napeCorner,
  };
  const point = (name: HairlinePoint['name'], side: HairlinePoint['side'], azimuth: number): HairlinePoint => {
    const e = evaluatePchip(side === 'right' ? line.right : line.left, azimuth);
    const d = [sin(azimuth) * cos(e), sin(e), cos(azimuth) * cos(e)];
    const r = rayLength(head, 0, 0, 0, d[0], d[1], d[2]);
    return { name, side, at: [(side === 'right' ? -1 : 1) * r * d[0], r * d[1], r * d[2]] };
  };
  return [
    point('front', 'middle', 0),
    ...SIDE_POINTS.flatMap((name) => [point(name, 'left', azimuths[name]), point(name, 'right', azimuths[name])]),
    point('nape', 'middle', Math.PI),
  ];
}

/** How far a direction lies above the hairline, rad; negative outside. */
export function aboveHairline(line: Hairline, x: number, y: number, z: number): number {
  return elevationOf(x, y, z) - evaluatePchip(x >= 0 ? line.left : line.right, azimuthOf(x, z));
}
