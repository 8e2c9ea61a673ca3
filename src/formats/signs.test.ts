/** No two knots that are told apart in a legend have the same sign, and none runs into its neighbour. */
import { describe, expect, it } from 'vitest';
import { KNOT_KINDS } from '../core/trade/knots.ts';
import { signKey, signPath } from './signs.ts';

const KNOTS = KNOT_KINDS.flatMap((kind) =>
  [1, 2, 3, 4].flatMap((wraps) => [false, true].map((lock) => ({ kind, wraps, lock }))),
);

describe('the sign of a knot', () => {
  it('differs wherever the legend has another line', () => {
    const paths = new Map(KNOTS.map((knot) => [signKey(knot), signPath(knot, 10)]));
    expect(paths.size).toBeGreaterThan(40);
    expect(new Set(paths.values()).size).toBe(paths.size);
  });

  it('is the same wherever the legend has one line', () => {
    const paths = new Map(KNOTS.map((knot) => [signKey(knot), signPath(knot, 10)]));
    for (const knot of KNOTS) expect(signPath(knot, 10), signKey(knot)).toBe(paths.get(signKey(knot)));
  });

  it.each(['wrap', 'oneLeg', 'fold'] as const)(
    'of a %s counts its passes; a lock is one more shape, where there is a loop to lock',
    (kind) => {
      const shapes = (wraps: number, lock: boolean) => signPath({ kind, wraps, lock }, 10).match(/M/g)?.length;
      expect([1, 2, 3, 4].map((n) => shapes(n, false))).toEqual([1, 2, 3, 4]);
      expect(shapes(2, true)).toBe(kind === 'oneLeg' ? 2 : 3);
    },
  );

  it('scales with its size', () => {
    const reach = (r: number) =>
      Math.max(
        ...[...signPath({ kind: 'anchor', wraps: 1, lock: false }, r).matchAll(/-?\d+\.\d+/g)].map((m) =>
          Math.abs(Number(m[0])),
        ),
      );
    expect(reach(20) / reach(10)).toBeCloseTo(2, 6);
  });
});
