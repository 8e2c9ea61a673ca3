/**
 * Outline of the hair: the furthest that it reaches from the middle of the head in every direction of a view, as one
 * sees it from the front, from her left and from above; and its width and height beside the bare head's.
 */
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
}

/** Grows by points of hair; each reaches half the width of its strand further. */
export class Silhouette {
  private readonly low = new Float64Array(3).fill(Number.POSITIVE_INFINITY);
  private readonly high = new Float64Array(3).fill(Number.NEGATIVE_INFINITY);
  private readonly reach: Record<SizeView, Float64Array> = {
    front: new Float64Array(BINS),
    left: new Float64Array(BINS),
    top: new Float64Array(BINS),
  };

  add(points: ArrayLike<number>, count: number, halfMm: number) {
    const { low, high } = this;
    for (let i = 0; i < 3 * count; i += 3) {
      for (let c = 0; c < 3; c++) {
        const v = points[i + c];
        if (v - halfMm < low[c]) low[c] = v - halfMm;
        if (v + halfMm > high[c]) high[c] = v + halfMm;
      }
      for (const view of SIZE_VIEWS) {
        const [a, b] = ACROSS[view];
        const x = points[i + a];
        const y = points[i + b];
        const r = Math.sqrt(x * x + y * y) + halfMm;
        const bin = Math.floor(((Math.atan2(y, x) + Math.PI) / (2 * Math.PI)) * BINS) % BINS;
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
    };
  }

  /** Furthest reach in each direction of a view from the middle of the head, mm; from straight left, against the clock of the view. */
  outline(view: SizeView): Float64Array {
    return this.reach[view];
  }
}
const BINS = 90;
