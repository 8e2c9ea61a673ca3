/** The brush as a factor on the spacing. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { named, REFERENCE_SCORES, wholeHead } from '../../../../tests/helpers/heads.ts';
import { distance, pointAt } from '../../geometry/vectors.ts';
import { type DirectionDeg, directionOf, onSurface } from '../../head/marks.ts';
import { ROW_LIMITS } from '../../trade/rows.ts';
import { type BrushStroke, turnedBrush, turnedHand } from '../choice.ts';
import { brushField } from './brush.ts';

const head = wholeHead(REFERENCE_SCORES, 24);
const at: DirectionDeg = [150, 35];
const stroke = (factor: number, radiusMm = 30, points: DirectionDeg[] = [at]): BrushStroke => ({
  stroke: { points, radiusMm },
  factor,
});
const middle = onSurface(head.shape, directionOf(at));
const away = (v: number) => distance(pointAt(head.mesh.positionsMm, v), middle);
const field = (...brush: BrushStroke[]) => brushField(head, brush)!;

describe('a stroke', () => {
  it('is full in its middle, nothing outside its rim, and falls off between', () => {
    const f = field(stroke(0.8));
    for (let v = 0; v < f.length; v++) {
      if (away(v) < 12) expect(f[v]).toBeCloseTo(0.8, 6);
      else if (away(v) > 31) expect(f[v]).toBe(1);
      else expect(f[v]).toBeGreaterThanOrEqual(0.8 - 1e-9);
    }
  });

  it('adds to another, and a stroke of 1 wipes both out', () => {
    const two = field(stroke(0.8), stroke(0.9));
    const inside = [...two.keys()].filter((v) => away(v) < 12);
    expect(inside.length).toBeGreaterThan(5);
    for (const v of inside) expect(two[v]).toBeCloseTo(0.72, 6);
    const wiped = field(stroke(0.8), stroke(0.9), stroke(1, 50));
    for (const v of inside) expect(wiped[v]).toBeCloseTo(1, 6);
  });

  it('is one stroke however slowly it is drawn: no place is brushed twice', () => {
    const slow = field(stroke(0.8, 30, [at, [150.5, 35], [151, 35], [150.5, 35.5], at]));
    for (const v of [...slow.keys()].filter((u) => away(u) < 10)) expect(slow[v]).toBeCloseTo(0.8, 6);
  });

  it('never goes beyond its limits, whatever is drawn', () => {
    const arbitrary = fc.array(
      fc.record({ factor: fc.constantFrom(0.5, 0.7, 1, 1.4, 2), azimuth: fc.integer({ min: -180, max: 180 }) }),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(arbitrary, (strokes) => {
        const f = field(...strokes.map((s) => stroke(s.factor, 40, [[s.azimuth, 40]])));
        const [low, high] = ROW_LIMITS.brushFactor;
        for (const x of f) {
          expect(x).toBeGreaterThanOrEqual(low);
          expect(x).toBeLessThanOrEqual(high);
        }
      }),
      { seed: 451, numRuns: 30 },
    );
  });

  it('nothing brushed is no field at all', () => {
    expect(brushField(head, [])).toBeUndefined();
  });
});

it('turned over twice, brush and hand changes are what they were', () => {
  const brush = [stroke(0.8, 20, [at, [-30, 60]])];
  expect(turnedBrush(turnedBrush(brush))).toEqual(brush);
  const hand = named('h', [
    { op: 'pull', at, mm: 3 },
    { op: 'move', at, to: [140, 30] },
    { op: 'add', at },
    { op: 'remove', at },
    { op: 'lock', line: [at, [120, 20]], knots: [at] },
  ] as const);
  expect(turnedHand(turnedHand(hand))).toEqual(hand);
  expect(turnedHand(hand)[1]).toEqual({ id: 'h2', op: 'move', at: [-150, 35], to: [-140, 30] });
});
