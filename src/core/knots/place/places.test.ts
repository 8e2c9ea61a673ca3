/** Direction, place in words and identity of knots. */
import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../../tests/helpers/heads.ts';
import { fallDirection } from '../../fall/way.ts';
import { distanceFrom } from '../../geometry/eikonal.ts';
import { nearestVertex } from '../../geometry/surface-mesh.ts';
import { partPolyline } from '../../head/part.ts';
import { fingersInWords } from '../../trade/fingers.ts';
import { directionWords, hookDirection, type Vector } from './direction.ts';
import { knotIds } from './identity.ts';
import { whereOf } from './where.ts';
import { zoneOf } from './zone.ts';

const head = wholeHead(REFERENCE_SCORES, 32);
const line = partPolyline(head.shape, head.line, { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 110, bendMm: 0 });
const fromPart = distanceFrom(head.mesh, { pointsMm: line });
const place = (x: number, y: number, z: number) => {
  const vertex = nearestVertex(head.mesh, x, y, z);
  const [xMm, yMm, zMm] = [0, 1, 2].map((k) => head.mesh.positionsMm[3 * vertex + k]);
  return { xMm, yMm, zMm, vertex };
};
const context = {
  scalp: head.scalp,
  mark: head.mark,
  fromPart,
  fingerMm: 18,
  hasPart: true,
  secondMm: new Float64Array(0),
  partMm: line,
  partEnd: [line.at(-3) as number, line.at(-2) as number, line.at(-1) as number] as const,
};
const whereAt = (x: number, y: number, z: number) => {
  const p = place(x, y, z);
  const zone = zoneOf(p, false, context);
  return { zone, ...whereOf(p, zone, context) };
};

describe('where a finger finds it', () => {
  it('behind: fingers above the nape line and from the middle, on her own side', () => {
    const w = whereAt(40, -20, -85);
    expect(w.zone).toBe('back');
    expect(w.words).toMatch(/fingers above the nape line, .*fingers left of the middle$/);
    const { vertex } = place(40, -20, -85);
    expect(w.counts[0].fingers).toBeCloseTo(Math.round((2 * head.scalp.fromNape[vertex]) / 18) / 2, 9);
    expect(whereAt(-40, -20, -85).words).toMatch(/right of the middle/);
  });

  it('on top: from the front hairline and the part', () => {
    expect(whereAt(-45, 95, 10).words).toMatch(/behind the front hairline, .* right of the part/);
  });

  it('behind the end of the part, and beside it', () => {
    const [, y, z] = context.partEnd;
    expect(whereAt(0, y, z - 14).words).toMatch(/behind the end of the part/);
    const beside = whereAt(10, 100, 30);
    expect(beside.zone).toBe('part');
    expect(beside.words).toMatch(/beside the part, on its left/);
  });

  it('at the side: above the hairline over her ear', () => {
    const w = whereAt(75, 12, 5);
    expect(w.zone).toBe('side');
    expect(w.words).toMatch(/above the hairline over your left ear/);
  });

  it.each([
    [0, 'no finger'],
    [0.5, 'half a finger'],
    [1, 'one finger'],
    [2, 'two fingers'],
    [3.5, 'three and a half fingers'],
    [0.25, 'a quarter of a finger'],
    [0.75, 'three quarters of a finger'],
    [1.25, 'a finger and a quarter'],
    [2.75, 'two fingers and three quarters'],
    [14, '14 fingers'],
  ])('%f is "%s"', (n, words) => {
    expect(fingersInWords(n)).toBe(words);
  });
});

describe('direction', () => {
  const along = (v: Vector, w: Vector) => v[0] * w[0] + v[1] * w[1] + v[2] * w[2];

  it('of fall lies in the surface, away from the part beside it, down at the nape', () => {
    for (const [x, y, z] of [
      [30, 95, 20],
      [-30, 95, 20],
      [40, -20, -85],
      [70, 10, 0],
    ]) {
      const p = place(x, y, z);
      const fall = fallDirection(head.mesh, fromPart, p.vertex);
      const normal = [0, 1, 2].map((k) => head.mesh.normals[3 * p.vertex + k]) as unknown as Vector;
      expect(along(fall, fall)).toBeCloseTo(1, 9);
      expect(Math.abs(along(fall, normal))).toBeLessThan(0.2);
    }
    expect(fallDirection(head.mesh, fromPart, place(12, 100, 30).vertex)[0]).toBeGreaterThan(0.5);
    expect(fallDirection(head.mesh, fromPart, place(-12, 100, 30).vertex)[0]).toBeLessThan(-0.5);
    expect(fallDirection(head.mesh, fromPart, place(5, -50, -80).vertex)[1]).toBeLessThan(-0.5);
  });

  it('of the hook is the way the hair falls; for one-leg towards the part', () => {
    const fall: Vector = [0.6, -0.8, 0];
    expect(hookDirection(fall, 'withFall')).toEqual(fall);
    expect(hookDirection(fall, 'fromCoveredSide')).toEqual([-0.6, 0.8, 0]);
    expect(hookDirection(fall, 'fromTheFront')).toEqual([0, 0, -1]);
  });

  it.each([
    [[0, -1, 0], 'down'],
    [[1, 0, 0], 'to your left'],
    [[-0.7, -0.7, 0.1], 'to your right and down'],
    [[0, 0.2, -1], 'back'],
    [[0, 0.6, 0.8], 'forward and up'],
  ] as const)('%o is "%s"', (v, words) => {
    expect(directionWords(v)).toBe(words);
  });
});

describe('identity', () => {
  it('counts knots outwards from the middle, so that the ends of a row rename nobody', () => {
    const ids = knotIds('r07', [-40, -22, -4, 14, 33]);
    expect(ids).toEqual(['r07-l03', 'r07-l02', 'r07-l01', 'r07-r01', 'r07-r02']);
    expect(knotIds('r07', [-58, -40, -22, -4, 14, 33]).slice(1)).toEqual(ids);
    expect(knotIds('r07', [5])).toEqual(['r07-r01']);
  });
});
