import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryScores, REFERENCE_SCORES } from '../../../tests/helpers/heads.ts';
import { TAPE_MEASURES } from '../trade/tape.ts';
import { HEAD_PARAMETERS } from './parameters.ts';
import { headShape, rayLength } from './shape.ts';
import { tapePolyline, tapeReading, tapeReadings } from './tape.ts';

/** Complete elliptic integral of the second kind by the arithmetic-geometric mean (Abramowitz and Stegun 17.6). */
function ellipsePerimeter(a: number, b: number): number {
  let x = a;
  let y = b;
  let sum = (x * x + y * y) / 2;
  for (let n = 0, weight = 0.5; n < 12; n++) {
    const c = (x - y) / 2;
    [x, y] = [(x + y) / 2, Math.sqrt(x * y)];
    weight *= 2;
    sum -= weight * c * c;
  }
  return (2 * Math.PI * sum) / ((x + y) / 2);
}

describe('tape measures', () => {
  it('of the head nobody measured are the values it was laid out for', () => {
    const expected = [551.64, 346.87, 321.5, 285.99, 379.9, 128.5];
    tapeReadings(headShape(new Float64Array(8))).forEach((v, i) => {
      expect(Math.abs(v - expected[i])).toBeLessThan(0.05);
    });
  });

  it('are exact on an ellipsoid: the widest section is an ellipse (perimeter 558.7766, scipy.special.ellipe)', () => {
    const head = headShape(REFERENCE_SCORES, { horizontal: 2, vertical: 2, crownShift: 0, frontBackShare: 0 });
    const points = Array.from({ length: 1441 }, (_, i) => {
      const a = (i / 1440) * 2 * Math.PI;
      const t = rayLength(head, 0, 0, 0, Math.sin(a), 0, Math.cos(a));
      return [t * Math.sin(a), t * Math.cos(a)];
    });
    let length = 0;
    for (let i = 1; i < points.length; i++)
      length += Math.sqrt((points[i][0] - points[i - 1][0]) ** 2 + (points[i][1] - points[i - 1][1]) ** 2);
    expect(ellipsePerimeter(head.halfLengthMm, head.halfBreadthMm)).toBeCloseTo(558.7766, 3);
    expect(length).toBeCloseTo(558.7766, 2);
  });

  it('grow with the head: k times the size, k times every reading', () => {
    const [size] = HEAD_PARAMETERS;
    fc.assert(
      fc.property(arbitraryScores, fc.double({ min: -0.5, max: 0.5, noNaN: true }), (scores, by) => {
        const a = headShape(scores);
        // The score that makes the size exactly k times as large, through the soft limit.
        const other = [...scores];
        other[0] = scores[0] + by;
        const b = headShape(other);
        const k = b.sizeMm / a.sizeMm;
        expect(k).toBeGreaterThan(Math.exp(-size.logSd));
        const ra = tapeReadings(a);
        tapeReadings(b).forEach((v, i) => {
          expect(v / ra[i]).toBeCloseTo(k, 6);
        });
      }),
      { seed: 31, numRuns: 40 },
    );
  });

  it('are as long as the line that is drawn for them', () => {
    const head = headShape([0.4, -0.7, 0.2, 0.1, -0.3, 0.6, 0, 0.2]);
    for (const m of TAPE_MEASURES) {
      const p = tapePolyline(head, m, 60);
      let length = 0;
      for (let i = 3; i < p.length; i += 3)
        length += Math.sqrt((p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2);
      expect(Math.abs(length - tapeReading(head, m))).toBeLessThan(0.3);
    }
  });

  it('the girth of the head nobody measured lies within two spreads of both base figures of an open sewing data set (@freesewing/models 4.10.2)', () => {
    // The package's entry needs a second package, so its table is read as text: head: [first base, second base], mm.
    const table = readFileSync('node_modules/@freesewing/models/src/neckstimate.mjs', 'utf8');
    const [, first, second] = /head: \[(\d+), (\d+)\]/.exec(table)!.map(Number);
    const girth = tapeReading(headShape(new Float64Array(8)), 'girth');
    for (const base of [first, second])
      expect(Math.abs(Math.log(base / girth))).toBeLessThan(2 * HEAD_PARAMETERS[0].logSd);
  });
});
