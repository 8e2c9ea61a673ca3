/**
 * The hair-bearing scalp as a triangle mesh: a geodesic sphere of directions, cut along the hairline and
 * pushed out to the head's surface.
 */
import { buildSurfaceMesh, type Icosphere, type SurfaceMesh } from '../geometry/index.ts';
import { aboveHairline, type Hairline } from './hairline.ts';
import { type HeadShape, rayLength } from './shape.ts';

/** Shares of an edge and squared lengths on the unit sphere that differ by less are alike. */
const ALIKE = 1e-9;
/** A vertex nearer to the cut than this share of an edge is moved onto it instead of making a sliver. */
const SNAP_SHARE = 0.3;

export function scalpMesh(head: HeadShape, line: Hairline, sphere: Icosphere): SurfaceMesh {
  const { directions, triangles } = cutAtHairline(line, sphere);
  const positions = new Float64Array(directions.length);
  for (let i = 0; i < directions.length; i += 3) {
    const t = rayLength(head, 0, 0, 0, directions[i], directions[i + 1], directions[i + 2]);
    positions[i] = t * directions[i];
    positions[i + 1] = t * directions[i + 1];
    positions[i + 2] = t * directions[i + 2];
  }
  return buildSurfaceMesh(positions, triangles);
}

interface Preparation {
  readonly directions: number[];
  readonly above: Float64Array;
}

function cutAtHairline(line: Hairline, sphere: Icosphere) {
  const cut: Preparation = { directions: Array.from(sphere.directions), above: heights(line, sphere.directions) };
  snapVertices(line, sphere, cut);
  const kept: number[] = [];
  const crossings = new Map<number, number>();
  const n = cut.above.length;
  const crossing = (inside: number, outside: number): number => {
    const key = inside * n + outside;
    let id = crossings.get(key);
    if (id === undefined) {
      id = cut.directions.length / 3;
      cut.directions.push(...crossingDirection(line, cut, inside, outside));
      crossings.set(key, id);
    }
    return id;
  };
  for (let t = 0; t < sphere.triangles.length; t += 3) {
    const corner = [sphere.triangles[t], sphere.triangles[t + 1], sphere.triangles[t + 2]];
    keepInside(corner, cut, crossing, kept);
  }
  return compact(cut.directions, kept);
}

function heights(line: Hairline, d: Float64Array): Float64Array {
  const above = new Float64Array(d.length / 3);
  for (let v = 0; v < above.length; v++) above[v] = aboveHairline(line, d[3 * v], d[3 * v + 1], d[3 * v + 2]);
  return above;
}

/** Moves every vertex that lies close to the cut onto it, along the edge that reaches it soonest. */
function snapVertices(line: Hairline, sphere: Icosphere, cut: Preparation) {
  const n = cut.above.length;
  const share = new Float64Array(n).fill(SNAP_SHARE);
  /** By vertex: where the edges that reach the cut soonest meet it; in the middle of a head two do. */
  const targets = new Map<number, Map<number, number[]>>();
  for (let i = 0; i < sphere.triangles.length; i++) {
    const t = 3 * ((i / 3) | 0);
    const a = sphere.triangles[i];
    const b = sphere.triangles[t + ((i + 1) % 3)];
    if (cut.above[a] > 0 === cut.above[b] > 0) continue;
    const at = crossingShare(line, cut, a, b);
    for (const [v, far, s] of [
      [a, b, at],
      [b, a, 1 - at],
    ] as const) {
      if (s >= share[v] + ALIKE || s >= SNAP_SHARE) continue;
      if (s < share[v] - ALIKE) targets.set(v, new Map());
      share[v] = Math.min(share[v], s);
      targets.get(v)?.set(far, interpolate(cut.directions, a, b, at));
    }
  }
  for (const [v, reached] of targets) {
    const d = middleOf([...reached.values()]);
    for (let k = 0; k < 3; k++) cut.directions[3 * v + k] = d[k];
    cut.above[v] = 0;
  }
}

/** In the midst of directions. */
function middleOf(directions: ReadonlyArray<ArrayLike<number>>): number[] {
  const sum = [0, 1, 2].map((k) => directions.reduce((all, d) => all + d[k], 0));
  const length = Math.sqrt(sum[0] ** 2 + sum[1] ** 2 + sum[2] ** 2);
  return sum.map((x) => x / length);
}

/** Share of the way from a to b at which the hairline is crossed, by bisection with false position. */
function crossingShare(line: Hairline, cut: Preparation, a: number, b: number): number {
  let lo = 0;
  let hi = 1;
  let fLo = cut.above[a];
  let fHi = cut.above[b];
  for (let k = 0; k < 40; k++) {
    const t = k % 3 === 2 ? (lo + hi) / 2 : (fLo * hi - fHi * lo) / (fLo - fHi);
    const d = interpolate(cut.directions, a, b, t);
    const f = aboveHairline(line, d[0], d[1], d[2]);
    if (Math.abs(f) < 1e-7) return t;
    if (f > 0 === fLo > 0) {
      lo = t;
      fLo = f;
    } else {
      hi = t;
      fHi = f;
    }
  }
  return (lo + hi) / 2;
}

function crossingDirection(line: Hairline, cut: Preparation, inside: number, outside: number): number[] {
  return interpolate(cut.directions, inside, outside, crossingShare(line, cut, inside, outside));
}

function interpolate(d: ArrayLike<number>, a: number, b: number, t: number): number[] {
  const x = d[3 * a] + t * (d[3 * b] - d[3 * a]);
  const y = d[3 * a + 1] + t * (d[3 * b + 1] - d[3 * a + 1]);
  const z = d[3 * a + 2] + t * (d[3 * b + 2] - d[3 * a + 2]);
  const l = Math.sqrt(x * x + y * y + z * z);
  return [x / l, y / l, z / l];
}

/** Writes the part of a triangle that lies above the hairline; vertices on the line count as inside. */
function keepInside(
  corner: number[],
  { above, directions }: Preparation,
  crossing: (inside: number, outside: number) => number,
  out: number[],
) {
  const inside = corner.map((v) => above[v] >= 0);
  const strictly = corner.filter((v) => above[v] > 0).length;
  if (strictly === 0) return;
  if (inside.every(Boolean)) {
    out.push(...corner);
    return;
  }
  const polygon: number[] = [];
  for (let e = 0; e < 3; e++) {
    const a = corner[e];
    const b = corner[(e + 1) % 3];
    if (inside[e]) polygon.push(a);
    if (above[a] > 0 && above[b] < 0) polygon.push(crossing(a, b));
    if (above[a] < 0 && above[b] > 0) polygon.push(crossing(b, a));
  }
  out.push(...inTriangles(polygon, directions));
}

/** A quadrangle is cut along its shorter diagonal, so that both sides of a head are alike; where neither is, from its middle. */
function inTriangles(polygon: readonly number[], directions: number[]): number[] {
  const [p, q, r, s] = polygon;
  if (s === undefined) return [p, q, r];
  const longer = apart(directions, p, r) - apart(directions, q, s);
  if (longer > ALIKE) return [q, r, s, q, s, p];
  if (longer < -ALIKE) return [p, q, r, p, r, s];
  const middle = directions.length / 3;
  directions.push(...middleOf(polygon.map((v) => directions.slice(3 * v, 3 * v + 3))));
  return polygon.flatMap((v, i) => [v, polygon[(i + 1) % 4], middle]);
}

/** Square of how far two directions lie apart. */
function apart(d: ArrayLike<number>, a: number, b: number): number {
  return (d[3 * a] - d[3 * b]) ** 2 + (d[3 * a + 1] - d[3 * b + 1]) ** 2 + (d[3 * a + 2] - d[3 * b + 2]) ** 2;
}

function compact(directions: number[], kept: number[]) {
  const renamed = new Int32Array(directions.length / 3).fill(-1);
  const out: number[] = [];
  const triangles = Uint32Array.from(kept, (v) => {
    if (renamed[v] < 0) {
      renamed[v] = out.length / 3;
      out.push(directions[3 * v], directions[3 * v + 1], directions[3 * v + 2]);
    }
    return renamed[v];
  });
  return { directions: Float64Array.from(out), triangles };
}
