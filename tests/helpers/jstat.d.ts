/** What the tests use of jStat, which has no types of its own. */
declare module 'jstat' {
  const jstat: {
    readonly normal: {
      cdf(x: number, mean: number, sd: number): number;
      pdf(x: number, mean: number, sd: number): number;
      inv(p: number, mean: number, sd: number): number;
    };
    readonly studentt: { inv(p: number, freedom: number): number };
    readonly models: { ols(y: readonly number[], x: ReadonlyArray<readonly number[]>): { readonly coef: number[] } };
  };
  export default jstat;
}
