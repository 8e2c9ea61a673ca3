/** Lines that are there already: of the base, or ready-made on the cap. */
import type { Section } from '../../base/index.ts';
import { contours } from '../../geometry/index.ts';
import type { Head } from '../../head/index.ts';
import type { OwnRows, RowsFollowed } from '../../trade/index.ts';

/** Ready-made rows of a cap lie this far apart, fingers (common practice, no source). */
const CAP_ROWS_FINGERS = 1.5;

/** How far to one side they run in front, as a share of the way back. */
const TO_ONE_SIDE = 0.35;

/** Lines that are there already: of the base, or ready-made on the cap. */
export function linesThere(
  head: Head,
  ownRows: OwnRows,
  sections: readonly Section[],
  fingerMm: number,
  follow: RowsFollowed = 'base',
): Float64Array[] {
  const own = sections.filter((s) => s.rowMm.length > 0).map((s) => Float64Array.from(s.rowMm));
  if (ownRows === 'none' || (own.length > 0 && follow === 'base')) return own;
  const { mesh, scalp } = head;
  const p = mesh.positionsMm;
  const lean = ownRows === 'oneSide' ? TO_ONE_SIDE : 0;
  const step = CAP_ROWS_FINGERS * fingerMm;
  const aside = Float64Array.from(
    { length: mesh.vertexCount },
    (_, v) => (p[3 * v] >= 0 ? 1 : -1) * scalp.fromMidline[v] - lean * Math.max(0, p[3 * v + 2]),
  );
  const levels: number[] = [];
  for (let x = -8.5 * step; x <= 8.5 * step; x += step) levels.push(x);
  return contours(mesh, aside, levels).flatMap((curves) =>
    curves.filter((c) => c.lengthMm > 3 * step).map((c) => c.pointsMm),
  );
}
