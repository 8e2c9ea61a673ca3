/** Rows that are given as lines: those that are there, places between, rods, bands, a fringe. */
import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../../tests/helpers/heads.ts';
import type { Section } from '../../base/sections/section-figures.ts';
import { distance, pointAt, type Vec3 } from '../../geometry/vectors.ts';
import { type DirectionDeg, directionOf, onSurface } from '../../head/marks.ts';
import { alongAndBetween } from './along.ts';
import { bandRows } from './bands.ts';
import { fringeMask, fringeRows } from './fringe.ts';
import { lockedRows } from './locked.ts';
import { rodRows } from './rods.ts';

const head = wholeHead(REFERENCE_SCORES, 24);
const spacing = { gapMm: 18, pitchMm: 18 };
const open = () => false;
const line = (azimuth: number): Float64Array => {
  const points: number[] = [];
  // From the front hairline over the top to the nape, turned about the axis from nose to occiput.
  for (let e = 40; e <= 150; e += 5) {
    const a = (e * Math.PI) / 180;
    const tilt = (azimuth * Math.PI) / 180;
    points.push(...onSurface(head.shape, [Math.sin(a) * Math.sin(tilt), Math.sin(a) * Math.cos(tilt), Math.cos(a)]));
  }
  return Float64Array.from(points);
};
const gap = (a: Float64Array, b: Float64Array) => distance(pointAt(a, 11), pointAt(b, 11));

describe('along and between', () => {
  const lines = [line(-24), line(0), line(24)];
  const rows = alongAndBetween(head.shape, head.mesh, lines, spacing, open);
  const given = rows.filter((r) => r.kind === 'given');
  const between = rows.filter((r) => r.kind === 'short');

  it('lays what is there first, her left first, then as many rows between as the gap asks for', () => {
    expect(given).toHaveLength(3);
    expect(rows.slice(0, 3).every((r) => r.kind === 'given')).toBe(true);
    const x = given.map((r) => r.curve.pointsMm[3 * (r.curve.pointCount >> 1)]);
    expect(x).toEqual([...x].sort((a, b) => b - a));
    const asked = 2 * (Math.round(gap(lines[0], lines[1]) / 18) - 1);
    expect(between.filter((r) => Math.abs(r.curve.pointsMm[3 * (r.curve.pointCount >> 1)]) < 40).length).toBe(asked);
  });

  it('goes on outside the outermost rows as far as there is scalp', () => {
    const outside = between.filter((r) => Math.abs(r.curve.pointsMm[3 * (r.curve.pointCount >> 1)]) > 45);
    expect(outside.length).toBeGreaterThanOrEqual(4);
    for (const row of outside)
      for (let i = 0; i < row.curve.pointCount; i++) {
        const v = row.curve.fromVertex[i];
        expect(distance(pointAt(row.curve.pointsMm, i), pointAt(head.mesh.positionsMm, v))).toBeLessThan(
          head.mesh.meanEdgeMm,
        );
      }
  });

  it('leaves out what is closed, and what is left is long enough to be a row', () => {
    const p = head.mesh.positionsMm;
    const closed = (v: number) => p[3 * v + 2] > 20;
    for (const row of alongAndBetween(head.shape, head.mesh, lines, spacing, closed)) {
      expect(row.curve.lengthMm).toBeGreaterThan(26);
      for (const v of row.curve.fromVertex) expect(closed(v)).toBe(false);
    }
  });
});

const sectionAt = (ring: number, id: string, tie: Vec3, tailLengthMm = 120) =>
  ({ id, role: 'base', ring, tieMm: tie, tailLengthMm }) as unknown as Section;
const place = (azimuth: number, elevation: number) => onSurface(head.shape, directionOf([azimuth, elevation]));

describe('rods', () => {
  it('hang as long as they are: pieces lie so far from the root as they are told', () => {
    const rods = [sectionAt(1, 'r1', place(170, 20), 140), sectionAt(1, 'r2', place(90, 30), 100)];
    const rows = rodRows(head.mesh, rods, 'along', 20, open);
    expect(rows).toHaveLength(2);
    for (const [i, row] of rows.entries()) {
      // It lies a little off the head: 4 mm out is 4 % more on a radius of about 100.
      expect(Math.abs(row.curve.lengthMm / rods[i].tailLengthMm - 1)).toBeLessThan(0.09);
      expect(row.placesMm).toHaveLength(Math.floor(rods[i].tailLengthMm / 20 + 0.5));
      const y = Array.from({ length: row.curve.pointCount }, (_, k) => row.curve.pointsMm[3 * k + 1]);
      expect(y).toEqual([...y].sort((a, b) => b - a));
    }
  });

  it('at the root or the tip only a third is used', () => {
    const rod = [sectionAt(1, 'r1', place(170, 20), 180)];
    const [root] = rodRows(head.mesh, rod, 'root', 15, open);
    const [tip] = rodRows(head.mesh, rod, 'tip', 15, open);
    expect(Math.max(...root.placesMm!)).toBeLessThan(0.4 * 180);
    expect(Math.min(...tip.placesMm!)).toBeGreaterThan(0.6 * 180);
  });
});

it('bands: a row for each ring, one place for each box that is open', () => {
  const boxes = [
    sectionAt(1, 'x1.1', place(60, 10)),
    sectionAt(1, 'x1.2', place(120, 10)),
    sectionAt(1, 'x1.3', place(180, 10)),
    sectionAt(2, 'x2.1', place(180, 50)),
  ];
  const rows = bandRows(head.mesh, boxes, open);
  expect(rows.map((r) => r.placesMm?.length)).toEqual([3, 1]);
  expect(rows[0].quarter).toBeGreaterThan(rows[1].quarter);
  const p = head.mesh.positionsMm;
  expect(bandRows(head.mesh, boxes, (v) => p[3 * v + 2] < -50).map((r) => r.placesMm?.length)).toEqual([2]);
});

it('a locked row lies through its points with its knots where they were', () => {
  const points: DirectionDeg[] = [
    [120, 20],
    [140, 22],
    [160, 24],
    [180, 24],
  ];
  const [row] = lockedRows(
    head.shape,
    head.mesh,
    [{ id: 'h1', op: 'lock', line: points, knots: [points[1], points[2]] }],
    () => 8,
  );
  expect([row.quarter, row.locked]).toEqual([8, true]);
  expect(row.placesMm).toHaveLength(2);
  for (const d of points) {
    const at = onSurface(head.shape, directionOf(d));
    const away = Array.from({ length: row.curve.pointCount }, (_, i) => distance(pointAt(row.curve.pointsMm, i), at));
    expect(Math.min(...away)).toBeLessThan(2.5);
  }
});

describe('a fringe', () => {
  const fringe = { how: 'short' as const, widthFingers: 5, rows: 3 };

  it('takes the front as wide as it is and as deep as its rows', () => {
    const mask = fringeMask(head.mesh, head.scalp, fringe, 18, spacing)!;
    const p = head.mesh.positionsMm;
    for (let v = 0; v < mask.length; v++) {
      if (mask[v] === 0) continue;
      expect(Math.abs(p[3 * v])).toBeLessThanOrEqual(45 + 6);
      expect(head.scalp.fromFrontHairline[v]).toBeLessThan(3.2 * 18);
    }
    expect(mask.some((m) => m === 1)).toBe(true);
    expect(fringeMask(head.mesh, head.scalp, { ...fringe, how: 'cutAfter' }, 18, spacing)).toBeUndefined();
  });

  it('has its first piece on the midline, then alternates by half a spacing', () => {
    const rows = fringeRows(head.mesh, head.scalp, fringe, 18, spacing, open);
    expect(rows).toHaveLength(3);
    const nearest = rows.map((r) => {
      const x = r.placesMm!.map((arc) => {
        let i = 0;
        while (i + 1 < r.curve.pointCount && r.curve.arcMm[i + 1] <= arc) i++;
        return Math.abs(r.curve.pointsMm[3 * i]);
      });
      return Math.min(...x);
    });
    expect(nearest[0]).toBeLessThan(4);
    expect(nearest[1]).toBeGreaterThan(5);
    expect(nearest[2]).toBeLessThan(5);
    for (const r of rows)
      for (let i = 1; i < r.placesMm!.length; i++) expect(r.placesMm![i] - r.placesMm![i - 1]).toBeCloseTo(18, 6);
  });
});
