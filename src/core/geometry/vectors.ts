/** Points and directions in space as triples. For hot loops over interleaved arrays the sums are written out. */
export type Vec3 = readonly [x: number, y: number, z: number];

export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

export function unit(v: Vec3): Vec3 {
  const l = Math.sqrt(dot(v, v)) || 1;
  return [v[0] / l, v[1] / l, v[2] / l];
}

export function distance(a: Vec3, b: Vec3): number {
  const d = minus(a, b);
  return Math.sqrt(dot(d, d));
}

/** a moved so far along a direction. */
export const along = (a: Vec3, direction: Vec3, by: number): Vec3 => [
  a[0] + by * direction[0],
  a[1] + by * direction[1],
  a[2] + by * direction[2],
];

/** On the straight way from a to b. */
export const between = (a: Vec3, b: Vec3, share: number): Vec3 => along(a, minus(b, a), share);

/** Point i of an interleaved array. */
export const pointAt = (p: ArrayLike<number>, i: number): Vec3 => [p[3 * i], p[3 * i + 1], p[3 * i + 2]];

/** Length of a polyline, xyz interleaved. */
export function polylineLength(p: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 3; i < p.length; i += 3) {
    sum += Math.sqrt((p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2);
  }
  return sum;
}

/** Distance from a point to the stretch between a and b. */
export function distanceToSegment(at: Vec3, a: Vec3, b: Vec3): number {
  const way = minus(b, a);
  const l = dot(way, way);
  const t = l > 0 ? Math.min(1, Math.max(0, dot(minus(at, a), way) / l)) : 0;
  return distance(at, along(a, way, t));
}
