/** Two looks held against each other, at every vertex of the second head; the first is read at the place in the same direction. */
import type { PictureMesh } from '../head/index.ts';

/** Share that shows at every vertex of a drawn head. */
export interface ShownOnHead {
  readonly shows: Float32Array;
  readonly cap: Pick<PictureMesh, 'positions'>;
}

/** @returns what shows more (positive) or less in the second, at each of its vertices */
export function lookDifference(first: ShownOnHead, second: ShownOnHead): Float32Array {
  const same = samePlaces(first.cap.positions, second.cap.positions);
  const from = same ? undefined : new DirectionIndex(first.cap.positions);
  return second.shows.map((s, v) => {
    const at = from ? from.nearest(second.cap.positions, v) : v;
    return s - first.shows[at];
  });
}

/** Heads of the same tape have the same vertices. */
function samePlaces(a: Float32Array, b: Float32Array): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i += 97) if (Math.abs(a[i] - b[i]) > 0.01) return false;
  return true;
}

/** Vertices sorted into a grid over the sphere of directions. */
class DirectionIndex {
  private readonly cells = new Map<number, number[]>();

  constructor(private readonly positions: Float32Array) {
    for (let v = 0; v < positions.length / 3; v++) {
      const key = this.cell(...unitAt(positions, v));
      const cell = this.cells.get(key);
      if (cell) cell.push(v);
      else this.cells.set(key, [v]);
    }
  }

  nearest(positions: Float32Array, v: number): number {
    const [x, y, z] = unitAt(positions, v);
    let best = 0;
    let most = Number.NEGATIVE_INFINITY;
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (let k = -1; k <= 1; k++)
          for (const u of this.cells.get(this.cell(x + i / GRID, y + j / GRID, z + k / GRID)) ?? []) {
            const [ux, uy, uz] = unitAt(this.positions, u);
            const along = x * ux + y * uy + z * uz;
            if (along > most) {
              most = along;
              best = u;
            }
          }
    return best;
  }

  private cell(x: number, y: number, z: number): number {
    const at = (c: number) => Math.floor((c + 1.2) * GRID);
    return at(x) + 64 * (at(y) + 64 * at(z));
  }
}
const GRID = 20;

function unitAt(p: Float32Array, v: number): [number, number, number] {
  const l = Math.sqrt(p[3 * v] ** 2 + p[3 * v + 1] ** 2 + p[3 * v + 2] ** 2);
  return [p[3 * v] / l, p[3 * v + 1] / l, p[3 * v + 2] / l];
}
