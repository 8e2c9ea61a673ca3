/**
 * What one sees round the fitted head: face, ears, neck and shoulders as smooth unions of ellipsoids and
 * capsules. Decoration, so that she knows where she is; nothing is computed from it. Radii by eye, mm on a
 * head of prior size. Smooth minimum: I. Quilez' polynomial form (k/4 at the join).
 */

import { smoothstep, surfaceNets } from '../geometry/index.ts';
import { cos, sin } from '../numerics/index.ts';
import { aboveHairline, type Hairline } from './hairline.ts';
import { landmarks } from './landmarks.ts';
import { REFERENCE_SIZE_MM } from './parameters.ts';
import { gauge, type HeadShape } from './shape.ts';

type V3 = readonly [number, number, number];

function smoothMin(a: number, b: number, k: number): number {
  const h = Math.max(0, k - Math.abs(a - b)) / k;
  return Math.min(a, b) - h * h * k * 0.25;
}
const smoothMax = (a: number, b: number, k: number) => -smoothMin(-a, -b, k);

function ellipsoid(x: number, y: number, z: number, a: number, b: number, c: number): number {
  const k0 = Math.sqrt((x / a) ** 2 + (y / b) ** 2 + (z / c) ** 2);
  const k1 = Math.sqrt((x / (a * a)) ** 2 + (y / (b * b)) ** 2 + (z / (c * c)) ** 2);
  return k1 < 1e-9 ? -Math.min(a, b, c) : (k0 * (k0 - 1)) / k1;
}

function capsule(x: number, y: number, z: number, a: V3, b: V3, ra: number, rb: number): number {
  const bx = b[0] - a[0];
  const by = b[1] - a[1];
  const bz = b[2] - a[2];
  const px = x - a[0];
  const py = y - a[1];
  const pz = z - a[2];
  const h = Math.min(1, Math.max(0, (px * bx + py * by + pz * bz) / (bx * bx + by * by + bz * bz)));
  return Math.sqrt((px - bx * h) ** 2 + (py - by * h) ** 2 + (pz - bz * h) ** 2) - (ra + (rb - ra) * h);
}

/** An ear that flares at its back edge: shell, lobe, hollow and the fold in front. */
function earDistance(x: number, y: number, z: number, earTop: V3): number {
  const X = Math.abs(x) - (earTop[0] + 5);
  const Y = y - (earTop[1] - 25);
  const Z = z - (earTop[2] - 7);
  const flare = 0.42;
  const lean = -0.2;
  const x1 = cos(flare) * X + sin(flare) * Z;
  const z1 = -sin(flare) * X + cos(flare) * Z;
  const y2 = cos(lean) * Y - sin(lean) * z1;
  const z2 = sin(lean) * Y + cos(lean) * z1;
  let d = ellipsoid(x1, y2 - 4, z2, 6, 27, 18);
  d = smoothMin(d, ellipsoid(x1, y2 + 20, z2 - 5, 5.5, 13, 9), 8);
  d = smoothMax(d, -ellipsoid(x1 - 7.4, y2 - 3, z2 - 1, 6, 21, 12.5), 4);
  return smoothMin(d, ellipsoid(x1 - 1, y2 - 2, z2 - 9, 4, 11, 4), 4);
}

export interface Bust {
  readonly distance: (x: number, y: number, z: number) => number;
  readonly ear: (x: number, y: number, z: number) => number;
}

export function bust(head: HeadShape): Bust {
  const k = head.sizeMm / REFERENCE_SIZE_MM;
  const mark = landmarks(head);
  const earTop: V3 = [mark.earTop[0] / k, mark.earTop[1] / k, mark.earTop[2] / k];
  const ear = (x: number, y: number, z: number) => earDistance(x / k, y / k, z / k, earTop) * k;
  const distance = (px: number, py: number, pz: number) => {
    const x = px / k;
    const y = py / k;
    const z = pz / k;
    const fromMiddle = Math.sqrt(px * px + py * py + pz * pz);
    let d = 1000;
    if (fromMiddle < 330 * k && y > -165) {
      const neck = smoothstep(-66, -135, y);
      const g = gauge(head, px * (1 + 0.16 * neck), py, pz > 0 ? pz : pz * (1 + 0.03 * neck));
      d = ((fromMiddle / k) * g * 0.86) / (1 + g);
      if (y < -120) d = smoothMax(d, -150 - y, 30);
    }
    // Parts whose smooth join can't reach this place are left out; that saves most of the time.
    if (z > -50 && y < 70) {
      d = smoothMin(d, ellipsoid(x, y + 44, z - 44, 61, 66, 56), 26);
      d = smoothMin(d, ellipsoid(x, y + 92, z - 62, 30, 22, 32), 30);
      // Bridge, tip and wings of the nose, a hint of a chin: no eyes, no mouth.
      d = smoothMin(d, ellipsoid(x, y + 42, z - 101, 6.5, 24, 11), 10);
      d = smoothMin(d, ellipsoid(x, y + 60, z - 109, 8.5, 8, 9), 9);
      d = smoothMin(d, ellipsoid(Math.abs(x) - 9.5, y + 62, z - 102, 6, 6, 8), 8);
      d = smoothMin(d, ellipsoid(x, y + 106, z - 88, 16, 10, 9), 20);
    }
    if (y < -20) {
      d = smoothMin(d, capsule(x, y, z, [0, -95, -14], [0, -205, -34], 50, 56), 26);
      const aside = Math.sqrt(x * x + 420) - 6;
      d = smoothMin(d, capsule(aside, y, z, [16, -178, -46], [150, -246, -40], 38, 43), 66);
      d = smoothMin(d, ellipsoid(x, y + 304, z + 30, 150, 92, 74), 52);
    }
    if (Math.abs(x) > earTop[0] - 40 && y < earTop[1] + 50 && y > earTop[1] - 100) {
      d = smoothMin(d, earDistance(x, y, z, earTop), 5);
    }
    return d * k;
  };
  return { distance, ear };
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
  return { min: [-200 * k, -262 * k, -128 * k], max: [200 * k, head.crownHeightMm + 8, 128 * k] } as const;
}

export function bustMesh(head: HeadShape, line: Hairline, stepMm: number): PictureMesh {
  const body = bust(head);
  const net = surfaceNets(body.distance, bustBox(head), stepMm);
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
    let normal = gradient(body.distance, p);
    const d = body.distance(...p);
    for (let c = 0; c < 3; c++) p[c] -= d * normal[c];
    normal = gradient(body.distance, p);
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

function gradient(distance: Bust['distance'], [x, y, z]: V3): [number, number, number] {
  const h = 0.8;
  const gx = distance(x + h, y, z) - distance(x - h, y, z);
  const gy = distance(x, y + h, z) - distance(x, y - h, z);
  const gz = distance(x, y, z + h) - distance(x, y, z - h);
  const l = Math.sqrt(gx * gx + gy * gy + gz * gz) || 1;
  return [gx / l, gy / l, gz / l];
}

/** How much of the way out along the normal is free: five samples, nearer ones count more. */
export function openness(distance: Bust['distance'], p: V3, n: V3): number {
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
