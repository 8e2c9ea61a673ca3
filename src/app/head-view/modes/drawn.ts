/** What the lines over the picture are drawn from, and what a mode of the stage does with it. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { HeadScene, Look } from '../../../core/plan/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { HairView } from '../../view/view-store.ts';
import type { RowsDrawing } from '../lines/rows.ts';
import { scalpColour } from '../picture/palette.ts';
import type { Projection } from '../projection.ts';

/** What of the view the lines hang on. */
export interface LineView {
  readonly selectedId: string | undefined;
  readonly tape: string | undefined;
  readonly sectionId: string | undefined;
  readonly placeId: string | undefined;
  /** At Takedown: knots to find. */
  readonly lit: ReadonlySet<string> | undefined;
  readonly lineKey: string | undefined;
  readonly showBumps: boolean;
  readonly check: HairView;
}

export interface Drawn extends LineView {
  readonly plan: PlanDocument;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly seen: Projection;
  readonly look: Look | undefined;
  /** Knots that show are marked where that is told beside them. */
  readonly marksSeen: boolean;
  /** Where the part was before the finger came down. */
  readonly oldPart: Float32Array | undefined;
}

export interface Mode {
  draw(ctx: CanvasRenderingContext2D, drawn: Drawn, result: PlanResult): void;
  /** What a tap on the head does. */
  tap(drawn: Drawn, result: PlanResult, x: number, y: number): void;
}

/** Rows as every mode that has them draws them. */
export const rowsDrawing = ({ selectedId, placeId, lit, plan, oldPart }: Drawn, result: PlanResult): RowsDrawing => ({
  selectedId,
  ...(lit ? { inPlace: (k: PlannedKnot) => lit.has(k.id) } : {}),
  ...(placeId === undefined ? {} : { inPlace: (k: PlannedKnot) => k.places.includes(placeId) }),
  cautions: new Set(cautionsOf(result).flatMap((f) => f.knotIds ?? [])),
  scalp: scalpColour(plan.skin),
  oldPart,
});

export const cautionsOf = ({ findings }: PlanResult) => findings.filter((f) => f.severity !== 'note');
