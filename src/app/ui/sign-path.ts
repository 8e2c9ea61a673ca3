/** The sign of a knot as a path for a canvas; each shape and size is made once. */
import type { PlannedKnot } from '../../core/knots/index.ts';
import { signKey, signPath } from '../../formats/signs.ts';

const made = new Map<string, Path2D>();

export function signOf(knot: PlannedKnot, r: number): Path2D {
  const key = `${signKey(knot)}@${r.toFixed(1)}`;
  let path = made.get(key);
  if (!path) {
    path = new Path2D(signPath(knot, r));
    made.set(key, path);
  }
  return path;
}
