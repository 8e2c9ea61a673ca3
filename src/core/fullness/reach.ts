/**
 * Where hair that is hooked in one cell comes to lie: how much scalp the strands of a piece hide, and what share of its
 * length lies, in every cell of the head. Followed as the look follows them, from the middle of each cell; kept cell by
 * cell, so that another piece in one zone follows only what hangs there.
 */
import { fullWidthAt, KERNEL_MEAN, type Ribbons, ribbonAngle, StrandTracer } from '../fall/index.ts';
import type { SurfaceMesh } from '../geometry/index.ts';
import type { Cells } from './cells.ts';

/** Of one piece hooked in a cell. */
export interface CellReach {
  /** Cells that it reaches, and the scalp that it hides in each of them, mm², ribbons over each other counted each. */
  readonly reaches: Uint16Array;
  readonly hidesMm2: Float64Array;
  /** Share of its hair that lies on the scalp. */
  readonly lies: number;
}

/** Of a fan so many strands are followed: the look of all of them to within half a point. */
const FOLLOWED = 4;

/** Belongs to one head and one way of falling. */
export class ReachStore {
  private readonly tracer: StrandTracer;
  private kept = new Map<string, CellReach>();

  constructor(
    private readonly mesh: SurfaceMesh,
    private readonly cells: Cells,
    ways: Float64Array,
  ) {
    this.tracer = new StrandTracer(mesh, ways);
  }

  /** @param ribbons of the piece hooked in each cell */
  of(ribbons: readonly Ribbons[]): CellReach[] {
    const fresh = new Map<string, CellReach>();
    const names = new Map([...new Set(ribbons)].map((r) => [r, keyOf(r)]));
    const all = ribbons.map((piece, cell) => {
      const key = `${cell} ${names.get(piece)}`;
      const known = this.kept.get(key) ?? this.follow(cell, piece);
      fresh.set(key, known);
      return known;
    });
    this.kept = fresh;
    return all;
  }

  private follow(cell: number, piece: Ribbons): CellReach {
    const { tracer, cells, mesh } = this;
    const hidesMm2 = new Float64Array(cells.count);
    const v = cells.middles[cell];
    const p = mesh.positionsMm;
    const strands = Math.min(FOLLOWED, piece.count);
    const hides = (piece.count / strands) * piece.widthMm * KERNEL_MEAN * piece.opacity;
    let lies = 0;
    for (let j = 0; j < strands; j++) {
      const angle = ribbonAngle({ count: strands, fanRad: piece.fanRad }, j);
      tracer.trace(p[3 * v], p[3 * v + 1], p[3 * v + 2], v, angle, piece.fanReachMm, piece.lengthMm);
      for (let i = 0; i < tracer.steps; i++) {
        const stepMm = tracer.arcMm[i + 1] - tracer.arcMm[i];
        const middleMm = tracer.arcMm[i] + stepMm / 2;
        hidesMm2[cells.of[tracer.middles[i]]] += hides * stepMm * fullWidthAt(piece, middleMm);
      }
      lies += tracer.arcMm[tracer.steps] / piece.lengthMm / strands;
    }
    const reaches: number[] = [];
    for (let to = 0; to < cells.count; to++) if (hidesMm2[to] > 0) reaches.push(to);
    return {
      reaches: Uint16Array.from(reaches),
      hidesMm2: Float64Array.from(reaches, (to) => hidesMm2[to]),
      lies,
    };
  }
}

const keyOf = ({ count, widthMm, opacity, fanRad, fanReachMm, lengthMm, springs }: Ribbons) =>
  `${count} ${widthMm} ${opacity} ${fanRad} ${fanReachMm} ${lengthMm} ${springs}`;
