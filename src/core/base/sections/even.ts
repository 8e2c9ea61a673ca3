/**
 * Even bites: sections of equal hair mass, by moving the lines between them and no others. How much has to
 * cross each line is the least total that evens the masses out (the flow along a potential on the graph of
 * neighbours); then every line is moved sideways until that much has crossed. Repeated, since a line that moves
 * takes hair of another density with it.
 */

import type { SurfaceMesh } from '../../geometry/index.ts';
import { identity, solveSymmetric } from '../../numerics/index.ts';
import type { BaseContext } from '../context.ts';
import { borderPoints } from './line-distance.ts';
import { keepConnected, lineKey, type SectionMap } from './section-map.ts';

/** Masses within this share of each other count as even. */
export const EVEN_TOLERANCE = 0.03;
const GOAL = 0.008;
const ROUNDS = 24;

export function evenBites(ground: BaseContext, map: SectionMap, locked: ReadonlySet<string>): SectionMap {
  const labels = map.labels.slice();
  let best = labels.slice();
  let least = Number.POSITIVE_INFINITY;
  for (let round = 0; round < ROUNDS; round++) {
    const masses = sectionMasses(labels, ground.massG, map.sections.length);
    const lines = openLines(ground.mesh, labels, map, locked);
    const groups = groupsOf(lines, map.sections.length);
    const off = unevenness(masses, groups);
    if (off < least) {
      least = off;
      best = labels.slice();
    }
    if (off < GOAL || lines.length === 0) break;
    const members = membersOf(labels, map.sections.length);
    for (const { a, b, massG } of flows(masses, lines, groups)) shift(ground, labels, members, a, b, massG);
    keepConnected(ground.mesh, labels);
  }
  return { ...map, labels: best };
}

/** Worst departure from the mean of its group, as a share. */
export function unevenness(masses: ArrayLike<number>, groups: ReadonlyArray<readonly number[]>): number {
  let worst = 0;
  for (const group of groups) {
    const mean = group.reduce((sum, i) => sum + masses[i], 0) / group.length;
    for (const i of group) worst = Math.max(worst, Math.abs(masses[i] / mean - 1));
  }
  return worst;
}

export function sectionMasses(labels: Int32Array, massG: Float64Array, count: number): Float64Array {
  const masses = new Float64Array(count);
  for (let v = 0; v < labels.length; v++) masses[labels[v]] += massG[v];
  return masses;
}

type Line = readonly [a: number, b: number];

/** Neighbours whose line is neither locked nor borders hair in sight. */
export function openLines(mesh: SurfaceMesh, labels: Int32Array, map: SectionMap, locked: ReadonlySet<string>): Line[] {
  const count = map.sections.length;
  const touching = new Map<number, number>();
  for (let v = 0; v < labels.length; v++) {
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const a = labels[v];
      const b = labels[mesh.neighbours[k]];
      if (a < b) touching.set(a * count + b, (touching.get(a * count + b) ?? 0) + 1);
    }
  }
  const isBase = (i: number) => map.sections[i].role === 'base';
  // Corners that barely touch are no line to move.
  return [...touching]
    .filter(([, edges]) => edges > 4)
    .map(([key]): Line => [Math.floor(key / count), key % count])
    .filter(([a, b]) => isBase(a) && isBase(b) && !locked.has(lineKey(map.sections[a].id, map.sections[b].id)));
}

/** Sections that can trade hair through open lines. */
export function groupsOf(lines: readonly Line[], count: number): number[][] {
  const group = Int32Array.from({ length: count }, (_, i) => i);
  const root = (i: number): number => {
    let r = i;
    while (group[r] !== r) r = group[r];
    return r;
  };
  for (const [a, b] of lines) group[root(a)] = root(b);
  const members = new Map<number, number[]>();
  for (let i = 0; i < count; i++) members.set(root(i), [...(members.get(root(i)) ?? []), i]);
  return [...members.values()].filter((m) => m.length > 1);
}

/** Mass that has to go from a to b over each line: differences of a potential that solves the graph Laplacian. */
function flows(masses: Float64Array, lines: readonly Line[], groups: ReadonlyArray<readonly number[]>) {
  const n = masses.length;
  const surplus = new Float64Array(n);
  for (const group of groups) {
    const mean = group.reduce((sum, i) => sum + masses[i], 0) / group.length;
    for (const i of group) surplus[i] = masses[i] - mean;
  }
  // A Laplacian has no inverse; a trace on its diagonal gives the least potential that evens the masses out.
  const laplacian = identity(n, 1e-6);
  for (const [a, b] of lines) {
    laplacian[a * n + a]++;
    laplacian[b * n + b]++;
    laplacian[a * n + b]--;
    laplacian[b * n + a]--;
  }
  const potential = solveSymmetric(laplacian, surplus, n);
  return lines.map(([a, b]) => ({ a, b, massG: potential[a] - potential[b] }));
}

/** Vertices of every section as a round begins. */
function membersOf(labels: Int32Array, count: number): number[][] {
  const members: number[][] = Array.from({ length: count }, () => []);
  for (let v = 0; v < labels.length; v++) members[labels[v]].push(v);
  return members;
}

/** Hands over so much mass from a to b (from b to a where negative), nearest to their line first. */
function shift(
  ground: BaseContext,
  labels: Int32Array,
  members: readonly number[][],
  a: number,
  b: number,
  massG: number,
) {
  const from = massG > 0 ? a : b;
  const to = massG > 0 ? b : a;
  const border = borderPoints(ground.mesh, labels, a, b, members[a]);
  if (border.count === 0) return;
  const candidates: Array<{ v: number; d: number }> = [];
  for (const v of members[from]) {
    if (labels[v] === from) candidates.push({ v, d: border.nearest(v).distanceMm });
  }
  candidates.sort((x, y) => x.d - y.d);
  // A section is never emptied in one go.
  let left = Math.min(Math.abs(massG), 0.5 * candidates.reduce((sum, c) => sum + ground.massG[c.v], 0));
  for (const { v } of candidates) {
    if (left < ground.massG[v] / 2) break;
    labels[v] = to;
    left -= ground.massG[v];
  }
}
