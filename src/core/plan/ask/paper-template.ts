/** A plan on paper: the scalp cut and laid flat, with rows, knots, part, the cut line of the opening, and what holds the cap. */
import { cross, icosphere, pointAt, unit } from '../../geometry/index.ts';
import { scalpMesh } from '../../head/index.ts';
import { atan2 } from '../../numerics/index.ts';
import {
  Paper,
  type PaperLine,
  type Pattern,
  type PatternCut,
  type PatternPiece,
  pattern,
} from '../../template/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { plan } from '../plan.ts';
import type { Plan } from '../result.ts';
import { head } from '../stages/head.ts';
import type { PlanGraph } from '../stages/stage.ts';

/** Divisions of the sphere that paper is cut from: 5 mm from corner to corner for gores, 7 mm for the one large piece. */
const PAPER_MESH: Readonly<Record<PatternCut, number>> = { sixGores: 20, eightGores: 20, darts: 14 };
/** How far along its row it is asked which way a knot lies, mm. */
const TURN_MM = 2;

export interface PaperKnot {
  /** Index into the knots of the plan. */
  readonly knot: number;
  readonly piece: number;
  readonly atMm: readonly [number, number];
  /** Which way its row runs on paper, rad from the x axis, counter-clockwise. */
  readonly turnRad: number;
}

export interface PaperTemplate {
  readonly cut: PatternCut;
  readonly pieces: ReadonlyArray<Pick<PatternPiece, 'name' | 'edges' | 'distortion'>>;
  readonly seams: Pattern['seams'];
  /** By row of the plan. */
  readonly rows: ReadonlyArray<readonly PaperLine[]>;
  readonly knots: readonly PaperKnot[];
  readonly parts: readonly PaperLine[];
  /** Both sides of the opening of the cap, and where the scissors go. */
  readonly opening: readonly PaperLine[];
  readonly scissors: readonly PaperLine[];
  readonly combs: ReadonlyArray<{ readonly piece: number; readonly atMm: readonly [number, number] }>;
}

/** @throws RangeError where her scalp can't be cut so */
export function paperTemplate(
  graph: PlanGraph,
  { inputs, cut }: { readonly inputs: PlanInputs; readonly cut: PatternCut },
): PaperTemplate {
  const asked = graph.ask({ inputs });
  const laid = asked.of(plan);
  const { shape, line } = asked.of(head);
  const paper = new Paper(pattern(scalpMesh(shape, line, icosphere(PAPER_MESH[cut])), cut));
  const { pieces, seams } = paper.pattern;
  const { opening, combsMm } = laid.cap;
  return {
    cut,
    pieces: pieces.map(({ name, edges, distortion }) => ({ name, edges, distortion })),
    seams,
    rows: laid.rows.map((r) => paper.line(r.pointsMm)),
    knots: laid.knots.flatMap((k, i) => knotOnPaper(paper, k, i)),
    parts: [laid.part.pointsMm, laid.part.second?.pointsMm ?? []].flatMap((p) => paper.line(p)),
    opening: sidesOf(opening.lineMm, opening.widthMm / 2).flatMap((p) => paper.line(p)),
    scissors: opening.cutAtMm > 0 ? sidesOf(opening.lineMm, opening.cutAtMm).flatMap((p) => paper.line(p)) : [],
    combs: combsMm.flatMap((at) => {
      const placed = paper.place(at);
      return placed ? [{ piece: placed.piece, atMm: placed.at }] : [];
    }),
  };
}

function knotOnPaper(paper: Paper, k: Plan['knots'][number], index: number): PaperKnot[] {
  const placed = paper.place([k.xMm, k.yMm, k.zMm]);
  if (!placed) return [];
  const step = (by: number) => [k.xMm + by * k.along[0], k.yMm + by * k.along[1], k.zMm + by * k.along[2]] as const;
  const [ahead, behind] = [paper.place(step(TURN_MM)), paper.place(step(-TURN_MM))].map((p) =>
    p && p.piece === placed.piece ? p.at : placed.at,
  );
  return [
    { knot: index, piece: placed.piece, atMm: placed.at, turnRad: atan2(ahead[1] - behind[1], ahead[0] - behind[0]) },
  ];
}

/** The lines beside a line, each as far from it along the scalp. */
function sidesOf(lineMm: ArrayLike<number>, asideMm: number): number[][] {
  const n = lineMm.length / 3;
  if (n < 2 || asideMm <= 0) return [];
  return [-1, 1].map((side) =>
    Array.from({ length: n }, (_, i) => {
      const at = pointAt(lineMm, i);
      const [a, b] = [pointAt(lineMm, Math.max(0, i - 1)), pointAt(lineMm, Math.min(n - 1, i + 1))];
      const aside = unit(cross(unit(at), unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]])));
      return at.map((x, k) => x + side * asideMm * aside[k]);
    }).flat(),
  );
}
