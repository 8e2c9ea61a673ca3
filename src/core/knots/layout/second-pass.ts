/**
 * A second pass: the windows of a loose first one, or pieces where the gaps came out widest. Its knots follow as
 * rows of their own, since they are laid after all the others.
 */

import type { SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import type { Pass, SecondPass } from '../../trade/index.ts';
import type { LaidKnot } from './measure.ts';
import { nearestRow, placeAt, type VertexPlace, widestPlaces } from './widest.ts';

export interface Passes {
  readonly rows: readonly Row[];
  /** Row of the first pass that a row of the second belongs to; -1 for one of the first. */
  readonly secondOf: readonly number[];
  /** Of a row of the second pass: which kind of pass it is. */
  readonly passOf: readonly Pass[];
  readonly knots: readonly LaidKnot[];
}

export interface PassGround {
  readonly mesh: SurfaceMesh;
  spacingAt(vertex: number): number;
  /** Where no piece goes, or none is owed. */
  isClosed(vertex: number): boolean;
  readonly fromHairline: Float64Array;
  /** Whether thin places are looked for anywhere. */
  readonly hasThin: boolean;
  /** What is done there once all else is in. @param besidePart of a row that lies there */
  passAt(place: VertexPlace, besidePart: boolean): SecondPass;
}

export function inPasses(rows: readonly Row[], knots: readonly LaidKnot[], ground: PassGround): Passes {
  const first = { rows, secondOf: rows.map(() => -1), passOf: rows.map(() => 'none' as const), knots };
  // On bands and rods nothing else can hold a piece.
  const isGiven = rows.length > 0 && rows.every((r) => r.placesMm !== undefined);
  const passes = knots.map((k) => ground.passAt(k, rows[k.row].besidePart));
  const waiting = windowsOf(rows, knots, passes);
  const thin = isGiven || !ground.hasThin ? [] : thinPlaces(rows, knots, ground);
  if (thin.length === 0 && waiting.every((w) => !w)) return first;
  const all = [
    ...knots.map((k, i) => ({ k, pass: waiting[i] ? ('windows' as const) : ('none' as const) })),
    ...thin.map((k) => ({ k, pass: 'thin' as const })),
  ];
  const later = (['windows', 'thin'] as const).flatMap((pass) =>
    rows.flatMap((_, row) => (all.some((a) => a.pass === pass && a.k.row === row) ? [{ row, pass }] : [])),
  );
  const indexOf = (row: number, of: Pass) => rows.length + later.findIndex((l) => l.row === row && l.pass === of);
  return {
    rows: [...rows, ...later.map(({ row }) => rows[row])],
    secondOf: [...first.secondOf, ...later.map(({ row }) => row)],
    passOf: [...first.passOf, ...later.map(({ pass }) => pass)],
    knots: all
      .map(({ k, pass }) =>
        pass === 'none' ? { ...k, second: false } : { ...k, second: true, row: indexOf(k.row, pass) },
      )
      .sort((a, b) => a.row - b.row || a.arcMm - b.arcMm),
  };
}

/**
 * Every other knot of a row waits; the next row begins with the other one, so that the first pass is bricks too. Both ends
 * of a row go in at once: they hold what is hooked on.
 */
function windowsOf(rows: readonly Row[], knots: readonly LaidKnot[], passes: readonly SecondPass[]): boolean[] {
  const places = new Array<number>(rows.length).fill(0);
  const counts = new Array<number>(rows.length).fill(0);
  for (const k of knots) counts[k.row]++;
  return knots.map((k, i) => {
    const place = places[k.row]++;
    const isEnd = !rows[k.row].curve.closed && (place === 0 || place === counts[k.row] - 1);
    return passes[i] === 'windows' && !isEnd && (place + (rows[k.row].quarter >> 2)) % 2 !== 0;
  });
}

/** A place is thin when the nearest knot is farther than this share of the spacing: in a brick pattern none is beyond 0.63. */
const THIN_BEYOND = 0.8;
/** Not more than this share of the knots is added: what is thin everywhere wants closer rows. */
const MOST_SHARE = 0.15;
/** The edge stays as the scheme leaves it, spacings from the hairline. */
const EDGE = 0.55;

function thinPlaces(rows: readonly Row[], knots: readonly LaidKnot[], ground: PassGround): LaidKnot[] {
  const { mesh } = ground;
  const owed: number[] = [];
  for (let v = 0; v < mesh.vertexCount; v++)
    if (
      !ground.isClosed(v) &&
      ground.fromHairline[v] > EDGE * ground.spacingAt(v) &&
      ground.passAt(placeAt(mesh, v), false) === 'thin'
    )
      owed.push(v);
  const most = Math.ceil(MOST_SHARE * knots.length);
  return widestPlaces(ground, owed, knots, THIN_BEYOND, most).flatMap((place) => {
    const near = nearestRow(rows, place);
    return near ? [{ ...place, row: near.row, arcMm: near.arcMm, second: true }] : [];
  });
}
