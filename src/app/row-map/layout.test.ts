import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { knotNear, weaveLayout } from './layout.ts';

const result = new Planner().plan(plainInputs({ meshFrequency: 20 }));
const last = result.rows.length - 1;

describe('the weave', () => {
  it.each([
    [1280, 172],
    [820, 172],
    [390, 172],
  ])('at %i × %i keeps every row inside, nape at the foot, her left on the left', (width, height) => {
    const layout = weaveLayout(result, width, height, undefined);
    for (const row of result.rows) {
      expect(layout.x(row.startMm)).toBeGreaterThan(0);
      expect(layout.x(row.endMm)).toBeLessThan(width);
    }
    expect(layout.y(0)).toBeGreaterThan(layout.y(last));
    expect(layout.y(last)).toBeGreaterThanOrEqual(24);
    expect(layout.y(0)).toBeLessThan(height);
    expect(layout.x(-10)).toBeLessThan(layout.x(10));
  });

  it('opens the row at work without moving any row out', () => {
    const closed = weaveLayout(result, 1280, 172, undefined);
    for (const open of [0, 4, last]) {
      const layout = weaveLayout(result, 1280, 172, open);
      for (let r = 1; r <= last; r++) expect(layout.y(r)).toBeLessThan(layout.y(r - 1));
      expect(layout.y(last)).toBeGreaterThanOrEqual(24);
      if (open > 0) expect(layout.y(open - 1) - layout.y(open)).toBeGreaterThan(1.2 * layout.rowGap);
      expect(layout.rowGap).toBeLessThanOrEqual(closed.rowGap);
    }
  });

  it('finds the knot under the finger', () => {
    const layout = weaveLayout(result, 1280, 172, undefined);
    for (const knot of result.knots) {
      expect(knotNear(result, layout, layout.x(knot.fromMiddleMm), layout.y(knot.row))?.id).toBe(knot.id);
    }
  });

  it('has nothing to find in an empty plan', () => {
    const empty = { ...result, knots: [], rows: [] };
    expect(knotNear(empty, weaveLayout(empty, 800, 172, undefined), 10, 10)).toBeUndefined();
  });
});
