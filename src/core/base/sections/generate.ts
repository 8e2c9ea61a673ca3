/**
 * The families of bases, each a generator on her own head: it hands every vertex of the scalp to a section.
 * Parcels hold equal hair mass, because even bites are what makes a base even. All ways of sectioning are
 * common practice, no source.
 */

import { type DirectionDeg, directionDeg } from '../../head/index.ts';
import { atan2 } from '../../numerics/index.ts';
import { BASE_LIMITS, type Family } from '../../trade/index.ts';
import type { Sectioning } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import { Draft } from './draft.ts';
import { aboveHalfLine, densePoints, fromLeft, leftOfPart, nearestOf, type PartOnHead, sideways } from './fields.ts';
import { boxes, diamonds } from './grid.ts';
import {
  compactSections,
  connectedPieces,
  divide,
  evenShares,
  keepConnected,
  LEAST_SECTION_MM2,
  type SectionMap,
} from './section-map.ts';

/** Sections as they are laid, before any edit. */
export function generateSections(ground: BaseContext, choice: Sectioning, part: PartOnHead): SectionMap {
  const draft = new Draft(ground);
  const free = setAside(ground, choice, draft);
  if (free.length > 0) GENERATORS[choice.family](ground, choice, free, draft, part);
  keepConnected(ground.mesh, draft.labels);
  return compactSections({ labels: draft.labels, sections: draft.sections, along: draft.along });
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

function tieDirection(ground: BaseContext, place: Sectioning['tieAt']): DirectionDeg {
  const { crown, frontHairline, occiput } = ground.mark;
  const between = (a: readonly number[], b: readonly number[], share: number) =>
    directionDeg([0, a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])]);
  if (place === 'crown') return directionDeg(crown);
  return place === 'high' ? between(crown, frontHairline, 0.35) : between(crown, occiput, 0.72);
}
