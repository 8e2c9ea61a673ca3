/**
 * The closed line round the hair-bearing scalp: elevation as a function of azimuth (from the face, about the
 * vertical axis), the same on both sides. "Inside" is elevation above it, so that cutting the mesh needs no search.
 * The landmarks fix six of its points; the others (recess, sideburn, round the ear, nape) are shaped by eye.
 */
import { evaluatePchip, type Pchip, pchip } from '../geometry/pchip.ts';
import { landmarks, type Point } from './landmarks.ts';
import type { HeadShape } from './shape.ts';

export interface Hairline {
  readonly curve: Pchip;
  readonly azimuthsRad: {
    readonly recess: number;
    readonly temple: number;
    readonly ear: number;
    readonly napeCorner: number;
  };
}

export function azimuthOf(x: number, z: number): number {
  return Math.abs(Math.atan2(x, z));
}

export function elevationOf(x: number, y: number, z: number): number {
  return Math.atan2(y, Math.sqrt(x * x + z * z));
}

/** The recess (corner of the forehead) lies at this share of the temple's azimuth. */
const RECESS_SHARE = 0.62;

export function hairline(head: HeadShape): Hairline {
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
  const points: Array<[number, number]> = [
    [0, front],
    [recess, front + 0.014],
    [temple, elevation(mark.temple)],
    [temple + 0.5 * (ear - temple), earLevel - 0.1],
    [temple + 0.78 * (ear - temple), earLevel - 0.16],
    [ear, earLevel],
    [ear + 0.3 * (napeCorner - ear), earLevel - 0.135],
    [ear + 0.62 * (napeCorner - ear), earLevel + 0.62 * (corner - earLevel)],
    [napeCorner, corner],
    [napeCorner + 0.5 * (Math.PI - napeCorner), corner + 0.55 * (nape - corner)],
    [Math.PI, nape],
  ];
  return {
    curve: pchip(
      points.map((p) => p[0]),
      points.map((p) => p[1]),
    ),
    azimuthsRad: { recess, temple, ear, napeCorner },
  };
}

/** How far a direction lies above the hairline, rad; negative outside. */
export function aboveHairline(line: Hairline, x: number, y: number, z: number): number {
  return elevationOf(x, y, z) - evaluatePchip(line.curve, azimuthOf(x, z));
}
