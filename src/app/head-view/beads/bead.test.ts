/** Dragging on the head: from pixels on the stage to mm along the scalp. */
import { describe, expect, it } from 'vitest';
import { headFrame } from '../framing.ts';
import { layersOf } from '../picture/layers.ts';
import { projection, screenX, screenY, type V3 } from '../projection.ts';
import { dragAlong, movedOnScreen } from './bead.tsx';

const stage = { width: 940, height: 460 };
const view = (azimuth: number, elevation: number, mirror = false) =>
  projection({ azimuth, elevation }, stage, headFrame(stage, elevation), mirror);

describe('a drag', () => {
  it('along a direction that is seen in full is its pixels over the scale', () => {
    const v = view(0, 0);
    expect(dragAlong(v, [0, 1, 0], 0, -35)).toBeCloseTo(35 / v.pxPerMm, 9);
    expect(dragAlong(v, [1, 0, 0], 35, 0)).toBeCloseTo(35 / v.pxPerMm, 9);
    expect(dragAlong(view(0, 0, true), [1, 0, 0], 35, 0)).toBeCloseTo(-35 / v.pxPerMm, 9);
  });

  it('across it moves nothing, and along what points at her nothing either', () => {
    const v = view(0.4, 0.2);
    expect(dragAlong(v, v.up, 50, 0)).toBeCloseTo(0, 9);
    expect(dragAlong(v, v.toEye, 50, 50)).toBe(0);
  });

  it('leads a bead to where the finger is: what is moved by as much lies under it', () => {
    for (const [a, e] of [
      [0.3, 0.1],
      [2.6, 0.5],
      [-1.2, -0.2],
    ]) {
      const v = view(a, e);
      const at: V3 = [40, 60, 50];
      const moved = movedOnScreen(v, at, 12, -7);
      expect(screenX(v, moved) - screenX(v, at)).toBeCloseTo(12 * v.pxPerMm, 9);
      expect(screenY(v, moved) - screenY(v, at)).toBeCloseTo(-7 * v.pxPerMm, 9);
    }
  });
});

describe('layers without a plan', () => {
  it('show nothing', () => {
    expect(layersOf(undefined, { bumps: true, sectionId: 'b1', atBase: true })).toEqual({ marks: [[], [], [], []] });
  });
});
