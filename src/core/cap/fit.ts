/** A cap on her head over the parked base: what size is looked for, how it is stretched, what share of the pull it takes. */
import { polygonHull, polygonLength } from 'd3-polygon';
import { nearestVertex, type SurfaceMesh } from '../geometry/index.ts';
import { type HeadShape, tapePolyline } from '../head/index.ts';
import type { Cap, Dome } from '../trade/index.ts';
import { knotsToCloseTop } from './opening.ts';
import { type NetOnForm, netOn } from './stretch.ts';

export interface CapFit {
  readonly dome: Dome;
  /** Girth of the bare head, mm. */
  readonly girthBareMm: number;
  /** Girth it has to span over the parked base, mm. */
  readonly girthOverBaseMm: number;
  /** Front to nape of her head, mm. */
  readonly depthMm: number;
  readonly bareSizeName: string;
  readonly sizeName: string;
  /** The cap that she has, drawn out as far as is comfortable; unworn while nobody is known to wear it. */
  readonly fit: 'slack' | 'snug' | 'tight' | 'unworn';
  readonly onHead: NetOnForm;
  /** On the form it is filled on; the same as on the head where it is filled worn. */
  readonly onForm: NetOnForm;
  /** What of it reaches below her nape and stays empty, mm. */
  readonly emptyBackMm: number;
  readonly knotsToCloseTop: number;
  /** Share of the weight that the net takes off own hair, low and high (guess). */
  readonly shareOfPull: readonly [low: number, high: number];
}

/** Adult cap sizes by head girth, mm; common practice, no source: labels differ from maker to maker. */
const SIZES: ReadonlyArray<readonly [upTo: number, name: string]> = [
  [546, 'small'],
  [572, 'medium'],
  [597, 'large'],
];

export function capSizeName(girthMm: number): string {
  return SIZES.find(([upTo]) => girthMm <= upTo)?.[1] ?? 'extra large';
}

/** Below this stretch a net bags and shifts, mm over mm (guess). */
const SNUG_FROM = 1.02;

export function fitCap(cap: Cap, girthBareMm: number, girthOverBaseMm: number, depthMm: number, isWorn = true): CapFit {
  const none = cap.dome === 'none';
  const head = { girthMm: girthOverBaseMm, depthMm };
  const onHead = netOn(cap, head);
  const drawn = girthOverBaseMm / cap.girthMm;
  return {
    dome: cap.dome,
    girthBareMm,
    girthOverBaseMm,
    depthMm,
    bareSizeName: capSizeName(girthBareMm),
    sizeName: capSizeName(girthOverBaseMm),
    fit: !isWorn ? 'unworn' : drawn < SNUG_FROM ? 'slack' : drawn > cap.stretch ? 'tight' : 'snug',
    onHead,
    onForm: onForm(cap, onHead),
    emptyBackMm: none || !isWorn ? 0 : Math.max(0, cap.depthMm - depthMm),
    knotsToCloseTop: knotsToCloseTop(cap),
    // Worn as a wig nothing hangs on own hair but what holds it and what blends.
    shareOfPull: none ? [0, 0] : cap.wig ? [0.85, 1] : [0.5, 0.9],
  };
}

/** On a block it is drawn out as the block is, on a stand or in the hand not at all. */
function onForm(cap: Cap, onHead: NetOnForm): NetOnForm {
  if (cap.filledOn === 'head') return onHead;
  return netOn(cap, cap.filledOn === 'block' ? cap.block : cap);
}

/** Farther than this from any scalp a tape lies on skin, mm. */
const ON_SKIN_MM = 8;

/**
 * What a taut tape reads round the head with a base parked on it: the way of the girth, lifted by the bumps
 * under it, and then its hull, since a taut tape bridges what lies between two bumps.
 *
 * @param heightMm of the base at every vertex of the mesh.
 */
export function girthOver(shape: HeadShape, mesh: SurfaceMesh, heightMm: ArrayLike<number>): number {
  const way = tapePolyline(shape, 'girth', 90);
  const front = [way[0], way[1], way[2]];
  const half = 3 * Math.floor(way.length / 6);
  const back = [way[half], way[half + 1], way[half + 2]];
  const depth = Math.sqrt((front[1] - back[1]) ** 2 + (front[2] - back[2]) ** 2);
  // Along the plane of the tape, from back to front.
  const along = [0, (front[1] - back[1]) / depth, (front[2] - back[2]) / depth];
  let near = 0;
  const points: Array<[number, number]> = [];
  for (let i = 0; i < way.length; i += 3) {
    const at = [way[i], way[i + 1], way[i + 2]] as const;
    near = nearestVertex(mesh, ...at, near);
    const off = Math.sqrt(at.reduce((sum, c, k) => sum + (c - mesh.positionsMm[3 * near + k]) ** 2, 0));
    const lift = off < ON_SKIN_MM ? heightMm[near] : 0;
    const [x, y, z] = at.map((c, k) => c + lift * mesh.normals[3 * near + k]);
    points.push([x, y * along[1] + z * along[2]]);
  }
  return polygonLength(polygonHull(points) ?? points);
}
