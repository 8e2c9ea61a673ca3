/**
 * Knots along the rows, in bricks: each knot over the gap between two of the row below. Every row is laid
 * from the nape up by projecting the knots below on it, taking the middles, adding whole spacings at both
 * ends, merging and inserting, and relaxing towards even spacing (12 Gauss-Seidel sweeps). Our own method;
 * docs/how-it-works.md has its trial.
 */
import type { SurfaceMesh } from '../../geometry/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { LaidRows } from './below.ts';
import { placesAlong } from './bricks.ts';
import { type KnotLayout, withoutCollisions } from './collide.ts';
import { arcAt, knotAt, measured, type PitchFields } from './measure.ts';
import { shareOf, tally } from './score.ts';

export function layKnots(mesh: SurfaceMesh, rows: readonly Row[], pitch: PitchFields, spacing: RowSpacing): KnotLayout {
  const laid = new LaidRows();
  const score = { sum: 0, counted: 0 };
  rows.forEach((row, index) => {
    const working = measured(row, pitch, spacing.pitchMm);
    const below = laid.below(working, pitch, spacing);
    const places = row.placesMm ? undefined : placesAlong(working, below);
    const arcs = row.placesMm ?? (places as number[]).map((u) => arcAt(working, u));
    if (places) tally(score, places, below);
    laid.add(arcs.map((arc) => knotAt(mesh, row.curve, index, arc)));
  });
  return { ...withoutCollisions(rows, laid.knots, pitch, spacing), brickScore: shareOf(score) };
}
