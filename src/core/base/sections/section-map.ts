/**
 * Sections as a labelling of the scalp: every vertex carries the index of exactly one section, so that they
 * tile by construction. Generators and edits only hand vertices from one section to another.
 */
import type { SurfaceMesh } from '../../geometry/index.ts';
import type { DirectionDeg } from '../../head/index.ts';

export type SectionRole = 'base' | 'inSight';

export interface SectionSeed {
  readonly id: string;
  readonly name: string;
  readonly role: SectionRole;
  /** Where it is tied; the middle of its hair if left out. */
  readonly tie?: DirectionDeg;
  /** How its row runs, where she entered it; else along the middle of the section. */
  readonly way?: readonly DirectionDeg[];
  /** Ring of boxes that it belongs to, from the edge, from 1. */
  readonly ring?: number;
}

export interface SectionMap {
  /** Index into `sections` of every vertex. */
  readonly labels: Int32Array;
  readonly sections: readonly SectionSeed[];
  /** Rises along rows that lie on the scalp from front to nape, for the families that have such rows. */
  readonly along?: Float64Array;
}

/** Smallest section that is worth a band, mm²: about a fingertip (common practice). */
export const LEAST_SECTION_MM2 = 60;

/** Vertices cut in rising order of the key into parcels of the given shares of weight. */
export function divide(
  vertices: readonly number[],
  key: ArrayLike<number>,
  weight: ArrayLike<number>,
  shares: readonly number[],
): number[][] {
  const sorted = [...vertices].sort((a, b) => key[a] - key[b]);
  let total = 0;
  for (const v of sorted) total += weight[v];
  const all = shares.reduce((a, b) => a + b, 0);
  const ends: number[] = [];
  shares.reduce((sum, s, i) => {
    ends[i] = ((sum + s) / all) * total;
    return sum + s;
  }, 0);
  const parcels: number[][] = shares.map(() => []);
  let walked = 0;
  let parcel = 0;
  for (const v of sorted) {
    while (parcel < shares.length - 1 && walked + weight[v] / 2 > ends[parcel]) parcel++;
    parcels[parcel].push(v);
    walked += weight[v];
  }
  return parcels;
}

export const evenShares = (count: number): number[] => new Array(count).fill(1);

export function verticesOf(labels: Int32Array, label: number): number[] {
  const out: number[] = [];
  for (let v = 0; v < labels.length; v++) if (labels[v] === label) out.push(v);
  return out;
}

/**
 * Joins what fell apart: a section keeps its largest connected piece, every other piece goes to the section it
 * touches most. In place.
 */
export function keepConnected(mesh: SurfaceMesh, labels: Int32Array, known?: readonly Piece[]) {
  for (let pass = 0; pass < 4; pass++) {
    const pieces = pass === 0 && known ? known : connectedPieces(mesh, labels);
    const largest = new Map<number, number>();
    pieces.forEach((piece, i) => {
      const best = largest.get(piece.label);
      if (best === undefined || piece.vertices.length > pieces[best].vertices.length) largest.set(piece.label, i);
    });
    const strays = pieces.filter((piece, i) => largest.get(piece.label) !== i);
    if (strays.length === 0) return;
    for (const stray of strays) {
      const into = mostTouched(mesh, labels, stray.vertices, stray.label);
      if (into >= 0) for (const v of stray.vertices) labels[v] = into;
    }
  }
}

export interface Piece {
  readonly label: number;
  readonly vertices: readonly number[];
}

export function connectedPieces(mesh: SurfaceMesh, labels: Int32Array): Piece[] {
  const seen = new Uint8Array(labels.length);
  const pieces: Piece[] = [];
  for (let start = 0; start < labels.length; start++) {
    if (seen[start]) continue;
    const label = labels[start];
    const vertices = [start];
    seen[start] = 1;
    for (let i = 0; i < vertices.length; i++) {
      const v = vertices[i];
      for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
        const u = mesh.neighbours[k];
        if (seen[u] || labels[u] !== label) continue;
        seen[u] = 1;
        vertices.push(u);
      }
    }
    pieces.push({ label, vertices });
  }
  return pieces;
}

function mostTouched(mesh: SurfaceMesh, labels: Int32Array, vertices: readonly number[], own: number): number {
  const touches = new Map<number, number>();
  for (const v of vertices) {
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const label = labels[mesh.neighbours[k]];
      if (label !== own) touches.set(label, (touches.get(label) ?? 0) + 1);
    }
  }
  let best = -1;
  let most = 0;
  for (const [label, count] of touches) {
    if (count > most) {
      most = count;
      best = label;
    }
  }
  return best;
}

/** Drops sections without vertices and renumbers the rest. */
export function compactSections(map: SectionMap): SectionMap {
  const used = new Uint8Array(map.sections.length);
  for (const label of map.labels) used[label] = 1;
  if (used.every(Boolean)) return map;
  const renamed = new Int32Array(map.sections.length);
  let next = 0;
  for (let i = 0; i < used.length; i++) renamed[i] = used[i] ? next++ : -1;
  return {
    ...map,
    labels: map.labels.map((label) => renamed[label]),
    sections: map.sections.filter((_, i) => used[i]),
  };
}

/** Line between two sections, named alike from either side. */
export function lineKey(a: string, b: string): string {
  return a < b ? `${a}|${b}` : `${b}|${a}`;
}
