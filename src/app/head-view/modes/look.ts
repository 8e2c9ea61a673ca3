/** The finished style: light that comes through, knots that show; a tap asks about a place. */
import { askAbout, onScene } from '../ask-about.ts';
import { drawLook } from '../lines/look.ts';
import type { Mode } from './drawn.ts';

const lookMode = (picture: 'hair' | 'light'): Mode => ({
  draw(ctx, drawn, result) {
    const { seen, scene, check, selectedId, marksSeen } = drawn;
    if (!drawn.look) return;
    const whyAtMm = check.whyAt && scene ? onScene(scene, check.whyAt) : undefined;
    drawLook(ctx, seen, result, { look: drawn.look, picture, selectedId, whyAtMm, marksSeen });
  },
  tap({ seen, scene }, result, x, y) {
    if (scene) askAbout(seen, scene, result, x, y, picture);
  },
});

export const hair = lookMode('hair');
export const light = lookMode('light');
