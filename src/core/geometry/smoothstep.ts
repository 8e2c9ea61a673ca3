/** 0 below a, 1 above b, with level ends (Hermite 3t² - 2t³). */
export function smoothstep(a: number, b: number, x: number): number {
  const t = Math.min(1, Math.max(0, (x - a) / (b - a)));
  return t * t * (3 - 2 * t);
}
