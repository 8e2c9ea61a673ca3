/** What is left over goes where gaps are widest, in a pass of its own, once all else is in. */
import { footOn, type SurfaceMesh } from '../../geometry/index.ts';
import { LEAST_SHARE } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface FillGround {
  readonly mesh: SurfaceMesh;
  readonly fromHairline: Float64Array;
  spacingAt(vertex: number): number;
  isClosed(vertex: number): boolean;
  /** Where she wants it. */
  isMeant(vertex: number): boolean;
}

/** The edge stays as the scheme leaves it, spacings from the hairline. */
const EDGE = 0.4;

/** @param count pieces there are; fewer go in where no more have room */
export function withFill(passes: Passes, count: number, g: FillGround): Passes {
  // Where no row could be laid there is nothing to fill; on bands and rods nothing else can hold a piece.
  const laid = passes.rows.filter((r) => r.kind !== 'border');
  if (laid.every((r) => r.placesMm !== undefined)) return passes;
  const { mesh } = g;
  const p = mesh.positionsMm;
  const meant: number[] = [];
  for (let v = 0; v < mesh.vertexCount; v++)
    if (!g.isClosed(v) && g.fromHairline[v] > EDGE * g.spacingAt(v) && g.isMeant(v)) meant.push(v);
  const away = new Float64Array(meant.length).fill(Infinity);
  const see = (k: Pick<LaidKnot, 'xMm' | 'yMm' | 'zMm'>) => {
    for (let i = 0; i < meant.length; i++) {
      const v = 3 * meant[i];
      const d = (p[v] - k.xMm) ** 2 + (p[v + 1] - k.yMm) ** 2 + (p[v + 2] - k.zMm) ** 2;
      if (d < away[i]) away[i] = d;
    }
  };
  for (const k of passes.knots) if (isHooked(k)) see(k);
  const added: LaidKnot[] = [];
  while (added.length < count) {
    let worst = -1;
    let most = LEAST_SHARE;
    for (let i = 0; i < meant.length; i++) {
      const share = Math.sqrt(away[i]) / g.spacingAt(meant[i]);
      if (share <= most) continue;
      most = share;
      worst = i;
    }
    if (worst < 0) break;
    const v = meant[worst];
    const at = { xMm: p[3 * v], yMm: p[3 * v + 1], zMm: p[3 * v + 2] };
    added.push({ ...at, vertex: v, ...nearestRow(passes, at), second: true });
    see(at);
  }
  return inRowsOfTheirOwn(passes, added);
}

/** The row of a first pass that a place lies nearest to. */
function nearestRow({ rows, secondOf }: Passes, at: Pick<LaidKnot, 'xMm' | 'yMm' | 'zMm'>) {
  let best = { row: 0, arcMm: 0 };
  let nearest = Infinity;
  rows.forEach(({ curve }, row) => {
    if (secondOf[row] >= 0) return;
    const foot = footOn(curve, curve.arcMm, at);
    if (foot.distance >= nearest) return;
    nearest = foot.distance;
    best = { row, arcMm: foot.u };
  });
  return best;
}

function inRowsOfTheirOwn(passes: Passes, added: readonly LaidKnot[]): Passes {
  const of = [...new Set(added.map((k) => k.row))].sort((a, b) => a - b);
  const first = passes.rows.length;
  return {
    rows: [...passes.rows, ...of.map((row) => passes.rows[row])],
    secondOf: [...passes.secondOf, ...of],
    passOf: [...passes.passOf, ...of.map(() => 'fill' as const)],
    knots: [...passes.knots, ...added.map((k) => ({ ...k, row: first + of.indexOf(k.row) }))].sort(
      (a, b) => a.row - b.row || a.arcMm - b.arcMm,
    ),
  };
}
