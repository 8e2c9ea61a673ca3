/** The base under the rows; a tap selects the section that is touched. */
import { useView } from '../../view/view-store.ts';
import { drawBase } from '../lines/base.ts';
import { drawParts } from '../lines/rows.ts';
import { surfacePointAt, vertexAt } from '../surface-hit.ts';
import { cautionsOf, type Mode, rowsDrawing } from './drawn.ts';

export const sections: Mode = {
  draw(ctx, drawn, result) {
    const { seen, sectionId, lineKey, showBumps } = drawn;
    const cautions = new Set(cautionsOf(result).flatMap((f) => f.sectionIds ?? []));
    drawParts(ctx, seen, result, rowsDrawing(drawn, result));
    drawBase(ctx, seen, result, { sectionId, lineKey, cautions, showBumps });
  },
  tap({ seen, scene }, result, x, y) {
    const hit = scene && surfacePointAt(seen, scene.cap, x, y);
    const section = hit && result.base.sections[result.base.sectionOf[vertexAt(scene.cap, hit)]];
    useView.getState().selectSection(section?.id);
  },
};
