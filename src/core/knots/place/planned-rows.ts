/** Rows with their names and the knots that are theirs; knots taken out by hand are no longer counted. */
import type { SurfaceCurve, SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import type { Pass } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from '../layout/measure.ts';
import type { Vector } from './direction.ts';
import { isNamed, type NamedRow, nameRows } from './identity.ts';
import type { PlannedRow } from './planned.ts';

/** Rows and knots as laid, on the side where they belong. */
export interface Laid {
  readonly rows: readonly Row[];
  /** Row of the first pass that a later one fills, or whose rest it is; -1 for one of the first. */
  readonly secondOf: readonly number[];
  /** Its knots wait for the net to be opened. */
  readonly isOpened: readonly boolean[];
  /** Of a row of the second pass: which kind of pass it is. */
  readonly passOf: readonly Pass[];
  /** Quarter of the lowest row that is laid: rows are named from it. */
  readonly deepest: number;
  /** Row by row; those taken out by hand are still in it. */
  readonly knots: readonly LaidKnot[];
  /** Worked out on the other side: what is read from the mesh has to be turned over. */
  readonly turned: boolean;
}

export function planRows(mesh: SurfaceMesh, laid: Laid, fromMidline: Float64Array): PlannedRow[] {
  const counts = new Int32Array(laid.rows.length);
  for (const k of laid.knots) if (isHooked(k)) counts[k.row]++;
  const first = laid.rows.filter((_, i) => laid.secondOf[i] < 0);
  const named = nameRows(first, laid.deepest, fromMidline);
  const names = new Map<number, NamedRow>();
  laid.rows.forEach((_, i) => {
    if (laid.secondOf[i] < 0) names.set(i, named[names.size]);
  });
  let firstKnot = 0;
  let worked = 0;
  const labels: string[] = [];
  return laid.rows.map((row, index): PlannedRow => {
    const of = laid.secondOf[index];
    const name = names.get(of < 0 ? index : of) as NamedRow;
    const isOpened = laid.isOpened[index];
    labels.push(of >= 0 ? labels[of] : isNamed(row.kind) ? (row.into?.name ?? row.kind) : String(++worked));
    const planned: PlannedRow = {
      ...name,
      id: of < 0 ? name.id : `${name.id}${isOpened ? 'c' : suffix(laid, index)}`,
      label: of < 0 ? labels[index] : `${labels[of]}, ${isOpened ? 'in the opening' : PASS_WORDS[laid.passOf[index]]}`,
      kind: row.kind,
      into: row.into?.way,
      entry: row.into?.entry,
      locked: row.locked === true,
      pulledBy: row.pulledBy,
      second: of >= 0 && !isOpened,
      pass: laid.passOf[index],
      opened: isOpened,
      lengthMm: row.curve.lengthMm,
      closed: row.curve.closed,
      endMm: name.startMm + row.curve.lengthMm,
      pointsMm: Float32Array.from(row.curve.pointsMm),
      normals: normalsAlong(mesh, row.curve, laid.turned),
      firstKnot,
      knotCount: counts[index],
    };
    firstKnot += counts[index];
    return planned;
  });
}

/** Windows and thin places over one row are told apart. */
function suffix({ secondOf, passOf }: Laid, row: number): string {
  if (passOf[row] === 'fill') return 'f';
  const hasWindows = secondOf.some((of, i) => i !== row && of === secondOf[row] && passOf[i] === 'windows');
  return passOf[row] === 'thin' && hasWindows ? 't' : 'w';
}

/** What a row of the second pass is called. */
const PASS_WORDS: Readonly<Record<Pass, string>> = {
  none: '',
  windows: 'windows',
  thin: 'thin places',
  fill: 'filled',
};

function normalsAlong(mesh: SurfaceMesh, curve: SurfaceCurve, turned: boolean): Float32Array {
  const out = new Float32Array(3 * curve.pointCount);
  const { normals } = mesh;
  for (let i = 0; i < curve.pointCount; i++) {
    const v = 3 * curve.fromVertex[i];
    out[3 * i] = turned ? 0 - normals[v] : normals[v];
    out[3 * i + 1] = normals[v + 1];
    out[3 * i + 2] = normals[v + 2];
  }
  return out;
}

/** Outward normal at a vertex, or at its mirror image. */
export function normalAt(mesh: SurfaceMesh, vertex: number, turned: boolean): Vector {
  const x = mesh.normals[3 * vertex];
  return [turned ? 0 - x : x, mesh.normals[3 * vertex + 1], mesh.normals[3 * vertex + 2]];
}
