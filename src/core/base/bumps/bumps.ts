/**
 * The bump map: how high the parked base stands above the scalp, mm. Own hair between its root and its tie lies
 * flat and gathers towards the tie; a tail lies along its way, pressed flat under a net; what a parcel or coil
 * holds lies in a heap. Every part is spread so that the volume of the map is the volume of the hair, whatever
 * the mesh. How flat hair is pressed is a guess; the volume is not.
 */

import {
  distanceMm,
  evenOut,
  forVerticesWithin,
  IndexedHeap,
  nearestVertex,
  polylineLength,
  type SurfaceMesh,
} from '../../geometry/index.ts';
import type { Point } from '../../head/index.ts';
import { cbrt } from '../../numerics/index.ts';
import { PACKING } from '../../trade/index.ts';
import type { Laying } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import type { SectionMap } from '../sections/section-map.ts';
import { type ParkedTail, spinePoints, surfaceWay } from '../tails/parking.ts';
import type { Tail } from '../tails/tails.ts';
import type { Deposit } from './deposit.ts';
import { findLumps, type Lump } from './lumps.ts';
import { heights } from './settle-hair.ts';

/** Width over height of a tail under a net, and of a rod, which stays round (guesses). */
const FLATTENED = 2.4;
const ROD_FLATTENED = 1;
/** Width over height of a heap that is pinned flat (guess). */
const HEAP_FLATTENED = 3.2;
/** Hair drawn round the ear or into a tie lies beside other hair before it lies on it: about a centimetre, as passes of a mean (guess). */
const BESIDE = 9;
/** How much of a tail's width each further fold adds (guess). */
const FOLD_BESIDE = 0.6;
/** Where hair is drawn together it fans out over so many thicknesses of the tail (guess). */
const FUNNEL = 1.7;

export interface BumpMap {
  /** Above the scalp at every vertex, mm. */
  readonly heightMm: Float64Array;
  readonly highestMm: number;
  readonly highestVertex: number;
  readonly lumps: readonly Lump[];
}

/** Loose hair longer than this falls with the style and lies on no scalp, mm. */
const LOOSE_REACH_MM = 45;
/** Hair is taken up into a row or flat twist after so much of it has lain flat, mm. */
const ROW_REACH_MM = 12;
/** Laid hair longer than this is folded under by hand at the nape and pinned there, mm. */
const LAID_REACH_MM = 180;

/** Hair between root and tie, by vertex, mm³. */
export function lyingVolume(
  ground: BaseContext,
  map: SectionMap,
  tails: readonly Tail[],
  parked: readonly ParkedTail[],
  choice: Laying,
): Float64Array {
  const { mesh, hair } = ground;
  const volume = new Float64Array(mesh.vertexCount);
  const sectionArea = (v: number) => {
    const region = hair.regions[hair.regionOf[v]];
    return (mesh.vertexAreasMm2[v] * region.hairsPerMm2 * Math.PI * region.diameterMm ** 2) / (4 * PACKING.lying);
  };
  const reach = parked.map(({ parking, section }) => {
    if (parking.how === 'laid') return LAID_REACH_MM;
    if (map.along && map.sections[section].role === 'base') return ROW_REACH_MM;
    return choice.family === 'grid' ? LOOSE_REACH_MM : 0;
  });
  const gathered: number[] = [];
  for (let v = 0; v < mesh.vertexCount; v++) {
    const label = map.labels[v];
    // Nothing is gathered: it lies over the scalp behind it, as long as it is or as far as there is room.
    if (reach[label] > 0) volume[v] = sectionArea(v) * Math.min(hair.regions[hair.regionOf[v]].lengthMm, reach[label]);
    else gathered.push(v);
  }
  if (gathered.length === 0) return volume;
  gatherToTies(ground, map, tails, gathered, sectionArea, volume);
  const height = fannedOut(ground, map, tails, gathered, volume).map((v, i) => v / mesh.vertexAreasMm2[i]);
  evenOut(mesh, height, BESIDE);
  return height.map((h, i) => h * mesh.vertexAreasMm2[i]);
}

/** Along edges and inside the own section: a way round the ear is found, however rough its length. */
function waysToTies(mesh: SurfaceMesh, labels: Int32Array, tails: readonly Tail[]) {
  const nearestFirst: number[] = [];
  const distance = new Float64Array(mesh.vertexCount).fill(Number.POSITIVE_INFINITY);
  const heap = new IndexedHeap(mesh.vertexCount, distance);
  for (const { tieVertex } of tails) {
    distance[tieVertex] = 0;
    heap.push(tieVertex);
  }
  while (!heap.isEmpty) {
    const v = heap.pop();
    nearestFirst.push(v);
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const u = mesh.neighbours[k];
      if (labels[u] !== labels[v]) continue;
      const through = distance[v] + distanceMm(mesh.positionsMm, v, mesh.positionsMm, u);
      if (through >= distance[u]) continue;
      distance[u] = through;
      heap.push(u);
    }
  }
  return { distance, nearestFirst };
}

/** Within a thickness of the tie the hair already is the tail: what lies there is spread over its funnel. */
function fannedOut(
  { mesh }: BaseContext,
  map: SectionMap,
  tails: readonly Tail[],
  gathered: readonly number[],
  volume: Float64Array,
): Float64Array {
  const sink = new Sink(mesh);
  const inside = new Float64Array(tails.length);
  for (const v of gathered) {
    const label = map.labels[v];
    if (distanceMm(mesh.positionsMm, v, mesh.positionsMm, tails[label].tieVertex) > tails[label].thicknessMm) continue;
    inside[label] += volume[v];
    volume[v] = 0;
  }
  tails.forEach((tail, label) => {
    if (inside[label] > 0) sink.spread(tail.tieMm, inside[label], FUNNEL * tail.thicknessMm);
  });
  const { vertices, volumeMm3 } = sink.deposit();
  for (let i = 0; i < vertices.length; i++) volume[vertices[i]] += volumeMm3[i];
  return volume;
}

/**
 * Carries hair from every root to its tie, farthest first: what passes a vertex is shared among its neighbours
 * that lie nearer to the tie, in proportion to how much nearer.
 */
function gatherToTies(
  { mesh }: BaseContext,
  map: SectionMap,
  tails: readonly Tail[],
  gathered: readonly number[],
  sectionArea: (v: number) => number,
  volume: Float64Array,
) {
  const { labels } = map;
  const { distance, nearestFirst } = waysToTies(mesh, labels, tails);
  const isGathered = new Uint8Array(mesh.vertexCount);
  for (const v of gathered) isGathered[v] = 1;
  // Section area of the hairs that pass a vertex on their way to the tie, mm².
  const flow = new Float64Array(mesh.vertexCount);
  for (let i = nearestFirst.length - 1; i >= 0; i--) {
    const v = nearestFirst[i];
    if (!isGathered[v]) continue;
    flow[v] += sectionArea(v);
    let nearer = 0;
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const u = mesh.neighbours[k];
      if (labels[u] === labels[v] && distance[u] < distance[v]) nearer += distance[v] - distance[u];
    }
    if (nearer === 0) continue;
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const u = mesh.neighbours[k];
      if (labels[u] !== labels[v] || distance[u] >= distance[v]) continue;
      const step = distance[v] - distance[u];
      const passed = (flow[v] * step) / nearer;
      flow[u] += passed;
      volume[v] += (passed * step) / 2;
      volume[u] += (passed * step) / 2;
    }
  }
}

/** What one parked tail lays down. */
export function depositTail(
  ground: BaseContext,
  map: SectionMap,
  tail: Tail,
  parked: ParkedTail,
  choice: Laying,
): Deposit {
  const sink = new Sink(ground.mesh);
  const flattened = choice.family === 'threaded' ? ROD_FLATTENED : FLATTENED;
  const width = pressedWidth(tail.crossSectionMm2, flattened);
  if (map.along && map.sections[parked.section].role === 'base') {
    // Rows and flat twists also lie along their section, growing as they take hair up.
    const way = surfaceWay(ground, spinePoints(ground, map, parked.section));
    // Hair from the front has run out where the row is longer than it.
    const most = Math.min(1, tail.hairLengthMm / Math.max(1, polylineLength(way)));
    layAlong(
      sink,
      way,
      (share) => Math.min(share, most) * tail.crossSectionMm2,
      (share) => pressedWidth(Math.max(0.2, Math.min(share, most)) * tail.crossSectionMm2, flattened),
    );
  }
  if (parked.parking.how === 'laid' || parked.parking.how === 'hanging') {
    // Loose hair of a box falls with the style; a rod lies on the head until it hangs free.
    if (parked.parking.how === 'hanging' && choice.family === 'threaded') {
      layAlong(
        sink,
        parked.pathMm,
        () => tail.crossSectionMm2,
        () => width,
      );
    }
    return sink.deposit();
  }
  const { pathMm, pathLengthMm } = parked;
  const volume = tail.crossSectionMm2 * tail.lengthMm + parked.joinedMm3 - parked.handsOnMm3;
  const heaped = parked.parking.how === 'coiled' || parked.parking.how === 'parcel';
  const heapMm3 = heaped ? parked.heapMm3 + parked.joinedMm3 : 0;
  if (pathLengthMm > 1) {
    // What is longer than the way and is not heaped lies double along it.
    const along = (volume - heapMm3) / pathLengthMm;
    // Folds lie beside each other more than on each other.
    const folds = Math.max(1, along / tail.crossSectionMm2);
    const breadth = Math.max(pressedWidth(along, flattened), width * (1 + FOLD_BESIDE * (folds - 1)));
    layAlong(
      sink,
      pathMm,
      () => along,
      () => breadth,
    );
  }
  const end = pathMm.length - 3;
  const heap = pathLengthMm > 1 ? heapMm3 : volume;
  if (heap > 0) sink.spread([pathMm[end], pathMm[end + 1], pathMm[end + 2]], heap, heapRadius(heap));
  return sink.deposit();
}

/** Width of an ellipse of this area and aspect, mm. */
function pressedWidth(areaMm2: number, flattened: number): number {
  return flattened * Math.sqrt((4 * areaMm2) / (Math.PI * flattened));
}

/** Radius of a flat heap: half an ellipsoid of width 2r and height r / flattened·2 has the volume (2π/3) r² h. */
function heapRadius(volumeMm3: number): number {
  return cbrt((3 * volumeMm3 * HEAP_FLATTENED) / (4 * Math.PI));
}

function layAlong(
  sink: Sink,
  way: ArrayLike<number>,
  areaAt: (share: number) => number,
  widthAt: (share: number) => number,
) {
  const n = way.length / 3;
  for (let i = 1; i < n; i++) {
    const a: Point = [way[3 * i - 3], way[3 * i - 2], way[3 * i - 1]];
    const b: Point = [way[3 * i], way[3 * i + 1], way[3 * i + 2]];
    const step = Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
    const share = (i - 0.5) / (n - 1);
    sink.spread([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2], areaAt(share) * step, widthAt(share) / 2);
  }
}

/** Collects volumes over the mesh. */
class Sink {
  private readonly volume = new Map<number, number>();
  private readonly stamp: Int32Array;
  private mark = 0;
  private near = 0;

  constructor(private readonly mesh: SurfaceMesh) {
    this.stamp = new Int32Array(mesh.vertexCount).fill(-1);
  }

  /** Spreads a volume over the places within a radius, highest in the middle: √(1 − (d/r)²), as an ellipse is. */
  spread([x, y, z]: Point, volumeMm3: number, radiusMm: number) {
    const { mesh } = this;
    const radius = Math.max(radiusMm, 1.1 * mesh.meanEdgeMm);
    this.near = nearestVertex(mesh, x, y, z, this.near);
    const found: number[] = [];
    const weights: number[] = [];
    let total = 0;
    forVerticesWithin(mesh, this.near, x, y, z, radius, this.stamp, this.mark++, (v) => {
      const p = mesh.positionsMm;
      const d = ((p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2) / (radius * radius);
      if (d >= 1) return;
      const w = mesh.vertexAreasMm2[v] * Math.sqrt(1 - d);
      found.push(v);
      weights.push(w);
      total += w;
    });
    if (total === 0) this.add(this.near, volumeMm3);
    for (let i = 0; i < found.length; i++) this.add(found[i], (volumeMm3 * weights[i]) / total);
  }

  deposit(): Deposit {
    return { vertices: Int32Array.from(this.volume.keys()), volumeMm3: Float64Array.from(this.volume.values()) };
  }

  private add(v: number, volume: number) {
    this.volume.set(v, (this.volume.get(v) ?? 0) + volume);
  }
}

export function bumpMap(
  ground: BaseContext,
  map: SectionMap,
  lying: Float64Array,
  deposits: readonly Deposit[],
): BumpMap {
  const { mesh } = ground;
  const volume = lying.slice();
  for (const { vertices, volumeMm3 } of deposits) {
    for (let i = 0; i < vertices.length; i++) volume[vertices[i]] += volumeMm3[i];
  }
  const heightMm = heights(mesh, volume);
  let highestVertex = 0;
  for (let v = 1; v < heightMm.length; v++) if (heightMm[v] > heightMm[highestVertex]) highestVertex = v;
  return {
    heightMm,
    highestMm: heightMm[highestVertex],
    highestVertex,
    lumps: findLumps(ground, map, heightMm, deposits),
  };
}
