/**
 * Outline of the hair: the furthest that it reaches from the middle of the head in every direction of a view, as one
 * sees it from the front, from her left and from above; and its width and height beside the bare head's.
 */
import { atan2, cos, sin } from '../numerics/index.ts';
import type { Side } from './cover.ts';

export const SIZE_VIEWS = ['front', 'left', 'top'] as const satisfies readonly Side[];
export type SizeView = (typeof SIZE_VIEWS)[number];

/** Which coordinates run across and up in each view. */
const ACROSS: Readonly<Record<SizeView, readonly [across: 0 | 2, up: 1 | 2]>> = {
  front: [0, 1],
  left: [2, 1],
  top: [0, 2],
};

export interface OutlineBox {
  readonly widthMm: number;
  readonly heightMm: number;
  /** Beyond the bare head on the one side and the other, mm: her right and left, or behind and in front. */
  readonly beyondMm: readonly [low: number, high: number];
  /** Its outline as a polygon, across and up interleaved, mm from the middle of the head. */
  readonly outlineMm: Float32Array;
}

/**
 * Grows by points of hair; each reaches half the width of its strand further. How wide it is counts above a floor: hair
 * that lies on the shoulders makes no head of hair wider.
 */
export class Silhouette {
  private readonly low = new Float64Array(3).fill(Number.POSITIVE_INFINITY);
  private readonly high = new Float64Array(3).fill(Number.NEGATIVE_INFINITY);
  private readonly reach: Record<SizeView, Float64Array> = {
    front: new Float64Array(BINS),
    left: new Float64Array(BINS),
    top: new Float64Array(BINS),
  };

  /** @param floorMm height above which width counts */
  constructor(private readonly floorMm = Number.NEGATIVE_INFINITY) {}

  add(points: ArrayLike<number>, count: number, halfMm: number) {
    const { low, high, floorMm } = this;
    for (let i = 0; i < 3 * count; i += 3) {
      const above = points[i + 1] > floorMm;
      for (let c = 0; c < 3; c++) {
        if (c !== 1 && !above) continue;
        const v = points[i + c];
        if (v - halfMm < low[c]) low[c] = v - halfMm;
        if (v + halfMm > high[c]) high[c] = v + halfMm;
      }
      for (const view of SIZE_VIEWS) {
        if (view === 'top' && !above) continue;
        const [a, b] = ACROSS[view];
        const x = points[i + a];
        const y = points[i + b];
        const r = Math.sqrt(x * x + y * y) + halfMm;
        const bin = Math.floor(((atan2(y, x) + Math.PI) / (2 * Math.PI)) * BINS) % BINS;
        if (r > this.reach[view][bin]) this.reach[view][bin] = r;
      }
    }
  }

  box(view: SizeView, bare: Silhouette): OutlineBox {
    const [a, b] = ACROSS[view];
    const { low, high } = this;
    return {
      widthMm: Math.max(0, high[a] - low[a]),
      heightMm: Math.max(0, high[b] - low[b]),
      beyondMm: [Math.max(0, bare.low[a] - low[a]), Math.max(0, high[a] - bare.high[a])],
      outlineMm: this.polygon(view),
    };
  }

  /** The outline as a polygon, across and up interleaved, mm from the middle of the head; empty without hair. */
  private polygon(view: SizeView): Float32Array {
    const reach = this.reach[view];
    // A single strand that sticks out makes no outline: the middle of each direction and its neighbours.
    const near = (i: number) => [-2, -1, 0, 1, 2].map((k) => reach[(i + k + BINS) % BINS]).sort((a, b) => a - b);
    const smooth = Float64Array.from(reach.keys(), (i) => near(i)[2]);
    const held = [...reach.keys()].filter((i) => smooth[i] > 0);
    const out = new Float32Array(2 * held.length);
    held.forEach((bin, i) => {
      const angle = ((bin + 0.5) / BINS) * 2 * Math.PI - Math.PI;
      out[2 * i] = smooth[bin] * cos(angle);
      out[2 * i + 1] = smooth[bin] * sin(angle);
    });
    return out;
  }
}
const BINS = 90;
