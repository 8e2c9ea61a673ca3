/**
 * The families of bases, each a generator on her own head: it hands every vertex of the scalp to a section.
 * Parcels hold equal hair mass, because even bites are what makes a base even. All ways of sectioning are
 * common practice, no source.
 */

import { distanceFrom } from '../../geometry/eikonal.ts';
import { type DirectionDeg, directionDeg, directionOf, onSurface } from '../../head/marks.ts';
import { atan2, cos, sin } from '../../numerics/elementary.ts';
import { BASE_LIMITS, type Family } from '../../trade/bases.ts';
import type { Sectioning } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import { surfaceWay } from '../tails/parking.ts';
import {
  compactSections,
  connectedPieces,
  divide,
  evenShares,
  keepConnected,
  LEAST_SECTION_MM2,
  type SectionMap,
  type SectionRole,
  type SectionSeed,
} from './section-map.ts';

export interface PartOnHead {
  /** xyz interleaved from the hairline backwards, mm; empty without a part. */
  readonly pointsMm: Float64Array;
}

export const NO_PART: PartOnHead = { pointsMm: new Float64Array(0) };

/** Sections as they are laid, before any edit. */
export function generateSections(ground: BaseContext, choice: Sectioning, part: PartOnHead): SectionMap {
  const draft = new Draft(ground);
  const free = setAside(ground, choice, draft);
  if (free.length > 0) GENERATORS[choice.family](ground, choice, free, draft, part);
  keepConnected(ground.mesh, draft.labels);
  return compactSections({ labels: draft.labels, sections: draft.sections, along: draft.along });
}

class Draft {
  readonly labels: Int32Array;
  readonly sections: SectionSeed[] = [];
  along?: Float64Array;

  constructor(ground: BaseContext) {
    this.labels = new Int32Array(ground.mesh.vertexCount);
  }

  add(
    vertices: readonly number[],
    id: string,
    name: string,
    role: SectionRole = 'base',
    more: Pick<SectionSeed, 'tie' | 'way' | 'ring'> = {},
  ) {
    const label = this.sections.length;
    this.sections.push({ id, name, role, ...more });
    for (const v of vertices) this.labels[v] = label;
  }
}

type Generator = (ground: BaseContext, choice: Sectioning, free: number[], draft: Draft, part: PartOnHead) => void;

/** Own hair in sight that she painted, and the strip left out; what is left is sectioned. */
function setAside(ground: BaseContext, choice: Sectioning, draft: Draft): number[] {
  const { mesh, masks } = ground;
  const isOut = stripTest(ground, choice);
  const kept = Int32Array.from({ length: mesh.vertexCount }, (_, v) => (masks.inSight[v] || isOut(v) ? 1 : 0));
  const free: number[] = [];
  let count = 0;
  for (const piece of connectedPieces(mesh, kept)) {
    const area = piece.vertices.reduce((sum, v) => sum + mesh.vertexAreasMm2[v], 0);
    if (piece.label === 1 && area >= LEAST_SECTION_MM2) {
      count++;
      draft.add(piece.vertices, `sight${count}`, `own hair in sight${count > 1 ? ` ${count}` : ''}`, 'inSight');
    } else {
      free.push(...piece.vertices);
    }
  }
  return free.sort((a, b) => a - b);
}

function stripTest({ scalp, line, mesh, fingerMm }: BaseContext, { leftOut }: Sectioning): (v: number) => boolean {
  const width = leftOut.fingers * fingerMm;
  const p = mesh.positionsMm;
  switch (leftOut.where) {
    case 'none':
      return () => false;
    case 'front':
      return (v) => scalp.fromFrontHairline[v] < width;
    case 'nape':
      return (v) => scalp.fromNape[v] < width;
    case 'around':
      return (v) => scalp.fromHairline[v] < width;
    case 'sides':
      return (v) => {
        const azimuth = Math.abs(atan2(p[3 * v], p[3 * v + 2]));
        return (
          scalp.fromHairline[v] < width && azimuth > line.azimuthsRad.temple && azimuth < line.azimuthsRad.napeCorner
        );
      };
  }
}

const GENERATORS: Readonly<Record<Family, Generator>> = {
  tied(ground, { behind, front }, free, draft) {
    sectors(ground, free, behind, front, draft);
  },

  allOver(ground, { count }, free, draft) {
    cells(ground, free, count, 'plait', draft);
  },

  threaded(ground, { count }, free, draft) {
    cells(ground, free, count, 'rod', draft);
  },

  crossed(ground, _, free, draft) {
    const low = (side: 1 | -1) =>
      directionDeg(ground.mark.napeCorner.map((c, i) => (i === 0 ? side * c * 0.62 : i === 1 ? c * 0.72 : c)) as never);
    draft.add(
      free.filter((v) => ground.aside[v] >= 0),
      'left',
      'left tail',
      'base',
      { tie: low(1) },
    );
    draft.add(
      free.filter((v) => ground.aside[v] < 0),
      'right',
      'right tail',
      'base',
      { tie: low(-1) },
    );
  },

  behindPart(ground, _, free, draft, part) {
    const isLeft = leftOfPart(ground, part);
    draft.add(free.filter(isLeft), 'left', 'left of the part');
    draft.add(
      free.filter((v) => !isLeft(v)),
      'right',
      'right of the part',
    );
  },

  intoCoil(ground, { count }, free, draft) {
    const before = free.filter((v) => ground.beforeEars[v] >= 0);
    const behind = free.filter((v) => ground.beforeEars[v] < 0);
    draft.add(behind, 'coil', 'coil behind', 'base', { tie: tieDirection(ground, 'back') });
    const across = sideways(ground);
    divide(before, across, ground.massG, evenShares(Math.min(count, 8))).forEach((parcel, i, all) => {
      draft.add(parcel, `f${i + 1}`, `front tail ${i + 1} of ${all.length}, from your left`);
    });
  },

  flatTwists(ground, { count }, free, draft) {
    rowsBack(ground, free, count, 'twist', draft);
  },

  halfUp(ground, { behind, topFingers }, free, draft) {
    const isTop = aboveHalfLine(ground, topFingers);
    const top = free.filter(isTop);
    draft.add(top, 'top', 'top, your own hair in sight', 'inSight', { tie: directionDeg(ground.mark.crown) });
    const rest = free.filter((v) => !isTop(v));
    divide(rest, fromLeft(ground), ground.massG, evenShares(behind)).forEach((parcel, i) => {
      draft.add(parcel, `b${i + 1}`, `behind ${i + 1} of ${behind}, from your left`);
    });
  },

  puff(ground, { tieAt, ringFingers }, free, draft) {
    const width = ringFingers * ground.fingerMm;
    const ring = free.filter((v) => ground.scalp.fromHairline[v] < width);
    if (ring.length > 0) draft.add(ring, 'ring', 'ring of your own hair', 'inSight');
    draft.add(
      free.filter((v) => ground.scalp.fromHairline[v] >= width),
      'coil',
      'puff',
      'base',
      { tie: tieDirection(ground, tieAt) },
    );
  },

  laidFlat(ground, _, free, draft) {
    draft.add(free, 'all', 'all of it, laid back', 'base', { tie: directionDeg(ground.mark.occiput) });
  },

  found(ground, choice, free, draft) {
    if (choice.found.lines.length === 0) rowsBack(ground, free, choice.count, 'row', draft);
    else nearestLines(ground, choice, free, draft);
  },

  grid(ground, choice, free, draft) {
    if (choice.boxes === 'diamond') diamonds(ground, choice, free, draft);
    else boxes(ground, choice, free, draft);
  },
};

/** Half behind and half in front of the line from ear to ear over the crown, each cut into sectors. */
function sectors(ground: BaseContext, free: number[], behind: number, front: number, draft: Draft) {
  const isFront = (v: number) => front > 0 && (behind === 0 || ground.beforeEars[v] >= 0);
  const back = free.filter((v) => !isFront(v));
  if (behind > 0) {
    divide(back, fromLeft(ground), ground.massG, evenShares(behind)).forEach((parcel, i) => {
      draft.add(parcel, `b${i + 1}`, `behind ${i + 1} of ${behind}, from your left`);
    });
  }
  if (front === 0) return;
  divide(free.filter(isFront), sideways(ground), ground.massG, evenShares(front)).forEach((parcel, i) => {
    draft.add(parcel, `f${i + 1}`, `front ${i + 1} of ${front}, from your left`);
  });
}

/** Bands from the nape up, each cut into cells, so that every cell holds the same mass and is about as wide as high. */
function cells(ground: BaseContext, free: number[], count: number, word: string, draft: Draft) {
  const area = free.reduce((sum, v) => sum + ground.mesh.vertexAreasMm2[v], 0);
  const total = free.reduce((sum, v) => sum + ground.massG[v], 0);
  const height = Math.sqrt(area / count);
  let highest = 0;
  for (const v of free) highest = Math.max(highest, ground.scalp.fromNape[v]);
  const bands = Math.max(1, Math.min(count, Math.round(highest / height)));
  // How many cells each band of equal height would hold; then bands of so much mass.
  const byHeight = free.reduce((sums, v) => {
    const band = Math.min(bands - 1, Math.floor((ground.scalp.fromNape[v] / highest) * bands));
    sums[band] += ground.massG[v];
    return sums;
  }, new Array<number>(bands).fill(0));
  const counts = wholeShares(
    byHeight.map((m) => (m / total) * count),
    count,
  );
  const filled = counts.filter((n) => n > 0);
  divide(free, ground.scalp.fromNape, ground.massG, filled).forEach((band, i) => {
    divide(band, sideways(ground), ground.massG, evenShares(filled[i])).forEach((parcel, k) => {
      draft.add(
        parcel,
        `r${i + 1}.${k + 1}`,
        `${word} ${k + 1} of ${filled[i]} in band ${i + 1} from the nape, from your left`,
      );
    });
  });
}

/** Whole numbers near the given ones, with exactly that sum: the largest remainders are rounded up. */
function wholeShares(shares: readonly number[], sum: number): number[] {
  const whole = shares.map(Math.floor);
  const order = shares.map((s, i) => ({ i, rest: s - whole[i] })).sort((a, b) => b.rest - a.rest || a.i - b.i);
  const missing = sum - whole.reduce((a, b) => a + b, 0);
  for (let k = 0; k < missing; k++) whole[order[k % order.length].i]++;
  return whole;
}

/** Rows from the front to the nape, side by side, each tied at its end. */
function rowsBack(ground: BaseContext, free: number[], count: number, word: string, draft: Draft) {
  draft.along = ground.backwards;
  divide(free, sideways(ground), ground.massG, evenShares(count)).forEach((parcel, i) => {
    const name = `${word} ${i + 1} of ${count}, from your left`;
    draft.add(parcel, `row${i + 1}`, name, 'base', { tie: rowEnd(ground, parcel) });
  });
}

/** The last part of a row, where its tie lies. */
const ROW_END_SHARE = 0.06;

function rowEnd(ground: BaseContext, parcel: readonly number[]): DirectionDeg {
  const p = ground.mesh.positionsMm;
  const [, end] = divide(parcel, ground.backwards, ground.massG, [1 - ROW_END_SHARE, ROW_END_SHARE]);
  const middle: [number, number, number] = [0, 0, 0];
  for (const v of end) for (let c = 0; c < 3; c++) middle[c] += p[3 * v + c];
  return directionDeg(middle);
}

/** Strips along lines that are already there: every place belongs to the line nearest to it. */
function nearestLines(ground: BaseContext, { found }: Sectioning, free: number[], draft: Draft) {
  draft.along = ground.backwards;
  const lines = found.lines.slice(0, BASE_LIMITS.lines).map((line) => densePoints(ground, line));
  const parcels: number[][] = lines.map(() => []);
  for (const v of free) parcels[nearestOf(ground, v, lines)].push(v);
  lines.forEach((_, i) => {
    if (parcels[i].length === 0) return;
    const way = found.lines[i];
    draft.add(parcels[i], `row${i + 1}`, `row ${i + 1} of ${lines.length}`, 'base', { tie: way[way.length - 1], way });
  });
}

/** Boxes of one size: rings about the crown, each cut into whole boxes; bricks are offset by half a box. */
function boxes(ground: BaseContext, choice: Sectioning, free: number[], draft: Draft) {
  const side = choice.boxFingers * ground.fingerMm;
  ringsOfBoxes(ground, free, side).forEach(({ vertices, boxes: k }, ring) => {
    parcelsOfRing(ground, vertices, k, choice.boxes === 'brick' && ring % 2 === 1).forEach((parcel, i, all) => {
      draft.add(parcel, `x${ring + 1}.${i + 1}`, boxName(ring, i, all.length), 'base', { ring: ring + 1 });
    });
  });
}

/** Diamonds: the places nearest to each point of a staggered lattice whose rows lie half as far apart as its points. */
function diamonds(ground: BaseContext, choice: Sectioning, free: number[], draft: Draft) {
  const side = choice.boxFingers * ground.fingerMm;
  const p = ground.mesh.positionsMm;
  const seeds: Float64Array[] = [];
  const boxes: Array<readonly [id: string, name: string, ring: number]> = [];
  ringsOfBoxes(ground, free, side, side / Math.SQRT2).forEach(({ vertices, boxes: k }, ring) => {
    // A parcel's middle is a lattice point; every other ring is offset by half a step.
    parcelsOfRing(ground, vertices, k, ring % 2 === 1).forEach((parcel, i, all) => {
      if (parcel.length === 0) return;
      const middle = new Float64Array(3);
      for (const v of parcel) for (let c = 0; c < 3; c++) middle[c] += p[3 * v + c] / parcel.length;
      seeds.push(middle);
      boxes.push([`x${ring + 1}.${i + 1}`, boxName(ring, i, all.length), ring + 1]);
    });
  });
  const parcels: number[][] = seeds.map(() => []);
  for (const v of free) parcels[nearestOf(ground, v, seeds)].push(v);
  parcels.forEach((parcel, i) => {
    const [id, name, ring] = boxes[i];
    draft.add(parcel, id, name, 'base', { ring });
  });
}

const boxName = (ring: number, i: number, of: number) =>
  `box ${i + 1} of ${of} in row ${ring + 1} from the edge, from your left`;

/** One ring from her left of the face round the back to her right; offset, it starts and ends with half a box. */
function parcelsOfRing(ground: BaseContext, vertices: readonly number[], boxes: number, offset: boolean): number[][] {
  const shares = offset && boxes > 1 ? [0.5, ...evenShares(boxes - 1), 0.5] : evenShares(boxes);
  return divide(vertices, fromLeft(ground), ground.mesh.vertexAreasMm2, shares);
}

/**
 * Rows as they are laid, level round the head and closing up about the crown, from the edge upwards; and how many
 * boxes of the given area fit into each.
 */
function ringsOfBoxes(ground: BaseContext, free: number[], side: number, height = side) {
  const fromCrown = distanceFrom(ground.mesh, { pointsMm: ground.mark.crown });
  let farthest = 0;
  for (const v of free) farthest = Math.max(farthest, fromCrown[v]);
  const rings = Math.max(1, Math.round(farthest / height));
  const vertices: number[][] = Array.from({ length: rings }, () => []);
  for (const v of free) {
    vertices[rings - 1 - Math.min(rings - 1, Math.floor((fromCrown[v] / farthest) * rings))].push(v);
  }
  const area = (ring: number[]) => ring.reduce((sum, v) => sum + ground.mesh.vertexAreasMm2[v], 0);
  return vertices
    .filter((ring) => area(ring) >= LEAST_SECTION_MM2)
    .map((ring) => ({ vertices: ring, boxes: Math.max(1, Math.round(area(ring) / (side * side))) }));
}

/** Rises from her left to her right. */
function sideways(ground: BaseContext): Float64Array {
  return ground.aside.map((v) => -v);
}

/** The same behind, about the vertical axis. */
function fromLeft(ground: BaseContext): Float64Array {
  return ground.aroundBack.map((v) => -v);
}

/** Whether a vertex lies on her left of the part, run on behind its end to the middle of the nape. */
function leftOfPart(ground: BaseContext, part: PartOnHead): (v: number) => boolean {
  const q = part.pointsMm;
  const n = q.length / 3;
  if (n < 2) return (v) => ground.aside[v] >= 0;
  const angleOf = (i: number) => atan2(q[3 * i + 1], q[3 * i + 2]);
  const nape = atan2(ground.mark.napeHairline[1], ground.mark.napeHairline[2]) + 2 * Math.PI;
  const end = angleOf(n - 1);
  const xAt = (angle: number) => {
    if (angle >= end) return q[3 * (n - 1)] * Math.max(0, (nape - angle) / (nape - end));
    let i = 0;
    while (i < n - 2 && angleOf(i + 1) < angle) i++;
    const share = Math.min(1, Math.max(0, (angle - angleOf(i)) / Math.max(1e-9, angleOf(i + 1) - angleOf(i))));
    return q[3 * i] + share * (q[3 * i + 3] - q[3 * i]);
  };
  return (v) => ground.mesh.positionsMm[3 * v] >= xAt(ground.backwards[v]);
}

/** Above the plane through both temples and the middle line so many fingers behind the crown. */
function aboveHalfLine({ mesh, mark, fingerMm, shape }: BaseContext, fingers: number): (v: number) => boolean {
  const [, ty, tz] = mark.temple;
  const [, by, bz] = behindCrown(shape, mark.crown, fingers * fingerMm);
  return (v) => {
    const z = mesh.positionsMm[3 * v + 2];
    return mesh.positionsMm[3 * v + 1] > ty + ((z - tz) / (bz - tz)) * (by - ty);
  };
}

/** On the middle line, so far behind the crown; at least a little, so that the plane has a slope. */
function behindCrown(shape: BaseContext['shape'], crown: readonly number[], mm: number) {
  const radius = Math.sqrt(crown[1] ** 2 + crown[2] ** 2);
  const angle = atan2(crown[1], crown[2]) + Math.max(10, mm) / radius;
  return onSurface(shape, [0, sin(angle), cos(angle)]);
}

function tieDirection(ground: BaseContext, place: Sectioning['tieAt']): DirectionDeg {
  const { crown, frontHairline, occiput } = ground.mark;
  const between = (a: readonly number[], b: readonly number[], share: number) =>
    directionDeg([0, a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])]);
  if (place === 'crown') return directionDeg(crown);
  return place === 'high' ? between(crown, frontHairline, 0.35) : between(crown, occiput, 0.72);
}

/** A line as she entered it, with points close enough that the nearest one tells the distance to it. */
function densePoints(ground: BaseContext, line: readonly DirectionDeg[]): Float64Array {
  return surfaceWay(
    ground,
    line.map((d) => onSurface(ground.shape, directionOf(d))),
  );
}

function nearestOf(ground: BaseContext, v: number, lines: readonly Float64Array[]): number {
  const p = ground.mesh.positionsMm;
  const x = p[3 * v];
  const y = p[3 * v + 1];
  const z = p[3 * v + 2];
  let best = 0;
  let nearest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < lines.length; i++) {
    const q = lines[i];
    for (let k = 0; k < q.length; k += 3) {
      const d = (q[k] - x) * (q[k] - x) + (q[k + 1] - y) * (q[k + 1] - y) + (q[k + 2] - z) * (q[k + 2] - z);
      if (d < nearest) {
        nearest = d;
        best = i;
      }
    }
  }
  return best;
}
