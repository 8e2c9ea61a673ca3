/** Small systems of equations; elementary functions that are the same in every engine. */

export { acos, asin, atan2, cos, sin, tan } from './angles.ts';
export { BandedCholesky } from './banded.ts';
export { identity, solveSymmetric } from './cholesky.ts';
export { normalBelow, normalQuantile } from './normal.ts';
export { cbrt, exp, log, pow, tanh } from './powers.ts';
export { seededRandom } from './random.ts';
export { studentQuantile } from './student.ts';
