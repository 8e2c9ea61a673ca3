/**
 * What one sees round the fitted head: face, ears, neck and shoulders as smooth unions of ellipsoids and
 * capsules. So that she knows where she is, and what hair lies on; no figure of a plan is computed from it.
 * Radii by eye, mm on a head of prior size.
 */

import { latticeOver, smoothstep, surfaceNets } from '../geometry/index.ts';
import { earDistance } from './ear.ts';
import { FACE_BOX, withFace } from './face.ts';
import { aboveHairline, type Hairline } from './hairline.ts';
import { landmarks } from './landmarks.ts';
import { REFERENCE_SIZE_MM } from './parameters.ts';
import { gauge, type HeadShape } from './shape.ts';
import { capsule, crease, ellipsoid, type Place, smoothMax, smoothMin } from './solids.ts';

export interface Bust {
  readonly distance: (x: number, y: number, z: number) => number;
  readonly ear: (x: number, y: number, z: number) => number;
}

export function bust(head: HeadShape): Bust {
  const k = head.sizeMm / REFERENCE_SIZE_MM;
  const mark = landmarks(head);
  const earTop: Place = [mark.earTop[0] / k, mark.earTop[1] / k, mark.earTop[2] / k];
  const ear = (x: number, y: number, z: number) => earDistance(x / k, y / k, z / k, earTop) * k;
  const distance = (px: number, py: number, pz: number) => {
    const x = px / k;
    const y = py / k;
    const z = pz / k;
    const fromMiddle = Math.sqrt(px * px + py * py + pz * pz);
    let d = 1000;
    if (fromMiddle < 330 * k && y > -185) {
      const neck = smoothstep(-66, -135, y);
      const g = gauge(head, px * (1 + 0.16 * neck), py, pz > 0 ? pz : pz * (1 + 0.03 * neck));
      d = ((fromMiddle / k) * g * 0.86) / (1 + g);
      // It ends inside the neck, well before the join lets go of it.
      if (y < -100) d = smoothMax(d, -138 - y, 36);
    }
    // Parts whose smooth join can't reach this place are left out; that saves most of the time.
    if (z > -50 && y < 70) d = withFace(d, x, y, z);
    if (y < -20) d = withTrunk(d, x, y, z);
    if (Math.abs(x) > earTop[0] - 40 && y < earTop[1] + 50 && y > earTop[1] - 100) {
      d = smoothMin(d, earDistance(x, y, z, earTop), 5);
    }
    return d * k;
  };
  return { distance, ear };
}

/** Neck, collar bones and shoulders, cut as a sculptor cuts a bust: round below, upright at the arms. */
function withTrunk(d: number, x: number, y: number, z: number): number {
  const side = Math.abs(x);
  const aside = Math.sqrt(x * x + 420) - 6;
  let t = capsule(x, y, z, [0, -95, -14], [0, -205, -34], 49, 54);
  t = smoothMin(t, capsule(aside, y, z, [16, -178, -46], [150, -250, -40], 36, 44), 62);
  t = smoothMin(t, ellipsoid(x, y + 304, z + 24, 150, 96, 80), 52);
  if (z > -40) {
    // From behind the ear to the pit of the throat, and from there out along the collar bone.
    t = smoothMin(t, capsule(side, y, z, [40, -96, -4], [13, -212, 20], 7, 6), 16);
    t = smoothMin(t, capsule(side, y, z, [15, -217, 28], [112, -218, -14], 5.5, 6), 13);
    t += crease(Math.sqrt(x * x + (y + 212) ** 2 + (z - 26) ** 2), 3.5, 13);
  }
  const cut = ellipsoid(x, y + 190, z + 24, 172, 128, 118);
  return smoothMin(d, smoothMax(t, cut, 7), 26);
}

export interface PictureMesh {
  readonly positions: Float32Array;
  readonly normals: Float32Array;
  readonly triangles: Uint32Array;
  /** 0 in the dark, 1 open to the light. */
  readonly light: Float32Array;
  /** Distance above the hairline, mm, about; negative on bare skin. */
  readonly aboveHairlineMm: Float32Array;
}

/** Skin under the cap, this far inside the hairline, is never seen. */
const HIDDEN_INSIDE_MM = 14;

/** Everything that is drawn of her lies in it. */
export function bustBox(head: HeadShape) {
  const k = head.sizeMm / REFERENCE_SIZE_MM;
  return { min: [-182 * k, -326 * k, -146 * k], max: [182 * k, head.crownHeightMm + 8, 128 * k] } as const;
}

/** @param fineMm step of the lattice over lids and lips; over the ears half as much again */
export function bustMesh(head: HeadShape, line: Hairline, stepMm: number, fineMm = stepMm): PictureMesh {
  const body = bust(head);
  const net = surfaceNets(body.distance, latticeOver(bustBox(head), stepMm, fineBoxes(head, fineMm)));
  const n = net.positionsMm.length / 3;
  const positions = new Float32Array(3 * n);
  const normals = new Float32Array(3 * n);
  const light = new Float32Array(n);
  const aboveHairlineMm = new Float32Array(n);
  for (let v = 0; v < n; v++) {
    const p: [number, number, number] = [
      net.positionsMm[3 * v],
      net.positionsMm[3 * v + 1],
      net.positionsMm[3 * v + 2],
    ];
    const normal = gradient(body.distance, p);
    const d = body.distance(...p);
    for (let c = 0; c < 3; c++) p[c] -= d * normal[c];
    positions.set(p, 3 * v);
    normals.set(normal, 3 * v);
    light[v] = openness(body.distance, p, normal);
    const onEar = body.ear(...p) < 2;
    const r = Math.sqrt(p[0] * p[0] + p[1] * p[1] + p[2] * p[2]);
    aboveHairlineMm[v] = onEar || p[1] < -1.3 * head.sizeMm ? -100 : aboveHairline(line, ...p) * r;
  }
  const kept: number[] = [];
  for (let t = 0; t < net.triangles.length; t += 3) {
    const corners = [net.triangles[t], net.triangles[t + 1], net.triangles[t + 2]];
    if (corners.every((v) => aboveHairlineMm[v] > HIDDEN_INSIDE_MM)) continue;
    kept.push(...corners);
  }
  return { positions, normals, triangles: Uint32Array.from(kept), light, aboveHairlineMm };
}

function fineBoxes(head: HeadShape, fineMm: number) {
  const k = head.sizeMm / REFERENCE_SIZE_MM;
  const scaled = ([x, y, z]: Place): Place => [k * x, k * y, k * z];
  const [ex, ey, ez] = landmarks(head).earTop;
  const ear = (side: 1 | -1) => ({
    min: [side > 0 ? ex - 6 * k : -ex - 24 * k, ey - 60 * k, ez - 34 * k] as Place,
    max: [side > 0 ? ex + 24 * k : -ex + 6 * k, ey + 8 * k, ez + 20 * k] as Place,
    stepMm: 1.5 * fineMm,
  });
  return [{ min: scaled(FACE_BOX.min), max: scaled(FACE_BOX.max), stepMm: fineMm }, ear(1), ear(-1)];
}

function gradient(distance: Bust['distance'], [x, y, z]: Place): [number, number, number] {
  const h = 0.8;
  const gx = distance(x + h, y, z) - distance(x - h, y, z);
  const gy = distance(x, y + h, z) - distance(x, y - h, z);
  const gz = distance(x, y, z + h) - distance(x, y, z - h);
  const l = Math.sqrt(gx * gx + gy * gy + gz * gz) || 1;
  return [gx / l, gy / l, gz / l];
}

/** How much of the way out along the normal is free: five samples, nearer ones count more. */
export function openness(distance: Bust['distance'], p: Place, n: Place): number {
  let hidden = 0;
  let weight = 1;
  for (let i = 1; i <= 5; i++) {
    const h = 2.5 + i * i * 1.9;
    const d = distance(p[0] + n[0] * h, p[1] + n[1] * h, p[2] + n[2] * h);
    hidden += (Math.max(0, h - d / 0.86) * weight * 0.5) / h;
    weight *= 0.72;
  }
  return Math.min(1, Math.max(0.18, 1 - hidden));
}
