/** How far hair reaches: its outermost points in directions all round, so that a picture can hold all of it from any side. */
import { cos, sin } from '../numerics/index.ts';

const AXES = 40;
/** Of a spiral over half a sphere: each axis is looked along both ways. */
const GOLDEN = Math.PI * (3 - Math.sqrt(5));

export class Extent {
  private readonly axes = new Float64Array(3 * AXES);
  private readonly most = new Float64Array(2 * AXES).fill(Number.NEGATIVE_INFINITY);
  private readonly points = new Float64Array(6 * AXES);

  constructor() {
    for (let i = 0; i < AXES; i++) {
      const y = (i + 0.5) / AXES;
      const r = Math.sqrt(1 - y * y);
      this.axes.set([r * cos(i * GOLDEN), y, r * sin(i * GOLDEN)], 3 * i);
    }
  }

  /** @param points xyz interleaved, mm */
  add(points: ArrayLike<number>, count: number) {
    const { axes, most } = this;
    for (let i = 0; i < 3 * count; i += 3) {
      const x = points[i];
      const y = points[i + 1];
      const z = points[i + 2];
      for (let a = 0; a < AXES; a++) {
        const along = x * axes[3 * a] + y * axes[3 * a + 1] + z * axes[3 * a + 2];
        if (along > most[2 * a]) this.take(2 * a, along, x, y, z);
        if (-along > most[2 * a + 1]) this.take(2 * a + 1, -along, x, y, z);
      }
    }
  }

  private take(at: number, along: number, x: number, y: number, z: number) {
    this.most[at] = along;
    this.points[3 * at] = x;
    this.points[3 * at + 1] = y;
    this.points[3 * at + 2] = z;
  }

  /** Outermost points, xyz interleaved, mm; none where there is no hair. */
  done(): Float32Array {
    return this.most[0] === Number.NEGATIVE_INFINITY ? new Float32Array(0) : Float32Array.from(this.points);
  }
}
