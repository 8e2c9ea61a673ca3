/** Against ml-matrix, a general matrix library of the registry. */
import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { expect, it } from 'vitest';
import { identity, solveSymmetric } from './cholesky.ts';

const entry = fc.double({ min: -3, max: 3, noNaN: true });

it('solves any positive definite system as the library does', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.array(entry, { minLength: 144, maxLength: 144 }),
      fc.array(entry, { minLength: 24, maxLength: 24 }),
      (n, values, right) => {
        // B Bᵀ + 1 is positive definite whatever B is.
        const b = new Matrix(n, n);
        for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) b.set(i, j, values[12 * i + j]);
        const a = b.mmul(b.transpose()).add(Matrix.eye(n, n));
        const rhs = new Matrix(n, 2);
        for (let i = 0; i < n; i++) for (let c = 0; c < 2; c++) rhs.set(i, c, right[2 * i + c]);
        const ours = solveSymmetric(Float64Array.from(a.to1DArray()), Float64Array.from(rhs.to1DArray()), n);
        const theirs = solve(a, rhs).to1DArray();
        for (let i = 0; i < theirs.length; i++)
          expect(Math.abs(ours[i] - theirs[i])).toBeLessThan(1e-8 * (1 + Math.abs(theirs[i])));
      },
    ),
    { seed: 441, numRuns: 150 },
  );
});

it('an identity gives back what it is given; what is not positive definite is refused', () => {
  expect([...solveSymmetric(identity(3), Float64Array.of(1, 2, 3), 3)]).toEqual([1, 2, 3]);
  expect([...solveSymmetric(identity(2, 4), Float64Array.of(1, 2), 2)]).toEqual([0.25, 0.5]);
  expect(() => solveSymmetric(Float64Array.of(1, 2, 2, 1), Float64Array.of(1, 1), 2)).toThrow(RangeError);
});
