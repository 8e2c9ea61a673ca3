/** What the tests use of jStat, which has no types of its own. */
declare module 'jstat' {
  const jstat: {
    readonly normal: {
      cdf(x: number, mean: number, sd: number): number;
      pdf(x: number, mean: number, sd: number): number;
      inv(p: number, mean: number, sd: number): number;
    };
  };
  export default jstat;
}
