/** Off the face, behind an ear, as it falls. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../tests/helpers/heads.ts';
import { hang } from './hang.ts';
import { fallWays } from './way.ts';
import { drawBehind, drawnBehind, OffTheFace } from './worn-as.ts';

const head = wholeHead(REFERENCE_SCORES, 24);
const { mesh, mark } = head;

/** Nothing in the way but the wedge. */
const free = { distance: () => 1000, out: new Float64Array([0, 0, 1]) };

describe('off the face', () => {
  const wedge = new OffTheFace(free, mark.frontHairline);

  it('a strand that leaves the forehead hangs beside the face, on the side where it left', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 50, noNaN: true }),
        fc.boolean(),
        fc.double({ min: 200, max: 700, noNaN: true }),
        (x, left, length) => {
          const points = new Float64Array(3 * 91);
          points.set([left ? x : -x, mark.frontHairline[1] + 4, mark.frontHairline[2] + 4]);
          const last = hang(points, 0, [0, 0, 1], length, {
            down: [0, -1, 0],
            bendMm: 30,
            stepMm: 12,
            body: wedge,
            clearMm: 2,
          });
          const [endX, endY] = [points[3 * last], points[3 * last + 1]];
          expect(endY).toBeLessThan(mark.frontHairline[1] - 60);
          expect(Math.abs(endX)).toBeGreaterThan(54);
          expect(Math.sign(endX)).toBe(left ? 1 : -1);
        },
      ),
      { seed: 19 },
    );
  });

  it('is nothing to hair that hangs behind the face, and nothing above the hairline', () => {
    expect(wedge.distance(0, -50, 20)).toBe(1000);
    expect(wedge.distance(0, mark.frontHairline[1] + 30, 110)).toBe(1000);
    expect(wedge.distance(10, -60, 120)).toBeLessThan(0);
  });
});

describe('behind an ear', () => {
  const p = mesh.positionsMm;
  const shareAt = (as: Parameters<typeof drawnBehind>[0], v: number) =>
    drawnBehind(as, mark, p[3 * v], p[3 * v + 1], p[3 * v + 2]);

  it('what lies before that ear is drawn back, the other side and the rest stay', () => {
    const before = head.line;
    expect(before).toBeDefined();
    const rest = fallWays(mesh, head.scalp.fromMidline, { gravity: [0, -1, 0], wind: [0, 0, 0] });
    let drawn = 0;
    for (let v = 0; v < mesh.vertexCount; v++) {
      const share = shareAt('behindLeft', v);
      const way = rest.slice();
      drawBehind(way, 3 * v, mesh.normals, share);
      if (p[3 * v] < 0 || p[3 * v + 2] < mark.earTop[2] - 60) expect(share).toBe(0);
      if (share < 0.9) continue;
      drawn++;
      expect(way[3 * v + 2]).toBeLessThan(-0.3);
      expect(Math.hypot(way[3 * v], way[3 * v + 1], way[3 * v + 2])).toBeCloseTo(1, 9);
    }
    expect(drawn).toBeGreaterThan(5);
  });

  it('both are the sum of either, and off the face draws nothing', () => {
    for (let v = 0; v < mesh.vertexCount; v += 3) {
      expect(shareAt('behindBoth', v)).toBe(shareAt('behindLeft', v) + shareAt('behindRight', v));
      expect(shareAt('offFace', v)).toBe(0);
      expect(shareAt(undefined, v)).toBe(0);
    }
  });
});
