/** The scalp in a few hundred cells of about a square centimetre and a half: coarse enough to follow hair from each to all others at once. */
import type { SurfaceMesh } from '../geometry/index.ts';

export interface Cells {
  readonly count: number;
  /** Vertex nearest to the middle of each. */
  readonly middles: Int32Array;
  /** Cell of every vertex. */
  readonly of: Int32Array;
  readonly areasMm2: Float64Array;
}

/** Edge of the cubes that cut the scalp into cells, mm. */
const EDGE_MM = 15;
/** More than a head has of them to any side. */
const SIDE = 128;

export function scalpCells({ positionsMm: p, vertexCount, vertexAreasMm2 }: SurfaceMesh): Cells {
  const cellOf = new Map<number, number>();
  const of = new Int32Array(vertexCount);
  const middles: number[] = [];
  const nearest: number[] = [];
  const areas: number[] = [];
  const cube = (mm: number) => Math.round(mm / EDGE_MM);
  for (let v = 0; v < vertexCount; v++) {
    const [x, y, z] = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
    const [i, j, k] = [cube(x), cube(y), cube(z)];
    const key = i + SIDE / 2 + SIDE * (j + SIDE / 2 + SIDE * (k + SIDE / 2));
    const away = (x - i * EDGE_MM) ** 2 + (y - j * EDGE_MM) ** 2 + (z - k * EDGE_MM) ** 2;
    let cell = cellOf.get(key);
    if (cell === undefined) {
      cell = middles.length;
      cellOf.set(key, cell);
      middles.push(v);
      nearest.push(away);
      areas.push(0);
    } else if (away < nearest[cell]) {
      middles[cell] = v;
      nearest[cell] = away;
    }
    of[v] = cell;
    areas[cell] += vertexAreasMm2[v];
  }
  return { count: middles.length, middles: Int32Array.from(middles), of, areasMm2: Float64Array.from(areas) };
}
