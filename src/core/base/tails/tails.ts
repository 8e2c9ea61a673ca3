/**
 * What each section gives: hairs, mass, the tail at its root, how long the hair has to be, and what it takes to
 * bind it. Figures of time and counts of bands and pins are common practice, no source.
 */

import { nearestVertex } from '../../geometry/index.ts';
import { roundThicknessMm, tailAreaMm2 } from '../../hair/index.ts';
import { directionOf, onSurface, type Point } from '../../head/index.ts';
import { asin } from '../../numerics/index.ts';
import { PACKING, type ParkingHow, TAKE_UP, type TailStyle } from '../../trade/index.ts';
import { type Laying, tailStyleOf } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import type { SectionMap } from '../sections/section-map.ts';

export interface Tail {
  readonly areaMm2: number;
  readonly hairs: number;
  readonly massG: number;
  /** Weighted by hairs. */
  readonly hairLengthMm: number;
  readonly shortestHairMm: number;
  /** Of the hair-bearing area that she marked tender or thin. */
  readonly tenderShare: number;
  readonly tieMm: Point;
  readonly tieVertex: number;
  /** Root that lies farthest from the tie, mm over the head. */
  readonly farthestRootMm: number;
  readonly meanRootMm: number;
  readonly crossSectionMm2: number;
  readonly thicknessMm: number;
  /** What is left of the mean hair beyond the tie, plaited, twisted or loose. */
  readonly lengthMm: number;
  readonly style: TailStyle;
}

/** A tail has to be this long to be plaited, twisted or banded at all, mm (common practice: two to three fingers). */
export const LEAST_TAIL_MM: Readonly<Record<TailStyle, number>> = { plait: 45, twist: 40, smooth: 25 };

export function sectionTails(ground: BaseContext, map: SectionMap, choice: Laying): Tail[] {
  const style = tailStyleOf(choice);
  const sums = map.sections.map(() => newSum());
  const { mesh, hair, masks, massG } = ground;
  const p = mesh.positionsMm;
  for (let v = 0; v < mesh.vertexCount; v++) {
    const s = sums[map.labels[v]];
    const region = hair.regions[hair.regionOf[v]];
    const area = mesh.vertexAreasMm2[v];
    const hairs = area * region.hairsPerMm2;
    s.areaMm2 += area;
    s.hairs += hairs;
    s.massG += massG[v];
    s.length += hairs * region.lengthMm;
    s.section += hairs * region.diameterMm * region.diameterMm;
    s.shortest = Math.min(s.shortest, region.lengthMm);
    if (masks.tender[v] || masks.thin[v]) s.tender += area;
    for (let c = 0; c < 3; c++) s.middle[c] += massG[v] * p[3 * v + c];
  }
  const ties = map.sections.map((seed, i) =>
    tieVertex(ground, map, i, seed.tie ? onSurface(ground.shape, directionOf(seed.tie)) : middleOf(sums[i])),
  );
  const roots = rootDistances(ground, map, ties);
  return map.sections.map((_, i): Tail => {
    const s = sums[i];
    const hairLengthMm = s.length / s.hairs;
    const diameter = Math.sqrt(s.section / s.hairs);
    const crossSectionMm2 = tailAreaMm2(s.hairs, diameter, PACKING[style]);
    const meanRootMm = roots.sum[i] / s.hairs;
    const at = 3 * ties[i];
    return {
      areaMm2: s.areaMm2,
      hairs: s.hairs,
      massG: s.massG,
      hairLengthMm,
      shortestHairMm: s.shortest,
      tenderShare: s.tender / s.areaMm2,
      tieMm: [p[at], p[at + 1], p[at + 2]],
      tieVertex: ties[i],
      farthestRootMm: roots.farthest[i],
      meanRootMm,
      crossSectionMm2,
      thicknessMm: roundThicknessMm(crossSectionMm2),
      lengthMm: Math.max(0, (hairLengthMm - meanRootMm) * TAKE_UP[style]),
      style,
    };
  });
}

const newSum = () => ({
  areaMm2: 0,
  hairs: 0,
  massG: 0,
  length: 0,
  section: 0,
  shortest: Number.POSITIVE_INFINITY,
  tender: 0,
  middle: [0, 0, 0] as [number, number, number],
});

const middleOf = (s: ReturnType<typeof newSum>): Point => {
  const m = Math.max(1e-12, s.massG);
  return [s.middle[0] / m, s.middle[1] / m, s.middle[2] / m];
};

/** Nearest vertex of the section itself: the middle of a bent section may lie outside it. */
function tieVertex({ mesh }: BaseContext, map: SectionMap, label: number, at: Point): number {
  const near = nearestVertex(mesh, ...at);
  if (map.labels[near] === label) return near;
  const p = mesh.positionsMm;
  let best = -1;
  let nearest = Number.POSITIVE_INFINITY;
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (map.labels[v] !== label) continue;
    const d = (p[3 * v] - at[0]) ** 2 + (p[3 * v + 1] - at[1]) ** 2 + (p[3 * v + 2] - at[2]) ** 2;
    if (d < nearest) {
      nearest = d;
      best = v;
    }
  }
  return best;
}

/** From roots to their tie: the arc over their chord on a sphere of the head's size, within 3 per cent of the way. */
function rootDistances({ mesh, hair, shape }: BaseContext, map: SectionMap, ties: readonly number[]) {
  const p = mesh.positionsMm;
  const diameter = 2 * shape.sizeMm;
  const farthest = new Float64Array(map.sections.length);
  const sum = new Float64Array(map.sections.length);
  for (let v = 0; v < mesh.vertexCount; v++) {
    const label = map.labels[v];
    const t = ties[label];
    const dx = p[3 * v] - p[3 * t];
    const dy = p[3 * v + 1] - p[3 * t + 1];
    const dz = p[3 * v + 2] - p[3 * t + 2];
    const chord = Math.sqrt(dx * dx + dy * dy + dz * dz);
    const arc = diameter * asin(Math.min(1, chord / diameter));
    if (arc > farthest[label]) farthest[label] = arc;
    sum[label] += arc * mesh.vertexAreasMm2[v] * hair.regions[hair.regionOf[v]].hairsPerMm2;
  }
  return { farthest, sum };
}

/** What one section needs to be bound and parked. */
export interface Binding {
  readonly bands: number;
  readonly pins: number;
  readonly threadMm: number;
  readonly minutes: number;
}

const BIND_MINUTES: Readonly<Record<TailStyle, number>> = { plait: 3, twist: 2, smooth: 1.2 };
/** Minutes were told for hair of this length; other lengths in proportion for the part that grows with it. */
const REFERENCE_LENGTH_MM = 250;
const PARK: Readonly<Record<ParkingHow, Binding>> = {
  folded: { bands: 1, pins: 1, threadMm: 0, minutes: 0.8 },
  wrapped: { bands: 0, pins: 3, threadMm: 0, minutes: 1.2 },
  sewn: { bands: 0, pins: 0, threadMm: 600, minutes: 2.5 },
  crossed: { bands: 0, pins: 4, threadMm: 0, minutes: 1.5 },
  fed: { bands: 0, pins: 1, threadMm: 0, minutes: 0.5 },
  parcel: { bands: 0, pins: 1, threadMm: 0, minutes: 0.7 },
  coiled: { bands: 1, pins: 3, threadMm: 0, minutes: 1.5 },
  tucked: { bands: 0, pins: 1, threadMm: 0, minutes: 1 },
  hanging: { bands: 0, pins: 0, threadMm: 0, minutes: 0 },
  laid: { bands: 0, pins: 6, threadMm: 0, minutes: 8 },
};
/** Parting one section off and banding its root. */
const PART_OFF_MINUTES = 1;
/** Wax and a second band at a tip. */
const WAX_MINUTES = 0.5;
/** A band and its knot in a small box. */
const BOX_MINUTES = 0.8;
/** Winding thread: turns a minute, and the knots at both ends. */
const TURNS_A_MINUTE = 25;
const ROD_MINUTES = 1;
const FLAT_TWIST_MM_A_MINUTE = 45;
/** Thread from the hand to the rod and for its knots. */
const THREAD_SPARE_MM = 300;

export function bindingOf(tail: Tail, choice: Laying, how: ParkingHow): Binding {
  if (choice.family === 'found') return { bands: 0, pins: 0, threadMm: 0, minutes: 0 };
  const park = PARK[how];
  const whole = (own: Partial<Binding>): Binding => ({
    bands: (own.bands ?? 0) + park.bands,
    pins: (own.pins ?? 0) + park.pins,
    threadMm: (own.threadMm ?? 0) + park.threadMm,
    minutes: (own.minutes ?? 0) + park.minutes,
  });
  switch (choice.family) {
    case 'laidFlat':
      return whole({});
    case 'grid':
      return whole({ bands: 1, minutes: BOX_MINUTES });
    case 'threaded': {
      const rod = rodOf(tail, choice.wrapPitchMm);
      return whole({ threadMm: rod.threadMm, minutes: ROD_MINUTES + rod.turns / TURNS_A_MINUTE });
    }
    case 'flatTwists':
      return whole({
        bands: 1,
        minutes: PART_OFF_MINUTES + (2 * tail.farthestRootMm) / FLAT_TWIST_MM_A_MINUTE + 0.5 * byLength(tail),
      });
    default:
      return whole({
        bands: choice.tipsWaxed ? 3 : 2,
        minutes: PART_OFF_MINUTES + BIND_MINUTES[tail.style] * byLength(tail) + (choice.tipsWaxed ? WAX_MINUTES : 0),
      });
  }
}

const byLength = (tail: Tail) => 0.4 + (0.6 * tail.hairLengthMm) / REFERENCE_LENGTH_MM;

export interface Rod {
  readonly lengthMm: number;
  readonly turns: number;
  readonly threadMm: number;
}

/** A section wrapped from root to tip: a helix of this pitch round a rod that thins to nothing. */
export function rodOf(tail: Pick<Tail, 'lengthMm' | 'thicknessMm'>, pitchMm: number): Rod {
  const turns = tail.lengthMm / pitchMm;
  return {
    lengthMm: tail.lengthMm,
    turns,
    threadMm: taperedHelixMm(tail.thicknessMm / 2, tail.lengthMm, pitchMm) + THREAD_SPARE_MM,
  };
}

/** Length of one turn of a helix: √((2πr)² + pitch²). */
export function helixTurnMm(radiusMm: number, pitchMm: number): number {
  return Math.sqrt((2 * Math.PI * radiusMm) ** 2 + pitchMm * pitchMm);
}

/** A helix on a cone: the turns get shorter towards the tip. Midpoint rule over the length. */
export function taperedHelixMm(rootRadiusMm: number, lengthMm: number, pitchMm: number): number {
  const steps = 200;
  let sum = 0;
  for (let i = 0; i < steps; i++) {
    const radius = rootRadiusMm * (1 - (i + 0.5) / steps);
    sum += (helixTurnMm(radius, pitchMm) * lengthMm) / (steps * pitchMm);
  }
  return sum;
}
