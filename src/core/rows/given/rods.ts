/** Pieces along threaded rods, which hang from their roots. */

import type { Section } from '../../base/index.ts';
import { curveFromPoints, type SurfaceMesh, type Vec3 } from '../../geometry/index.ts';
import { asin, cos, sin } from '../../numerics/index.ts';
import type { Row } from '../levels/row.ts';
import { even } from './along.ts';

/** Where on each rod pieces go, as shares of its length from the root (common practice, no source). */
const ROD_SHARES = { root: [0, 0.34], along: [0, 1], tip: [0.66, 1] } as const;

/** Rods hang from their roots: a row for each, a piece every so many mm of the stretch that is used. */
export function rodRows(
  mesh: SurfaceMesh,
  sections: readonly Section[],
  where: keyof typeof ROD_SHARES,
  pitchMm: number,
  isClosed: (vertex: number) => boolean,
): Row[] {
  const [from, to] = ROD_SHARES[where];
  const rods = sections.filter((s) => s.role === 'base');
  return rods.flatMap((rod, i): Row[] => {
    const lengthMm = Math.max(LEAST_ROD_MM, rod.tailLengthMm);
    const start = from * lengthMm;
    const used = (to - from) * lengthMm;
    const count = Math.max(1, Math.floor(used / pitchMm + 0.5));
    const way: number[] = [];
    const arcs: number[] = [];
    for (let k = 0; k < count; k++) arcs.push(start + (used * (k + 0.5)) / count);
    for (const arc of [0, ...arcs, lengthMm]) way.push(...hangs(rod.tieMm, arc));
    const curve = curveFromPoints(mesh, Float64Array.from(way));
    if (isClosed(curve.fromVertex[0])) return [];
    // Every field of a rod is that of its root.
    const root = curve.fromVertex.fill(curve.fromVertex[0]);
    return [
      {
        quarter: 4 * (rods.length - 1 - i),
        kind: 'given',
        curve: { ...curve, fromVertex: root, toVertex: root },
        gapRatio: even(curve),
        besidePart: false,
        placesMm: Array.from(curve.arcMm).slice(1, -1),
      },
    ];
  });
}

const LEAST_ROD_MM = 20;

/** A rod lies over the head down to about the ears and hangs free from there, rad above the level of the ears. */
const FREE_BELOW = -0.2;

/** It lies on the hair below it, mm (guess). */
const STANDS_OFF_MM = 4;

/** Where a rod is, so far from its root: down over the head as the crow flies, then straight down. */
function hangs([x, y, z]: Vec3, arc: number): Vec3 {
  const r = Math.sqrt(x * x + y * y + z * z);
  const flat = Math.sqrt(x * x + z * z);
  const elevation = asin(y / r);
  const turn = Math.min(arc / r, Math.max(0, elevation - FREE_BELOW));
  const e = elevation - turn;
  const out = arc > 0 ? r + STANDS_OFF_MM : r;
  const aside = flat > 0 ? (out * cos(e)) / flat : 0;
  return [x * aside, out * sin(e) - (arc - turn * r), flat > 0 ? z * aside : -out * cos(e)];
}
