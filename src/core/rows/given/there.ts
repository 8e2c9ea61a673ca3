/** Lines that are there already: of the base, or ready-made on the cap. */
import type { Section } from '../../base/index.ts';
import { contours } from '../../geometry/index.ts';
import type { Head } from '../../head/index.ts';
import type { OwnRows, RowsFollowed } from '../../trade/index.ts';

/** Ready-made rows of a cap lie this far apart, fingers (common practice, no source). */
const CAP_ROWS_FINGERS = 1.5;

/** So many lie on either side of the middle; a head holds fewer. */
const CAP_ROWS_ASIDE = 9;

/** How far to one side they run in front, as a share of the way back. */
const TO_ONE_SIDE = 0.35;

export interface LineThere {
  /** "cap4" counted from her left, or that of the section whose row it is. A line in several pieces has it several times. */
  readonly id: string;
  readonly of: 'base' | 'cap';
  readonly name: string;
  /** xyz interleaved. */
  readonly pointsMm: Float64Array;
}

export interface ThereTold {
  readonly ownRows: OwnRows;
  readonly sections: readonly Section[];
  readonly fingerMm: number;
  readonly follow: RowsFollowed;
}

/** Where only base or cap has rows they are followed, whatever is chosen. */
export function linesThere(head: Head, { ownRows, sections, fingerMm, follow }: ThereTold): LineThere[] {
  const own = sections
    .filter((s) => s.rowMm.length > 0)
    .map((s): LineThere => ({ id: s.id, of: 'base', name: `own ${s.name}`, pointsMm: Float64Array.from(s.rowMm) }));
  if (ownRows === 'none' || (own.length > 0 && follow === 'base')) return own;
  const ready = readyRows(head, ownRows, CAP_ROWS_FINGERS * fingerMm);
  return follow === 'both' ? [...own, ...ready] : ready;
}

function readyRows({ mesh, scalp }: Head, ownRows: OwnRows, stepMm: number): LineThere[] {
  const p = mesh.positionsMm;
  const lean = ownRows === 'oneSide' ? TO_ONE_SIDE : 0;
  const aside = Float64Array.from(
    { length: mesh.vertexCount },
    (_, v) => (p[3 * v] >= 0 ? 1 : -1) * scalp.fromMidline[v] - lean * Math.max(0, p[3 * v + 2]),
  );
  const levels = Array.from({ length: 2 * CAP_ROWS_ASIDE }, (_, i) => (i + 0.5 - CAP_ROWS_ASIDE) * stepMm);
  const rows = contours(mesh, aside, levels)
    .map((curves) => curves.filter((c) => c.lengthMm > 3 * stepMm))
    .reverse();
  const first = rows.findIndex((curves) => curves.length > 0);
  return rows.flatMap((curves, i) =>
    curves.map(({ pointsMm }): LineThere => {
      const number = i - first + 1;
      return { id: `cap${number}`, of: 'cap', name: `ready-made row ${number} from your left`, pointsMm };
    }),
  );
}

/** Nearer than this share of a gap a row under the cap is hooked with the ready-made one over it (guess: a finger feels one ridge). */
const AS_ONE = 0.6;

/** Those that pieces follow: switched on, and of two that run along each other the one that is seen. */
export function followedLines(lines: readonly LineThere[], off: readonly string[], gapMm: number): LineThere[] {
  const on = lines.filter((l) => !off.includes(l.id));
  const ready = on.filter((l) => l.of === 'cap');
  return on.filter((l) => l.of === 'cap' || !ready.some((r) => middleGap(l.pointsMm, r.pointsMm) < AS_ONE * gapMm));
}

/** Half of the places of one line are nearer to the other than this, mm. */
function middleGap(a: Float64Array, b: Float64Array): number {
  const gaps: number[] = [];
  for (let i = 0; i < a.length; i += 3) {
    let nearest = Infinity;
    for (let j = 0; j < b.length; j += 3) {
      const d = (a[i] - b[j]) ** 2 + (a[i + 1] - b[j + 1]) ** 2 + (a[i + 2] - b[j + 2]) ** 2;
      if (d < nearest) nearest = d;
    }
    gaps.push(nearest);
  }
  return Math.sqrt(gaps.sort((x, y) => x - y)[gaps.length >> 1]);
}
