/**
 * Small symmetric positive definite systems by Cholesky's factorisation A = L Lᵀ (Golub and Van Loan, Matrix
 * Computations, section 4.2; from memory). Of our own because eight unknowns need forty lines, and a matrix library
 * was a fifth of all that the first load sends; checked against that library in its test. Cost n³/6.
 */

/**
 * Solves A x = b for each column of b.
 *
 * @param a n × n row by row; only the lower triangle is read.
 * @param b n × columns row by row.
 * @returns x in the shape of b.
 * @throws RangeError where A is not positive definite.
 */
export function solveSymmetric(a: Float64Array, b: Float64Array, n: number): Float64Array {
  const l = factor(a, n);
  const columns = b.length / n;
  const x = b.slice();
  for (let c = 0; c < columns; c++) {
    for (let i = 0; i < n; i++) {
      let sum = x[i * columns + c];
      for (let k = 0; k < i; k++) sum -= l[i * n + k] * x[k * columns + c];
      x[i * columns + c] = sum / l[i * n + i];
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = x[i * columns + c];
      for (let k = i + 1; k < n; k++) sum -= l[k * n + i] * x[k * columns + c];
      x[i * columns + c] = sum / l[i * n + i];
    }
  }
  return x;
}

function factor(a: Float64Array, n: number): Float64Array {
  const l = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j];
      for (let k = 0; k < j; k++) sum -= l[i * n + k] * l[j * n + k];
      if (i !== j) {
        l[i * n + j] = sum / l[j * n + j];
        continue;
      }
      if (!(sum > 0)) throw new RangeError(`The matrix is not positive definite in row ${i}.`);
      l[i * n + i] = Math.sqrt(sum);
    }
  }
  return l;
}

export function identity(n: number, value = 1): Float64Array {
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++) out[i * n + i] = value;
  return out;
}
