/** The finished style: light that comes through, knots that show; a tap asks about a place. */
import { askAbout, onScene } from '../ask-about.ts';
import { drawLook } from '../lines/look.ts';
import { drawStroke } from '../lines/rows.ts';
import type { Mode } from './drawn.ts';
import { rows } from './rows.ts';

export const look: Mode = {
  draw(ctx, drawn, result) {
    const { seen, scene, check, selectedId, stroke } = drawn;
    if (check.picture === 'plain') return rows.draw(ctx, drawn, result);
    if (!drawn.look) return;
    const whyAtMm = check.whyAt && scene ? onScene(scene, check.whyAt) : undefined;
    drawLook(ctx, seen, result, { look: drawn.look, picture: check.picture, selectedId, whyAtMm });
    if (stroke) drawStroke(ctx, stroke);
  },
  tap({ seen, scene, check }, result, x, y) {
    if (scene) askAbout(seen, scene, result, x, y, check.picture);
  },
};
