/** Rows and knots; a tap selects the knot that is near. */
import { useView } from '../../view/view-store.ts';
import { drawRows, drawStroke, knotAt } from '../lines/rows.ts';
import { type Mode, rowsDrawing } from './drawn.ts';

export const rows: Mode = {
  draw(ctx, drawn, result) {
    drawRows(ctx, drawn.seen, result, rowsDrawing(drawn, result));
    if (drawn.stroke) drawStroke(ctx, drawn.stroke);
  },
  tap({ seen }, result, x, y) {
    useView.getState().select(knotAt(seen, result, x, y)?.id);
  },
};
