import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../tests/helpers/heads.ts';
import { headScene } from '../../core/plan/ask/scene.ts';
import { headFrame } from './framing.ts';
import { bentBy, dot, facing, projection, screenX, screenY } from './projection.ts';
import { surfacePointAt } from './surface-hit.ts';

const W = 900;
const H = 460;
const seenOn = (stage: { width: number; height: number }, azimuth: number, elevation = 0, mirror = false) =>
  projection({ azimuth, elevation }, stage, headFrame(stage, elevation), mirror);
const view = (azimuth: number, elevation = 0, mirror = false) =>
  seenOn({ width: W, height: H }, azimuth, elevation, mirror);
const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });
const tilt = fc.double({ min: -0.35, max: 1.5, noNaN: true });

describe('the view of the head', () => {
  it('has three axes at right angles, of length one', () => {
    fc.assert(
      fc.property(angle, tilt, (a, e) => {
        const { right, up, toEye } = view(a, e);
        const dot = (u: readonly number[], v: readonly number[]) => u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
        for (const v of [right, up, toEye]) expect(dot(v, v)).toBeCloseTo(1, 9);
        for (const [u, v] of [
          [right, up],
          [up, toEye],
          [toEye, right],
        ])
          expect(dot(u, v)).toBeCloseTo(0, 9);
        // Right-handed: right × up points to the viewer.
        expect(right[1] * up[2] - right[2] * up[1]).toBeCloseTo(toEye[0], 9);
      }),
      { seed: 151 },
    );
  });

  it('from behind shows her left on the left, from the front on the right; a mirror turns that round', () => {
    const left = [70, 0, 0];
    const behind = view(Math.PI);
    const front = view(0);
    expect(screenX(behind, left)).toBeLessThan(behind.centreX);
    expect(screenX(front, left)).toBeGreaterThan(front.centreX);
    expect(screenX(view(0, 0, true), left)).toBeLessThan(front.centreX);
  });

  it('keeps up up, and true lengths across the view', () => {
    const v = view(2.1);
    expect(screenY(v, [0, 100, 0])).toBeLessThan(screenY(v, [0, 0, 0]));
    const a = [v.right[0] * 50, 0, v.right[2] * 50];
    expect(screenX(v, a) - screenX(v, [0, 0, 0])).toBeCloseTo(50 * v.pxPerMm, 9);
  });

  it('knows which side faces the viewer', () => {
    expect(facing(view(0), [0, 0, 1])).toBeCloseTo(1, 9);
    expect(facing(view(0), [0, 0, -1])).toBeCloseTo(-1, 9);
    expect(facing(view(0, 1.5), [0, 1, 0])).toBeGreaterThan(0.99);
  });

  it('does not grow beyond a stage of 540 px', () => {
    expect(seenOn({ width: W, height: 2000 }, 0).pxPerMm).toBe(seenOn({ width: W, height: 540 }, 0).pxPerMm);
  });
});

describe('a finger on the head', () => {
  const { cap } = headScene(plainInputs());
  it('finds the place under it within 2 mm', () => {
    const v = view(2.4, 0.3);
    let checked = 0;
    for (let i = 0; i < cap.positions.length; i += 3 * 97) {
      if (facing(v, cap.normals, i) < 0.4 || cap.aboveHairlineMm[i / 3] < 12) continue;
      const hit = surfacePointAt(v, cap, screenX(v, cap.positions, i), screenY(v, cap.positions, i));
      expect(hit).toBeDefined();
      const d = Math.sqrt(
        [0, 1, 2].reduce((s, k) => s + ((hit as readonly number[])[k] - cap.positions[i + k]) ** 2, 0),
      );
      expect(d).toBeLessThan(2);
      checked++;
    }
    expect(checked).toBeGreaterThan(10);
  });

  it('off the head takes the nearest place of its rim', () => {
    const v = view(Math.PI);
    const hit = surfacePointAt(v, cap, 5, H / 2);
    expect(hit?.[0]).toBeGreaterThan(50);
  });
});

describe('a head that is bent', () => {
  const stage = { width: 800, height: 600 };
  const upright = seenOn(stage, Math.PI / 2);
  it('stays as it is while things fall straight down', () => {
    expect(bentBy(upright, [0, -1, 0])).toBe(upright);
  });
  it.each([
    [0, -0.5, Math.sqrt(0.75)],
    [0.6, -0.8, 0],
    [0.36, -0.8, 0.48],
  ] as const)(
    'things that fall along (%f, %f, %f) of the head fall down the screen from where it is not looked along',
    (x, y, z) => {
      for (const azimuth of [0, 1, 2.5]) {
        const bent = bentBy(seenOn(stage, azimuth), [x, y, z]);
        expect(dot([x, y, z], 0, bent.up)).toBeCloseTo(-1, 9);
        expect(dot([x, y, z], 0, bent.right)).toBeCloseTo(0, 9);
        // It stays a view: unit vectors at right angles.
        for (const v of [bent.right, bent.up, bent.toEye]) expect(dot(v, 0, v)).toBeCloseTo(1, 9);
        expect(dot(bent.right, 0, bent.toEye)).toBeCloseTo(0, 9);
      }
    },
  );
});
