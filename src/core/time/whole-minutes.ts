/** Minutes as they are printed: whole, and adding up to their whole sum, since each is the step between two rounded sums. */
export function wholeMinutes(minutes: readonly number[]): number[] {
  let sum = 0;
  let told = 0;
  return minutes.map((m) => {
    sum += m;
    const whole = Math.round(sum) - told;
    told += whole;
    return whole;
  });
}
