/** Sections of a grid: boxes on rings about the crown, diamonds about a staggered lattice. */
import { distanceFrom } from '../../geometry/index.ts';
import type { Sectioning } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import type { Draft } from './draft.ts';
import { fromLeft, nearestOf } from './fields.ts';
import { divide, evenShares, LEAST_SECTION_MM2 } from './section-map.ts';

/** Boxes of one size: rings about the crown, each cut into whole boxes; bricks are offset by half a box. */
export function boxes(ground: BaseContext, choice: Sectioning, free: number[], draft: Draft) {
  const side = choice.boxFingers * ground.fingerMm;
  ringsOfBoxes(ground, free, side).forEach(({ vertices, boxes: k }, ring) => {
    parcelsOfRing(ground, vertices, k, choice.boxes === 'brick' && ring % 2 === 1).forEach((parcel, i, all) => {
      draft.add(parcel, `x${ring + 1}.${i + 1}`, boxName(ring, i, all.length), 'base', { ring: ring + 1 });
    });
  });
}

/** Diamonds: the places nearest to each point of a staggered lattice whose rows lie half as far apart as its points. */
export function diamonds(ground: BaseContext, choice: Sectioning, free: number[], draft: Draft) {
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
