/**
 * The plaited base: half of the sections behind the line from ear to ear over the crown, half in front, each
 * half cut into sectors of equal area ("even bites"). Every scalp vertex belongs to exactly one section.
 */
import { contours } from '../geometry/contour.ts';
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import { hairMassG, hairsOn, type OwnHair, tailThicknessMm } from '../hair/own-hair.ts';
import type { Landmarks } from '../head/landmarks.ts';

export interface Section {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly hairs: number;
  readonly massG: number;
  readonly tailThicknessMm: number;
  readonly minutes: number;
}

export interface Base {
  readonly sections: readonly Section[];
  /** Section index of every scalp vertex. */
  readonly sectionOf: Uint8Array;
  readonly minutes: number;
  /** Lines between sections, each xyz interleaved. */
  readonly linesMm: readonly Float32Array[];
}

/** Minutes to part, band and plait one section of medium hair 25 cm long (common practice, no source). */
const MINUTES_A_SECTION = 4.5;
const REFERENCE_LENGTH_MM = 250;

export function plaitedBase(mesh: SurfaceMesh, mark: Landmarks, own: OwnHair, count: number): Base {
  const behind = Math.ceil(count / 2);
  const sectionOf = new Uint8Array(mesh.vertexCount);
  const beforeEars = earPlane(mesh, mark);
  const around = Float64Array.from(beforeEars, (_, v) =>
    Math.atan2(mesh.positionsMm[3 * v], -mesh.positionsMm[3 * v + 2]),
  );
  const across = Float64Array.from(beforeEars, (_, v) => mesh.positionsMm[3 * v]);
  const isBehind = (v: number) => beforeEars[v] < 0;
  const cuts = [
    ...divideEvenly(mesh, isBehind, behind, 0, sectionOf, around).map((level) => lines(mesh, around, level, isBehind)),
    ...divideEvenly(mesh, (v) => !isBehind(v), count - behind, behind, sectionOf, across).map((level) =>
      lines(mesh, across, level, (v) => !isBehind(v)),
    ),
    lines(mesh, beforeEars, 0, () => true),
  ];
  const areas = new Float64Array(count);
  for (let v = 0; v < mesh.vertexCount; v++) areas[sectionOf[v]] += mesh.vertexAreasMm2[v];
  const sections = Array.from(areas, (areaMm2, i): Section => {
    const hairs = hairsOn(own, areaMm2);
    return {
      id: `s${i + 1}`,
      name: sectionName(i, behind, count),
      areaMm2,
      hairs,
      massG: hairs * hairMassG(own),
      tailThicknessMm: tailThicknessMm(own, hairs),
      minutes: MINUTES_A_SECTION * (0.6 + (0.4 * own.lengthMm) / REFERENCE_LENGTH_MM),
    };
  });
  return { sections, sectionOf, minutes: sections.reduce((sum, s) => sum + s.minutes, 0), linesMm: cuts.flat() };
}

/** How far in front of the plane through both ears and the crown, mm. */
function earPlane(mesh: SurfaceMesh, mark: Landmarks): Float64Array {
  const [, ey, ez] = mark.earTop;
  const [, cy, cz] = mark.crown;
  return Float64Array.from({ length: mesh.vertexCount }, (_, v) => {
    const y = mesh.positionsMm[3 * v + 1];
    return mesh.positionsMm[3 * v + 2] - (ez + ((y - ey) / (cy - ey)) * (cz - ez));
  });
}

/**
 * Cuts the vertices of one half into `count` parcels of equal area in falling order of the key, from her left.
 * Returns the keys at which it cut.
 */
function divideEvenly(
  mesh: SurfaceMesh,
  included: (v: number) => boolean,
  count: number,
  first: number,
  sectionOf: Uint8Array,
  key: Float64Array,
): number[] {
  const vertices = Array.from(key.keys()).filter(included);
  const sorted = vertices.sort((a, b) => key[b] - key[a]);
  const total = sorted.reduce((sum, v) => sum + mesh.vertexAreasMm2[v], 0);
  const cuts: number[] = [];
  let walked = 0;
  for (const v of sorted) {
    const middle = walked + mesh.vertexAreasMm2[v] / 2;
    const parcel = Math.min(count - 1, Math.floor((middle / total) * count));
    if (parcel > cuts.length) cuts.push(key[v]);
    sectionOf[v] = first + parcel;
    walked += mesh.vertexAreasMm2[v];
  }
  return cuts;
}

/** A level of the key within one half, as lines to draw. */
function lines(mesh: SurfaceMesh, key: Float64Array, level: number, included: (v: number) => boolean): Float32Array[] {
  const half = key.map((value, v) => (included(v) ? value : Number.POSITIVE_INFINITY));
  return contours(mesh, half, [level])[0].map((curve) => Float32Array.from(curve.pointsMm));
}

function sectionName(index: number, behind: number, count: number): string {
  const inFront = index >= behind;
  const place = inFront ? index - behind : index;
  const size = inFront ? count - behind : behind;
  return `${inFront ? 'front' : 'behind'} ${place + 1} of ${size}, from your left`;
}
