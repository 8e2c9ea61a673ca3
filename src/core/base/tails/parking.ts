/** Where tails lie on the head: the way of each from its tie, how long it is, and what is left over at its end. */
import { between, distance, polylineLength } from '../../geometry/index.ts';
import { directionOf, onSurface, type Point } from '../../head/index.ts';
import { FAMILY_INFO } from '../../trade/index.ts';
import type { Laying, Parking } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import type { SectionMap } from '../sections/section-map.ts';
import type { Tail } from './tails.ts';

export interface ParkedTail {
  readonly section: number;
  readonly parking: Parking;
  /** The way the tail takes, xyz interleaved, mm; where it is longer it lies double along the end of it. */
  readonly pathMm: Float64Array;
  readonly pathLengthMm: number;
  /** Hair needed beyond the tie to get there, mm. */
  readonly neededMm: number;
  /** Volume that lies in a heap at the end of the path: a parcel or a coil, mm³. */
  readonly heapMm3: number;
  /** Volume that it hands on to the tail it joins, mm³. */
  readonly handsOnMm3: number;
  /** Volume of the tails that were fed into it, mm³. */
  readonly joinedMm3: number;
}

/** A folded tail hangs no longer than this, mm. */
const FOLD_MM = 55;
/** What hangs lies on the head so far, and then hangs free, mm. */
const HANGING_MM = 80;
/** A fold needs at least so much, mm. */
const LEAST_FOLD_MM = 25;
/** Tip that is banded or pinned, mm. */
const TIP_MM = 20;
const STEP_MM = 4;
/** A tail stays this far inside the hairline, as a share of the way to the middle. */
const INSIDE = 0.12;

/** The parking of every section: hers, or that of all, or what is usual for the family and the length of the tail. */
export function parkingOf(choice: Laying, map: SectionMap, section: number, tail: Tail): Parking {
  const { id, role } = map.sections[section];
  const own = choice.parking.bySection[id];
  if (own && (own.how !== 'fed' || map.sections.some((s) => s.id === own.into))) return own;
  if (role === 'inSight') return { how: choice.family === 'halfUp' && id === 'top' ? 'coiled' : 'laid' };
  if (choice.parking.all) return withTarget(choice.parking.all, map, section);
  if (choice.family === 'intoCoil' && id !== 'coil') return { how: 'fed', into: 'coil' };
  const usual = FAMILY_INFO[choice.family].parking;
  // What is too short to be led anywhere is folded where it is tied.
  return { how: usual === 'sewn' && tail.lengthMm < LED_MM ? 'folded' : usual };
}

/** A tail can be led over the head from this length on, mm. */
const LED_MM = 70;

/** A tail fed into another needs one: its neighbour in the order of work. */
function withTarget(how: Parking['how'], map: SectionMap, section: number): Parking {
  if (how !== 'fed') return { how };
  const others = map.sections.filter((s, i) => i !== section && s.role === 'base');
  const next = map.sections.slice(section + 1).find((s) => s.role === 'base');
  const into = next ?? others[0];
  // The last has nobody to join: it is folded.
  return into && next ? { how, into: into.id } : { how: 'folded' };
}

export function parkTails(ground: BaseContext, map: SectionMap, tails: readonly Tail[], choice: Laying): ParkedTail[] {
  return joinTails(
    map,
    map.sections.map((_, i) => parkTail(ground, map, tails, i, parkingOf(choice, map, i, tails[i]))),
  );
}

/** What is fed into a tail goes where that tail goes, also from one to the next; a circle ends where it began. */
export function joinTails(map: SectionMap, parked: readonly ParkedTail[]): ParkedTail[] {
  const joined = new Float64Array(parked.length);
  const intoOf = parked.map(({ parking }) =>
    parking.how === 'fed' ? map.sections.findIndex((s) => s.id === parking.into) : -1,
  );
  parked.forEach((tail, i) => {
    let at = i;
    for (let hops = 0; intoOf[at] >= 0 && hops < parked.length; hops++) at = intoOf[at];
    if (at !== i) joined[at] += tail.handsOnMm3;
  });
  return parked.map((tail, i) => ({ ...tail, joinedMm3: joined[i] }));
}

export function parkTail(
  ground: BaseContext,
  map: SectionMap,
  tails: readonly Tail[],
  section: number,
  parking: Parking,
): ParkedTail {
  const tail = tails[section];
  const tie = tail.tieMm;
  const parked = (
    ways: readonly Point[],
    needed: (pathMm: number) => number,
    rest: 'doubled' | 'heaped' | 'handedOn' = 'doubled',
  ): ParkedTail => {
    const whole = surfaceWay(ground, ways);
    const path = truncated(whole, tail.lengthMm);
    const pathLengthMm = polylineLength(path);
    const over = Math.max(0, tail.lengthMm - pathLengthMm) * tail.crossSectionMm2;
    return {
      section,
      parking,
      pathMm: path,
      pathLengthMm,
      neededMm: needed(polylineLength(whole)),
      heapMm3: rest === 'heaped' ? over : 0,
      handsOnMm3: rest === 'handedOn' ? over : 0,
      joinedMm3: 0,
    };
  };
  const target = parking.to ? onSurface(ground.shape, directionOf(parking.to)) : undefined;
  switch (parking.how) {
    case 'laid':
      return parked([tie], () => 0);
    case 'coiled':
      return parked([tie], () => TIP_MM + 2 * tail.thicknessMm, 'heaped');
    case 'folded':
      return parked([tie, towards(ground, tie, target ?? wayDown(ground, tie), FOLD_MM)], () => LEAST_FOLD_MM + TIP_MM);
    case 'sewn':
      return parked(target ? [tie, target] : sewnWay(ground, tie), (way) => Math.min(way, FOLD_MM) + TIP_MM);
    case 'hanging':
      return parked([tie, towards(ground, tie, target ?? lowPoint(ground, tie), HANGING_MM)], () => 0);
    case 'wrapped':
      return parked(wrappedWay(ground, tie, target), () => 2 * FOLD_MM + TIP_MM);
    case 'crossed': {
      // Slantwise up to the other side, so that two tails lie on each other only where they cross.
      const up = inward(ground, [-tie[0] * 1.15, ground.mark.earTop[1] + 18, -0.3 * ground.shape.backDepthMm]);
      return parked([tie, target ?? up], () => 2 * Math.abs(tie[0]) + TIP_MM);
    }
    case 'fed': {
      const into = map.sections.findIndex((s) => s.id === parking.into);
      // Without anybody to join it is folded.
      if (into < 0 || into === section) return parkTail(ground, map, tails, section, { how: 'folded' });
      return parked([tie, tails[into].tieMm], (way) => way + TIP_MM, 'handedOn');
    }
    case 'parcel':
      return parked([tie, target ?? parcelPlace(ground)], (way) => way + TIP_MM, 'heaped');
    case 'tucked':
      return parked([tie, ...spine(ground, map, section)], () => TIP_MM + FOLD_MM / 2);
  }
}

/** Where a parcel lies unless she says otherwise: behind, under the fullest place. */
export function parcelPlace({ mark, shape }: BaseContext): Point {
  const [, oy, oz] = mark.occiput;
  const [, ny, nz] = mark.napeHairline;
  return onSurface(shape, [0, oy + 0.45 * (ny - oy), oz + 0.45 * (nz - oz)]);
}

/** Straight down behind the ear, inside the hairline: where a tail goes by itself. */
function lowPoint(ground: BaseContext, tie: Point): Point {
  const { napeCorner, napeHairline } = ground.mark;
  const share = Math.min(1, Math.abs(tie[0]) / Math.max(1, napeCorner[0]));
  const x = Math.sign(tie[0] || 1) * share * napeCorner[0] * 0.85;
  return inward(ground, [
    x,
    napeHairline[1] + share * (napeCorner[1] - napeHairline[1]),
    napeHairline[2] + share * (napeCorner[2] - napeHairline[2]),
  ]);
}

/** Down, unless it is tied so low that there is no room: then up. */
function wayDown(ground: BaseContext, tie: Point): Point {
  const low = lowPoint(ground, tie);
  return distance(tie, low) > FOLD_MM ? low : upBehind(ground, tie);
}

/** Down to the nape and, as far as it is longer, up again behind. */
function sewnWay(ground: BaseContext, tie: Point): Point[] {
  const low = lowPoint(ground, tie);
  const up = upBehind(ground, tie);
  return distance(tie, low) > FOLD_MM ? [tie, low, up] : [tie, up];
}

/** Above the fullest place behind, on the side of the tie. */
function upBehind(ground: BaseContext, tie: Point): Point {
  const [, oy, oz] = ground.mark.occiput;
  return onSurface(ground.shape, [0.75 * tie[0], oy + 45 * ground.scalp.scale, oz]);
}

/** Round the back of the head at the height of the tie, sinking a little, on to the other side. */
function wrappedWay(ground: BaseContext, tie: Point, target: Point | undefined): Point[] {
  if (target) return [tie, target];
  const { mark } = ground;
  const side = Math.sign(tie[0] || 1);
  const height = Math.max(tie[1] - 12, mark.napeCorner[1] * 0.7);
  const behind = onSurface(ground.shape, [0, height, -ground.shape.backDepthMm]);
  const other = inward(ground, [
    -side * mark.earTop[0],
    Math.max(height, mark.earTop[1] + 14),
    -0.25 * ground.shape.backDepthMm,
  ]);
  return [tie, behind, other];
}

/** Back along a twist that lies on the scalp, from its tie to its start. */
function spine(ground: BaseContext, map: SectionMap, section: number): Point[] {
  return spinePoints(ground, map, section).reverse();
}

const SPINE_POINTS = 9;

/** How a row runs from its start to its tie: as she entered it, or along the middle of its section. */
export function spinePoints({ mesh, massG, shape, backwards }: BaseContext, map: SectionMap, section: number): Point[] {
  const { way } = map.sections[section];
  if (way) return way.map((d) => onSurface(shape, directionOf(d)));
  const along = map.along ?? backwards;
  const p = mesh.positionsMm;
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (map.labels[v] !== section) continue;
    low = Math.min(low, along[v]);
    high = Math.max(high, along[v]);
  }
  const sums = Array.from({ length: SPINE_POINTS }, () => [0, 0, 0, 0]);
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (map.labels[v] !== section) continue;
    const bin = Math.min(SPINE_POINTS - 1, Math.floor(((along[v] - low) / Math.max(1e-9, high - low)) * SPINE_POINTS));
    sums[bin][3] += massG[v];
    for (let c = 0; c < 3; c++) sums[bin][c] += massG[v] * p[3 * v + c];
  }
  return sums.filter((s) => s[3] > 0).map((s) => onSurface(shape, [s[0] / s[3], s[1] / s[3], s[2] / s[3]]));
}

/** A place drawn a little towards the back of the head, so that a tail never lies over the hairline. */
function inward(ground: BaseContext, at: Point): Point {
  const [, oy, oz] = ground.mark.occiput;
  return onSurface(ground.shape, [at[0] * (1 - INSIDE), at[1] + INSIDE * (oy - at[1]), at[2] + INSIDE * (oz - at[2])]);
}

function towards(ground: BaseContext, from: Point, to: Point, mm: number): Point {
  return onSurface(ground.shape, between(from, to, Math.min(1, mm / Math.max(1, distance(from, to)))));
}

/** Points every few mm over the head between the places, by the plane through the middle of the head. */
export function surfaceWay({ shape }: Pick<BaseContext, 'shape'>, ways: readonly Point[]): Float64Array {
  const out: number[] = [...ways[0]];
  for (let i = 1; i < ways.length; i++) {
    const a = ways[i - 1];
    const b = ways[i];
    const chord = distance(a, b);
    const steps = Math.max(1, Math.ceil(chord / STEP_MM));
    for (let k = 1; k <= steps; k++) {
      out.push(...onSurface(shape, between(a, b, k / steps)));
    }
  }
  return Float64Array.from(out);
}

/** The first so many mm of a way. */
function truncated(path: Float64Array, lengthMm: number): Float64Array {
  let walked = 0;
  for (let i = 3; i < path.length; i += 3) {
    const step = Math.sqrt(
      (path[i] - path[i - 3]) ** 2 + (path[i + 1] - path[i - 2]) ** 2 + (path[i + 2] - path[i - 1]) ** 2,
    );
    if (walked + step >= lengthMm) {
      const out = path.slice(0, i + 3);
      const t = step > 0 ? (lengthMm - walked) / step : 0;
      for (let c = 0; c < 3; c++) out[i + c] = path[i - 3 + c] + t * (path[i + c] - path[i - 3 + c]);
      return out;
    }
    walked += step;
  }
  return path;
}
