/** The tape measure in hand, and the others as thin lines. */
import { TAPE_MEASURES, type TapeMeasure } from '../../../core/trade/index.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { drawOtherTapes, drawTape } from '../lines/tape.ts';
import type { Mode } from './drawn.ts';

export const tape: Mode = {
  draw(ctx, { seen, scene, plan, tape: held }) {
    const tapes = scene?.tapes;
    const measure = held as TapeMeasure | undefined;
    if (!tapes || !measure) return;
    drawOtherTapes(
      ctx,
      seen,
      TAPE_MEASURES.filter((m) => m !== measure).map((m) => tapes[m]),
    );
    drawTape(ctx, seen, { measure, pointsMm: tapes[measure], unit: plan.unit, fingerMm: fingerMm(plan) });
  },
  tap: () => {},
};
