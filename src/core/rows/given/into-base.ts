/** Pieces that go into the base: round tied roots, along plaits and twists, round and over coils. They lie where the base lies. */
import type { Section } from '../../base/index.ts';
import {
  along,
  contours,
  cross,
  curveFromPoints,
  distance,
  lengthOf,
  minus,
  pointAt,
  resampled,
  sliceCurve,
  unit,
  type Vec3,
} from '../../geometry/index.ts';
import { type Head, onSurface } from '../../head/index.ts';
import { cos, sin } from '../../numerics/index.ts';
import { INTO_INFO, type IntoBase, lowerFirst } from '../../trade/index.ts';
import { oriented, ringFrom } from '../levels/orient.ts';
import type { IntoRow, Row } from '../levels/row.ts';
import { runsOf } from '../levels/runs.ts';
import { even } from './along.ts';

/** A section with the rim of what is coiled at its tie. */
export interface TiedSection extends Pick<Section, 'id' | 'name' | 'tail' | 'tailThicknessMm'> {
  /** Bound for this base; others stay in sight, and are only meant where she names them. */
  readonly isTied: boolean;
  readonly tieMm: Vec3;
  readonly isCoiled: boolean;
  /** The way from its tie: along the row that it lies in, or along its tail; xyz interleaved, mm. */
  readonly wayMm: Float64Array;
  /** From the tie to the rim of what lies coiled there, mm. */
  readonly coilMm: number;
}

export interface IntoGround extends Pick<Head, 'mesh' | 'shape' | 'scalp'> {
  readonly fingerMm: number;
  /** From piece to piece, mm, by the id of what she chose. */
  readonly gapMm: ReadonlyMap<string, number>;
  /** No piece goes there, whatever she chose. */
  isOff(vertex: number): boolean;
}

/** Pieces in a tied root sit at least so far from its middle, mm (guess). */
const LEAST_RING_MM = 4;
/** The channel beside a plait begins so far outside it, mm (guess). */
const CHANNEL_MM = 2;
/** Shorter than this share of a gap a stretch holds no piece. */
const SHORTEST = 0.5;
/** Points along a tail that is walked, mm apart. */
const STEP_MM = 3;

export function intoBaseRows(
  ground: IntoGround,
  sections: readonly TiedSection[],
  entries: readonly IntoBase[],
): Row[] {
  return entries.flatMap((entry) => {
    const meant =
      entry.sections.length === 0
        ? sections.filter((s) => s.isTied)
        : sections.filter((s) => entry.sections.includes(s.id));
    const what = INTO_INFO[entry.way].what;
    if (what === 'tie') return tiesRow(ground, meant, entry);
    if (what === 'tail') return meant.flatMap((s) => tailRow(ground, s, entry));
    return meant.filter((s) => s.isCoiled).flatMap((s) => ringsOf(ground, s, entry));
  });
}

const intoOf = ({ gapMm }: IntoGround, { id, way, when, cut }: IntoBase, name: string, section?: string): IntoRow => ({
  entry: id,
  section,
  way,
  name,
  when,
  gapMm: gapMm.get(id) as number,
  cut,
});

/** One row for all ties of an entry, in their order, with so many pieces evenly round each. */
function tiesRow(g: IntoGround, sections: readonly TiedSection[], entry: IntoBase): Row[] {
  const points = sections.flatMap((s) => roundTie(g, s, entry.pieces));
  if (points.length === 0) return [];
  // A row is a line: with one place alone it goes on a hair's breadth.
  const line = points.length === 1 ? [points[0], along(points[0], [0, 0, 1], 1e-3)] : points;
  const curve = stepped(curveFromPoints(g.mesh, Float64Array.from(line.flat())), g.fingerMm);
  const placesMm = Array.from(curve.arcMm.slice(0, points.length)).filter((_, i) => !g.isOff(curve.fromVertex[i]));
  return placesMm.length === 0 ? [] : [{ ...plainRow(curve, intoOf(g, entry, 'tied roots')), placesMm }];
}

/** Lengths along it with every step from tie to tie counted as no more than so many mm: nothing lies between. */
function stepped(curve: Row['curve'], mostMm: number): Row['curve'] {
  const arcMm = new Float64Array(curve.pointCount);
  for (let i = 1; i < arcMm.length; i++)
    arcMm[i] = arcMm[i - 1] + Math.min(mostMm, curve.arcMm[i] - curve.arcMm[i - 1]);
  return { ...curve, arcMm, lengthMm: arcMm[arcMm.length - 1] };
}

function roundTie({ shape }: IntoGround, { tieMm, tailThicknessMm }: TiedSection, count: number): Vec3[] {
  if (count === 1) return [tieMm];
  const radius = Math.max(LEAST_RING_MM, tailThicknessMm / 2);
  const out = unit(tieMm);
  const aside = unit(cross(out, Math.abs(out[1]) < 0.9 ? [0, 1, 0] : [0, 0, 1]));
  // Begun above the tie, so that the other side of the head is its mirror image.
  const up = cross(aside, out);
  return Array.from({ length: count }, (_, i) => {
    const turn = (2 * Math.PI * i) / count;
    return onSurface(shape, along(along(tieMm, up, radius * cos(turn)), aside, radius * sin(turn)));
  });
}

const TAIL_WORDS = { plait: 'plait', twist: 'twist', smooth: 'tail' } as const;

/** Along one tail, from its tie, so far as she says. */
function tailRow(g: IntoGround, section: TiedSection, entry: IntoBase): Row[] {
  const { wayMm } = section;
  if (wayMm.length < 6) return [];
  const gapMm = g.gapMm.get(entry.id) as number;
  const lengthMm = lengthOf(wayMm);
  const reach = entry.reachFingers === 0 ? lengthMm : Math.min(lengthMm, entry.reachFingers * g.fingerMm);
  const off = entry.way === 'beside' ? section.tailThicknessMm / 2 + CHANNEL_MM : 0;
  const curve = curveFromPoints(g.mesh, besideWay(g, wayMm, off, reach / lengthMm));
  const count = Math.floor(curve.lengthMm / gapMm + 0.5);
  const placesMm = evenPlaces(curve, count).filter((arc) => !g.isOff(knotVertex(curve, arc)));
  const into = intoOf(g, entry, `${TAIL_WORDS[section.tail]}, ${lowerFirst(section.name)}`, section.id);
  return placesMm.length === 0 ? [] : [{ ...plainRow(curve, into), placesMm }];
}

const knotVertex = (curve: Row['curve'], arcMm: number) => {
  const i = curve.arcMm.findIndex((a) => a >= arcMm);
  return curve.fromVertex[i < 0 ? curve.pointCount - 1 : i];
};

const evenPlaces = ({ lengthMm }: Row['curve'], count: number) =>
  Array.from({ length: count }, (_, i) => ((i + 0.5) * lengthMm) / count);

/** So much of a way, so far outside it: on the side away from the middle of the head. */
function besideWay({ shape }: IntoGround, wayMm: Float64Array, offMm: number, share: number): Float64Array {
  const even = resampled(wayMm, Math.max(3, Math.ceil(lengthOf(wayMm) / STEP_MM) + 1));
  const last = Math.max(2, Math.round(share * (even.length / 3 - 1)));
  const out: number[] = [];
  for (let i = 0; i <= last; i++) {
    const at = pointAt(even, i);
    const [before, after] = [pointAt(even, Math.max(0, i - 1)), pointAt(even, Math.min(last, i + 1))];
    const aside = unit(cross(unit(at), unit(minus(after, before))));
    const isOutwards = aside[0] * at[0] > 0 || (at[0] === 0 && aside[1] < 0);
    out.push(...onSurface(shape, along(at, aside, isOutwards ? offMm : -offMm)));
  }
  return Float64Array.from(out);
}

/** Rings about a tie: from the rim of its coil outwards, or from its middle to the rim. */
function ringsOf(g: IntoGround, section: TiedSection, entry: IntoBase): Row[] {
  const gapMm = g.gapMm.get(entry.id) as number;
  const reach = entry.reachFingers * g.fingerMm;
  const rim = section.coilMm;
  const isOver = entry.way === 'over';
  const radii: number[] = [];
  if (isOver) for (let r = gapMm / 2; r < (reach === 0 ? rim : Math.min(rim, reach)); r += gapMm) radii.push(r);
  else for (let r = rim + gapMm / 2; radii.length === 0 || r <= rim + reach; r += gapMm) radii.push(r);
  const away = Float64Array.from({ length: g.mesh.vertexCount }, (_, v) =>
    distance(pointAt(g.mesh.positionsMm, v), section.tieMm),
  );
  const into = intoOf(
    g,
    entry,
    `${isOver ? 'ring over' : 'ring round'} the coil, ${lowerFirst(section.name)}`,
    section.id,
  );
  return contours(g.mesh, away, radii).flatMap((curves) => curves.flatMap((c) => ringRows(g, c, gapMm, into)));
}

function ringRows(g: IntoGround, curve: Row['curve'], gapMm: number, into: IntoRow): Row[] {
  if (curve.pointCount < 4) return [];
  const ring = oriented(plainRow(curve, into));
  const isOn = (c: Row['curve']) => (i: number) => {
    const v = c.share[i] < 0.5 ? c.fromVertex[i] : c.toVertex[i];
    return g.scalp.fromHairline[v] > 0 && !g.isOff(v);
  };
  const indices = Array.from({ length: curve.pointCount }, (_, i) => i);
  const off = indices.find((i) => !isOn(ring.curve)(i));
  if (ring.curve.closed && off === undefined) return [withPlaces(ring, gapMm)];
  const whole = ring.curve.closed ? ringFrom(ring, off as number) : ring;
  return runsOf(indices.map(isOn(whole.curve)))
    .filter(([a, b]) => whole.curve.arcMm[b] - whole.curve.arcMm[a] >= SHORTEST * gapMm)
    .map(([a, b]) => withPlaces(oriented(plainRow(sliceCurve(whole.curve, a, b), into)), gapMm));
}

const plainRow = (curve: Row['curve'], into: IntoRow): Row => ({
  quarter: -1,
  kind: 'base',
  curve,
  gapRatio: even(curve),
  besidePart: false,
  into,
});

const withPlaces = (row: Row, gapMm: number): Row => ({
  ...row,
  placesMm: evenPlaces(row.curve, Math.max(1, Math.round(row.curve.lengthMm / gapMm))),
});
