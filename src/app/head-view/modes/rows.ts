/** Rows and knots; a tap selects the knot that is near. */
import { useView } from '../../view/view-store.ts';
import { drawRows, knotAt } from '../lines/rows.ts';
import { type Mode, rowsDrawing } from './drawn.ts';

export const rows: Mode = {
  draw(ctx, drawn, result) {
    drawRows(ctx, drawn.seen, result, rowsDrawing(drawn, result));
  },
  tap({ seen }, result, x, y) {
    useView.getState().select(knotAt(seen, result, x, y)?.id);
  },
};
