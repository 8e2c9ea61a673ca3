/** Rows and knots round the opening of the cap, which is drawn under them. */
import { drawCap } from '../lines/opening.ts';
import { drawRows } from '../lines/rows.ts';
import { type Mode, rowsDrawing } from './drawn.ts';
import { rows } from './rows.ts';

export const opening: Mode = {
  ...rows,
  draw(ctx, drawn, result) {
    drawRows(ctx, drawn.seen, result, { ...rowsDrawing(drawn, result), drawUnderKnots: drawCap });
  },
};
