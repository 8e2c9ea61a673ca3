/** What is left over goes where gaps are widest, in a pass of its own, once all else is in. */
import type { SurfaceMesh } from '../../geometry/index.ts';
import { LEAST_SHARE } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';
import { nearestRow, widestPlaces } from './widest.ts';

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
  const laid = passes.rows.filter((r) => r.kind !== 'border' && r.kind !== 'base');
  if (laid.every((r) => r.placesMm !== undefined)) return passes;
  const { mesh } = g;
  const owed: number[] = [];
  for (let v = 0; v < mesh.vertexCount; v++)
    if (!g.isClosed(v) && g.fromHairline[v] > EDGE * g.spacingAt(v) && g.isMeant(v)) owed.push(v);
  const isFirst = (row: number) => passes.secondOf[row] < 0 && passes.rows[row].kind !== 'base';
  const places = widestPlaces(g, owed, passes.knots.filter(isHooked), LEAST_SHARE, count);
  const added = places.flatMap((place) => {
    const near = nearestRow(passes.rows, place, isFirst);
    return near ? [{ ...place, row: near.row, arcMm: near.arcMm, second: true }] : [];
  });
  return inRowsOfTheirOwn(passes, added);
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
