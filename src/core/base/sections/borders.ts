/** Lines between sections, walked along the triangles where the labels change, and smoothed. */
import { polylineLength, type SurfaceMesh } from '../../geometry/index.ts';
import { lineKey, type SectionMap } from './section-map.ts';

export interface Border {
  readonly key: string;
  /** Section ids; a is named first in the key. */
  readonly a: string;
  readonly b: string;
  /** From the front to the back, or from her left to her right; xyz interleaved, mm. */
  readonly pointsMm: Float32Array;
  readonly lengthMm: number;
  readonly closed: boolean;
}

/** Edge midpoints zigzag by half an edge; so many passes of (1 2 1)/4 lay them straight. */
const SMOOTHING = 6;

interface Nodes {
  readonly points: number[];
  /** Node of each crossed edge, by its lower triangle-edge index. */
  readonly ofEdge: Map<number, number>;
}

/** Every line, the longest of a pair first. Where three sections meet, their lines share that point. */
export function borders(mesh: SurfaceMesh, map: SectionMap): Border[] {
  const { labels, sections } = map;
  const nodes: Nodes = { points: [], ofEdge: new Map() };
  const segments = new Map<number, number[]>();
  const count = sections.length;
  const add = (a: number, b: number, from: number, to: number) => {
    const key = a < b ? a * count + b : b * count + a;
    const list = segments.get(key);
    if (list) list.push(from, to);
    else segments.set(key, [from, to]);
  };
  for (let t = 0; t < mesh.triangleCount; t++) {
    const c = [mesh.triangles[3 * t], mesh.triangles[3 * t + 1], mesh.triangles[3 * t + 2]];
    const l = [labels[c[0]], labels[c[1]], labels[c[2]]];
    if (l[0] === l[1] && l[1] === l[2]) continue;
    const crossing = [0, 1, 2].filter((e) => l[e] !== l[(e + 1) % 3]);
    const node = (e: number) => edgeNode(mesh, nodes, 3 * t + e);
    if (crossing.length === 2) {
      const [e, f] = crossing;
      add(l[e], l[(e + 1) % 3], node(e), node(f));
    } else {
      const middle = nodes.points.length / 3;
      nodes.points.push(...mean(mesh.positionsMm, c));
      for (const e of crossing) add(l[e], l[(e + 1) % 3], node(e), middle);
    }
  }
  return [...segments].flatMap(([key, pairs]) => {
    const ids = [sections[Math.floor(key / count)].id, sections[key % count].id].sort();
    return chains(pairs)
      .map((chain) => border(nodes, chain, ids[0], ids[1]))
      .sort((x, y) => y.lengthMm - x.lengthMm);
  });
}

function edgeNode(mesh: SurfaceMesh, nodes: Nodes, edge: number): number {
  const t = (edge / 3) | 0;
  const a = mesh.triangles[edge];
  const b = mesh.triangles[3 * t + ((edge + 1) % 3)];
  const key = a < b ? a * mesh.vertexCount + b : b * mesh.vertexCount + a;
  let node = nodes.ofEdge.get(key);
  if (node === undefined) {
    node = nodes.points.length / 3;
    nodes.points.push(...mean(mesh.positionsMm, [a, b]));
    nodes.ofEdge.set(key, node);
  }
  return node;
}

function mean(p: Float64Array, vertices: readonly number[]): [number, number, number] {
  const sum: [number, number, number] = [0, 0, 0];
  for (const v of vertices) for (let k = 0; k < 3; k++) sum[k] += p[3 * v + k] / vertices.length;
  return sum;
}

/** Segments as from, to, from, to … joined end to end. */
function chains(pairs: readonly number[]): number[][] {
  const next = new Map<number, number[]>();
  for (let i = 0; i < pairs.length; i += 2) {
    for (const [from, to] of [
      [pairs[i], pairs[i + 1]],
      [pairs[i + 1], pairs[i]],
    ]) {
      const list = next.get(from);
      if (list) list.push(to);
      else next.set(from, [to]);
    }
  }
  const done = new Set<number>();
  const walk = (start: number): number[] => {
    const chain = [start];
    done.add(start);
    for (let here = start; ; ) {
      const to = next.get(here)?.find((n) => !done.has(n));
      if (to === undefined) break;
      chain.push(to);
      done.add(to);
      here = to;
    }
    // A ring comes back to its start.
    if (chain.length > 2 && next.get(chain[chain.length - 1])?.includes(start)) chain.push(start);
    return chain;
  };
  const ends = [...next.keys()].filter((n) => (next.get(n) as number[]).length !== 2);
  const out: number[][] = [];
  for (const n of [...ends, ...next.keys()]) if (!done.has(n)) out.push(walk(n));
  return out.filter((chain) => chain.length > 1);
}

function border({ points }: Nodes, chain: readonly number[], a: string, b: string): Border {
  const n = chain.length;
  const closed = chain[0] === chain[n - 1];
  let p = new Float64Array(3 * n);
  for (let i = 0; i < n; i++) for (let k = 0; k < 3; k++) p[3 * i + k] = points[3 * chain[i] + k];
  for (let pass = 0; pass < SMOOTHING; pass++) p = smoothed(p);
  const forwards = runsForwards(p);
  const pointsMm = new Float32Array(3 * n);
  for (let i = 0; i < n; i++) {
    const from = forwards ? i : n - 1 - i;
    for (let k = 0; k < 3; k++) pointsMm[3 * i + k] = p[3 * from + k];
  }
  return { key: lineKey(a, b), a, b, pointsMm, lengthMm: polylineLength(p), closed };
}

function smoothed(p: Float64Array): Float64Array<ArrayBuffer> {
  const out = new Float64Array(p);
  for (let i = 3; i < p.length - 3; i++) out[i] = (p[i - 3] + 2 * p[i] + p[i + 3]) / 4;
  return out;
}

/** Front to back where it runs more that way; else from her left to her right. */
function runsForwards(p: Float64Array): boolean {
  const end = p.length - 3;
  const back = p[2] - p[end + 2];
  const aside = p[0] - p[end];
  return Math.abs(back) > Math.abs(aside) ? back >= 0 : aside >= 0;
}
