/** Small systems of equations; elementary functions that are the same in every engine. */
export { BandedCholesky } from './banded.ts';
export { identity, solveSymmetric } from './cholesky.ts';
export { acos, asin, atan2, cbrt, cos, exp, log, pow, sin, tan, tanh } from './elementary.ts';
export { normalBelow, normalQuantile } from './normal.ts';
export { seededRandom } from './random.ts';
export { studentQuantile } from './student.ts';
