/** Rows unrolled: nape at the foot, middle of the back in the middle; the row at work opens. */

import type { PlanResult } from '../../core/findings/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';

export interface WeaveLayout {
  readonly x: (fromMiddleMm: number) => number;
  /** Height of a row's thread; rows are given by their index. */
  readonly y: (row: number) => number;
  readonly pxPerMm: number;
  readonly rowGap: number;
}

const TOP = 31;
const FOOT = 14;
/** Room beside the longest row, so that rows keep clear of the legend and of the play button. */
const SIDE = 168;
/** The opened row takes this many gaps. */
const OPENED = 2.1;

export function weaveLayout(
  result: PlanResult,
  width: number,
  height: number,
  openRow: number | undefined,
): WeaveLayout {
  const reach = Math.max(1, ...result.rows.map((r) => Math.max(-r.startMm, r.endMm)));
  const pxPerMm = Math.min(2.6, (width / 2 - Math.min(SIDE, 0.24 * width)) / reach);
  const rows = result.rows.length;
  const slots = rows - 1 + (openRow === undefined ? 0 : OPENED - 1);
  const rowGap = Math.min(13.5, (height - TOP - FOOT) / Math.max(1, slots));
  const y = (row: number) => {
    const extra =
      openRow === undefined ? 0 : ((OPENED - 1) / 2) * rowGap * (row > openRow ? 2 : row === openRow ? 1 : 0);
    return height - FOOT - row * rowGap - extra;
  };
  return { x: (mm) => width / 2 + mm * pxPerMm, y, pxPerMm, rowGap };
}

/** Room beside the folded rows for their count and for the play button, on a phone without its words. */
const COUNT_PX = 196;
const PLAY_PX = 290;
const PLAY_SIGN_PX = 124;
const PHONE_PX = 560;
const RIBBON_EDGE = 7;

/** The same rows in a ribbon: threads close to each other. */
export function ribbonLayout(result: PlanResult, width: number, height: number): WeaveLayout {
  const reach = Math.max(1, ...result.rows.map((r) => Math.max(-r.startMm, r.endMm)));
  const to = width - (width < PHONE_PX ? PLAY_SIGN_PX : PLAY_PX);
  const middle = (COUNT_PX + to) / 2;
  const pxPerMm = Math.min(2.6, Math.max(0, to - middle) / reach);
  const rowGap = Math.min(6, (height - 2 * RIBBON_EDGE) / Math.max(1, result.rows.length - 1));
  const foot = (height + rowGap * (result.rows.length - 1)) / 2;
  return { x: (mm) => middle + mm * pxPerMm, y: (row) => foot - row * rowGap, pxPerMm, rowGap };
}

export function knotNear(result: PlanResult, layout: WeaveLayout, x: number, y: number): PlannedKnot | undefined {
  let best: PlannedKnot | undefined;
  let nearest = Number.POSITIVE_INFINITY;
  for (const knot of result.knots) {
    // Rows lie closer than knots, so height counts more.
    const d = (layout.x(knot.fromMiddleMm) - x) ** 2 + 2.5 * (layout.y(knot.row) - y) ** 2;
    if (d < nearest) {
      nearest = d;
      best = knot;
    }
  }
  return best;
}
