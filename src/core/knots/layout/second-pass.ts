/**
 * A second pass: the windows of a loose first one, or pieces where the gaps came out widest. Its knots follow as
 * rows of their own, since they are laid after all the others.
 */

import { footOn, type SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import type { SecondPass } from '../../trade/index.ts';
import type { LaidKnot } from './measure.ts';

export interface Passes {
  readonly rows: readonly Row[];
  /** Row of the first pass that a row of the second belongs to; -1 for one of the first. */
  readonly secondOf: readonly number[];
  readonly knots: readonly LaidKnot[];
}

export interface ThinContext {
  readonly mesh: SurfaceMesh;
  spacingAt(vertex: number): number;
  /** Where no piece goes, or none is owed. */
  isClosed(vertex: number): boolean;
  readonly fromHairline: Float64Array;
}

export function inPasses(
  rows: readonly Row[],
  knots: readonly LaidKnot[],
  how: SecondPass,
  ground: ThinContext,
): Passes {
  // On bands and rods nothing else can hold a piece.
  const isGiven = rows.length > 0 && rows.every((r) => r.placesMm !== undefined);
  if (how === 'none' || (how === 'thin' && isGiven)) return { rows, secondOf: rows.map(() => -1), knots };
  const all = how === 'windows' ? windowsOf(rows, knots) : [...knots, ...thinPlaces(rows, knots, ground)];
  const withSecond = rows.map((_, i) => i).filter((i) => all.some((k) => k.row === i && k.second));
  const moved = new Map(withSecond.map((row, i) => [row, rows.length + i]));
  return {
    rows: [...rows, ...withSecond.map((i) => rows[i])],
    secondOf: [...rows.map(() => -1), ...withSecond],
    knots: all
      .map((k) => (k.second ? { ...k, row: moved.get(k.row) as number } : k))
      .sort((a, b) => a.row - b.row || a.arcMm - b.arcMm),
  };
}

/**
 * Every other knot of a row waits; the next row begins with the other one, so that the first pass is bricks too. Both ends
 * of a row go in at once: they hold what is hooked on.
 */
function windowsOf(rows: readonly Row[], knots: readonly LaidKnot[]): LaidKnot[] {
  const places = new Array<number>(rows.length).fill(0);
  const counts = new Array<number>(rows.length).fill(0);
  for (const k of knots) counts[k.row]++;
  return knots.map((k) => {
    const place = places[k.row]++;
    const isEnd = !rows[k.row].curve.closed && (place === 0 || place === counts[k.row] - 1);
    return { ...k, second: !isEnd && (place + (rows[k.row].quarter >> 2)) % 2 !== 0 };
  });
}

/** A place is thin when the nearest knot is farther than this share of the spacing: in a brick pattern none is beyond 0.63. */
const THIN_BEYOND = 0.8;
/** Not more than this share of the knots is added: what is thin everywhere wants closer rows. */
const MOST_SHARE = 0.15;
/** The edge stays as the scheme leaves it, spacings from the hairline. */
const EDGE = 0.55;

function thinPlaces(rows: readonly Row[], knots: readonly LaidKnot[], ground: ThinContext): LaidKnot[] {
  const { mesh } = ground;
  const p = mesh.positionsMm;
  const away = new Float64Array(mesh.vertexCount).fill(Infinity);
  const see = (k: Pick<LaidKnot, 'xMm' | 'yMm' | 'zMm'>) => {
    for (let v = 0; v < away.length; v++) {
      const d = (p[3 * v] - k.xMm) ** 2 + (p[3 * v + 1] - k.yMm) ** 2 + (p[3 * v + 2] - k.zMm) ** 2;
      if (d < away[v]) away[v] = d;
    }
  };
  knots.forEach(see);
  const owed = Array.from(away.keys()).filter(
    (v) => !ground.isClosed(v) && ground.fromHairline[v] > EDGE * ground.spacingAt(v),
  );
  const added: LaidKnot[] = [];
  while (added.length < MOST_SHARE * knots.length) {
    let worst = -1;
    let most = THIN_BEYOND;
    for (const v of owed) {
      const share = Math.sqrt(away[v]) / ground.spacingAt(v);
      if (share <= most) continue;
      most = share;
      worst = v;
    }
    if (worst < 0) break;
    const at = { xMm: p[3 * worst], yMm: p[3 * worst + 1], zMm: p[3 * worst + 2] };
    const row = rowFor(rows, at);
    if (!row) break;
    added.push({ ...at, vertex: worst, row: row.index, arcMm: row.arcMm, second: true });
    see(at);
  }
  return added;
}

function rowFor(rows: readonly Row[], at: Pick<LaidKnot, 'xMm' | 'yMm' | 'zMm'>) {
  let best: { index: number; arcMm: number; away: number } | undefined;
  rows.forEach(({ curve }, index) => {
    const foot = footOn(curve, curve.arcMm, at);
    if (!best || foot.distance < best.away) best = { index, arcMm: foot.u, away: foot.distance };
  });
  return best;
}
