/** What is in is found again by its place, each once. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { carriedOver } from './carried.ts';

const at = (id: string, xMm: number, yMm = 0, zMm = 0) => ({ id, xMm, yMm, zMm });

it('by the nearest, no further than a knot is wide, and no two in one place', () => {
  const before = [at('a', 0), at('b', 20), at('c', 40)];
  const after = [at('r1', 1), at('r2', 2.5), at('r3', 47), at('r4', 20.4)];
  expect(carriedOver(before, after, new Set(['a', 'b', 'c']))).toEqual({ a: 'r1', b: 'r4' });
  expect(carriedOver(before, after, new Set(['b']))).toEqual({ b: 'r4' });
});

it('of knots that only got other names all are found, each once', () => {
  const places = fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 })), {
    selector: String,
    maxLength: 40,
  });
  fc.assert(
    fc.property(places, (all) => {
      const before = all.map(([x, y], i) => at(`old${i}`, 10 * x, 10 * y));
      const after = all.map(([x, y], i) => at(`new${i}`, 10 * x + 1, 10 * y - 1));
      const renamed = carriedOver(before, after, new Set(before.map((k) => k.id)));
      expect(renamed).toEqual(Object.fromEntries(before.map((k, i) => [k.id, `new${i}`])));
    }),
    { seed: 9, endOnFailure: true },
  );
});
