/** A cut through the middle of a section, across it or along it: what a stroke of the finger does, without one. */

import { cross, dot, along as movedAlong, unit } from '../../geometry/index.ts';
import { type DirectionDeg, directionDeg, type Point } from '../../head/index.ts';
import { atan2 } from '../../numerics/index.ts';

/**
 * @param positionsMm of the vertices, xyz interleaved.
 * @param sectionOf section index of every vertex.
 * @returns places through which the cut runs, and on straight beyond both ends.
 */
export function middleCut(
  positionsMm: ArrayLike<number>,
  sectionOf: ArrayLike<number>,
  section: number,
  way: 'across' | 'along',
): DirectionDeg[] {
  const own: number[] = [];
  for (let v = 0; v < sectionOf.length; v++) if (sectionOf[v] === section) own.push(v);
  if (own.length === 0) return [];
  const middle: [number, number, number] = [0, 0, 0];
  for (const v of own) for (let c = 0; c < 3; c++) middle[c] += positionsMm[3 * v + c] / own.length;
  const out = unit(middle);
  const along = longestAxis(positionsMm, own, middle, out);
  if (way === 'along') return middleLine(positionsMm, own, out, along);
  const aside = unit(cross(out, along));
  const at = (mm: number) => directionDeg(movedAlong(middle, aside, mm));
  return [at(-HALF_MM), at(HALF_MM)];
}

const STATIONS = 7;

/** From end to end through the middles of its parts: a long section bends round the head. */
function middleLine(p: ArrayLike<number>, own: readonly number[], out: Point, along: Point): DirectionDeg[] {
  const angle = (v: number) => {
    const at: Point = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
    return atan2(dot(at, along), dot(at, out));
  };
  const sorted = own.map((v) => ({ v, a: angle(v) })).sort((x, y) => x.a - y.a);
  return Array.from({ length: STATIONS }, (_, i) => {
    const part = sorted.slice(
      Math.floor((i * sorted.length) / STATIONS),
      Math.floor(((i + 1) * sorted.length) / STATIONS),
    );
    const middle: [number, number, number] = [0, 0, 0];
    for (const { v } of part) for (let c = 0; c < 3; c++) middle[c] += p[3 * v + c];
    return directionDeg(middle);
  });
}

const HALF_MM = 12;
/** Power steps on the spread of a section; it converges at once where it is longer than wide. */
const STEPS = 40;

/** The way in which a section is longest, along the scalp. */
function longestAxis(p: ArrayLike<number>, own: readonly number[], middle: Point, out: Point): Point {
  let axis: Point = Math.abs(out[1]) < 0.9 ? unit(cross(out, [0.1, 1, 0.05])) : unit(cross(out, [0.1, 0.05, 1]));
  for (let step = 0; step < STEPS; step++) {
    const sum: [number, number, number] = [0, 0, 0];
    for (const v of own) {
      const d: Point = [p[3 * v] - middle[0], p[3 * v + 1] - middle[1], p[3 * v + 2] - middle[2]];
      const share = d[0] * axis[0] + d[1] * axis[1] + d[2] * axis[2];
      for (let c = 0; c < 3; c++) sum[c] += share * d[c];
    }
    const lift = sum[0] * out[0] + sum[1] * out[1] + sum[2] * out[2];
    axis = unit([sum[0] - lift * out[0], sum[1] - lift * out[1], sum[2] - lift * out[2]]);
  }
  return axis;
}
