/** Sparse symmetric systems by Cholesky's factorisation within a band; in a file of its own, since few ask for it. */

/**
 * A sparse symmetric positive definite matrix whose entries lie within a band of the diagonal, factored once for many right
 * sides (Golub and Van Loan, section 4.3.5; from memory). Cost n × band².
 */
export class BandedCholesky {
  private readonly l: Float64Array;
  private readonly width: number;

  /**
   * @param n unknowns
   * @param band how far from the diagonal an entry may lie
   * @param entries row, column and value of the lower triangle; those of one place are added up
   * @throws RangeError where the matrix is not positive definite
   */
  constructor(
    private readonly n: number,
    private readonly band: number,
    entries: Iterable<readonly [row: number, column: number, value: number]>,
  ) {
    this.width = band + 1;
    this.l = new Float64Array(n * this.width);
    for (const [i, j, value] of entries) this.l[i * this.width + (j - i + band)] += value;
    this.factor();
  }

  private factor() {
    const { n, band, width, l } = this;
    for (let i = 0; i < n; i++) {
      const first = Math.max(0, i - band);
      for (let j = first; j <= i; j++) {
        let sum = l[i * width + (j - i + band)];
        for (let k = Math.max(first, j - band); k < j; k++)
          sum -= l[i * width + (k - i + band)] * l[j * width + (k - j + band)];
        if (i !== j) {
          l[i * width + (j - i + band)] = sum / l[j * width + band];
          continue;
        }
        if (!(sum > 0)) throw new RangeError(`The matrix is not positive definite in row ${i}.`);
        l[i * width + band] = Math.sqrt(sum);
      }
    }
  }

  /** @param b overwritten with the solution */
  solve(b: Float64Array) {
    const { n, band, width, l } = this;
    for (let i = 0; i < n; i++) {
      let sum = b[i];
      for (let k = Math.max(0, i - band); k < i; k++) sum -= l[i * width + (k - i + band)] * b[k];
      b[i] = sum / l[i * width + band];
    }
    for (let i = n - 1; i >= 0; i--) {
      b[i] /= l[i * width + band];
      for (let k = Math.max(0, i - band); k < i; k++) b[k] -= l[i * width + (k - i + band)] * b[i];
    }
  }
}
