/** Where parked hair stands too high, and which sections make it. */
import { pointAt } from '../../geometry/index.ts';
import type { Point } from '../../head/index.ts';
import type { BaseContext } from '../context.ts';
import { placeWords } from '../sections/lines.ts';
import type { SectionMap } from '../sections/section-map.ts';
import type { Deposit } from './deposit.ts';

/** Higher than this the net and the rows above can't hide it: about a finger's thickness (guess). */
export const LUMP_MM = 15;

export interface Lump {
  readonly vertex: number;
  readonly atMm: Point;
  /** Where that is, in her fingers. */
  readonly words: string;
  readonly heightMm: number;
  readonly areaMm2: number;
  /** Sections that make it, the largest share first. */
  readonly sections: readonly number[];
}

export function findLumps(
  ground: BaseContext,
  map: SectionMap,
  height: Float64Array,
  deposits: readonly Deposit[],
): Lump[] {
  const { mesh } = ground;
  const seen = new Uint8Array(height.length);
  const lumps: Lump[] = [];
  for (let start = 0; start < height.length; start++) {
    if (seen[start] || height[start] <= LUMP_MM) continue;
    const vertices = [start];
    seen[start] = 1;
    for (let i = 0; i < vertices.length; i++) {
      for (let k = mesh.neighbourStart[vertices[i]]; k < mesh.neighbourStart[vertices[i] + 1]; k++) {
        const u = mesh.neighbours[k];
        if (seen[u] || height[u] <= LUMP_MM) continue;
        seen[u] = 1;
        vertices.push(u);
      }
    }
    const top = vertices.reduce((a, b) => (height[b] > height[a] ? b : a));
    lumps.push({
      vertex: top,
      atMm: pointAt(mesh.positionsMm, top),
      words: placeWords(ground, pointAt(mesh.positionsMm, top)),
      heightMm: height[top],
      areaMm2: vertices.reduce((sum, v) => sum + mesh.vertexAreasMm2[v], 0),
      sections: makers(vertices, map, deposits, height.length),
    });
  }
  return lumps.sort((a, b) => b.heightMm - a.heightMm);
}

function makers(vertices: readonly number[], map: SectionMap, deposits: readonly Deposit[], count: number): number[] {
  const isHere = new Uint8Array(count);
  for (const v of vertices) isHere[v] = 1;
  const shares = deposits.map((d) => {
    let sum = 0;
    for (let i = 0; i < d.vertices.length; i++) sum += isHere[d.vertices[i]] * d.volumeMm3[i];
    return sum;
  });
  const most = Math.max(...shares);
  return map.sections
    .map((_, i) => i)
    .filter((i) => shares[i] > 0.1 * most)
    .sort((a, b) => shares[b] - shares[a]);
}
