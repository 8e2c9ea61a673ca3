/** Places along an open row, each over the gap between two of the row below. */
import { beginsAt } from './ends.ts';
import type { Working } from './measure.ts';
import { BRICK_PULL, ringPlaces } from './ring.ts';
import { nearestOf, TIE } from './ties.ts';

/** Ends of a row stay free for this share of a spacing. */
const END_MARGIN = 0.15;

const MERGE_BELOW = 0.65;

const INSERT_ABOVE = 1.5;

const RELAX_SWEEPS = 12;

/** Begun at the same end on both sides of a head, the one in front; a row that is alike on both sides stays so. */
export function placesAlong(working: Working, feet: number[]): number[] {
  const { lengthU, row } = working;
  if (row.curve.closed) return ringPlaces(lengthU, feet);
  switch (beginsAt(row.curve)) {
    case 'first':
      return fromFirst(lengthU, feet);
    case 'last':
      return mirrored(fromFirst(lengthU, mirrored(feet, lengthU)), lengthU);
    case 'either':
      return areAlike(feet, lengthU) ? alike(lengthU, feet) : fromFirst(lengthU, feet);
  }
}

/** Feet that are each other's mirror image lie so near to it, spacings. */
const ALIKE_FEET = 0.02;

const mirrored = (places: readonly number[], lengthU: number) => places.map((u) => lengthU - u).reverse();
function areAlike(feet: readonly number[], lengthU: number): boolean {
  const other = mirrored(feet, lengthU);
  return feet.every((u, i) => Math.abs(u - other[i]) < ALIKE_FEET);
}

/** One half and its mirror image, with a knot in the middle or none: whichever stands best in bricks and evenly. */
function alike(lengthU: number, feet: readonly number[]): number[] {
  const middle = lengthU / 2;
  const targets = brickTargets(feet);
  const places = fromFirst(lengthU, feet);
  let best: number[] = [];
  let least = Infinity;
  for (const side of [places, mirrored(places, lengthU)])
    for (const between of [[], [middle]]) {
      const left = side.filter((u) => u < middle - (between.length > 0 ? HALF_SPACING : TIE));
      const tried = [...left, ...between, ...mirrored(left, lengthU)];
      relax(tried, targets, END_MARGIN, lengthU - END_MARGIN);
      const other = mirrored(tried, lengthU);
      const even = tried.map((u, i) => (u + other[i]) / 2);
      const strain = strainOf(even, targets, lengthU);
      if (strain >= least - TIE) continue;
      least = strain;
      best = even;
    }
  return best;
}

const HALF_SPACING = 0.5;

/** How far places are from even spacing, from their brick places and from reaching both ends; what relaxing lessens. */
function strainOf(places: readonly number[], targets: readonly number[], lengthU: number): number {
  if (places.length === 0) return Infinity;
  const free = [places[0], lengthU - places[places.length - 1]].map((u) => Math.max(0, u - END_MARGIN - HALF_SPACING));
  let sum = 2 * (free[0] ** 2 + free[1] ** 2);
  places.forEach((u, i) => {
    if (i > 0) sum += (u - places[i - 1] - 1) ** 2;
    const goal = nearestOf(targets, u);
    if (goal !== undefined) sum += BRICK_PULL * Math.min(HALF_SPACING, Math.abs(goal - u)) ** 2;
  });
  return sum;
}

function fromFirst(lengthU: number, feet: readonly number[]): number[] {
  const targets = brickTargets(feet);
  let places = targets.length > 0 ? extended(targets, lengthU) : evenPlaces(lengthU);
  for (let k = 0; k < 3; k++) places = repaired(places);
  if (places.length === 0) places = evenPlaces(lengthU);
  const settle = () => relax(places, targets, END_MARGIN, lengthU - END_MARGIN);
  settle();
  // A row that is longer than the one below would keep its knots and stretch them, row upon row.
  let changed = false;
  while (wholeCount(places, lengthU)) changed = true;
  if (changed) settle();
  return places;
}

/** How far the mean spacing of a row may be off before a knot is put in or taken out. */
const MEAN_OFF = 0.045;

/** A row's first and last knot stand for half a spacing each; its clip at the hairline is a part of that. */
const HALF_ENDS = 0.6;

/** An end that is free for this much takes another knot before any gap does. */
const FREE_END = 0.7;

/** Puts a knot into the widest gap of a stretched row, or takes one out of a crowded one; whether it did. */
function wholeCount(places: number[], lengthU: number): boolean {
  const gaps = places.length - 1;
  const wanted = Math.max(1, Math.round(lengthU - HALF_ENDS));
  if (gaps < 2 || wanted === gaps) return false;
  // Between two rows of bricks one more or less at the ends is as it should be.
  const isEven = Math.abs((places[gaps] - places[0]) / gaps - 1) < MEAN_OFF;
  if (Math.abs(wanted - gaps) === 1 && isEven) return false;
  const more = wanted > gaps;
  if (more && places[0] - END_MARGIN > FREE_END) {
    places.unshift(END_MARGIN);
    return true;
  }
  if (more && lengthU - END_MARGIN - places[gaps] > FREE_END) {
    places.push(lengthU - END_MARGIN);
    return true;
  }
  let at = 1;
  for (let i = 2; i <= gaps; i++) {
    const here = places[i] - places[i - 1];
    const best = places[at] - places[at - 1];
    if (more ? here > best + TIE : here < best - TIE) at = i;
  }
  const middle = (places[at] + places[at - 1]) / 2;
  if (more) places.splice(at, 0, middle);
  else places.splice(at - 1, 2, middle);
  return true;
}

/** Middles between neighbouring feet; where a hole is k spacings wide, k points. */
function brickTargets(feet: readonly number[]): number[] {
  const targets: number[] = [];
  for (let i = 0; i + 1 < feet.length; i++) {
    const hole = feet[i + 1] - feet[i];
    const k = Math.max(1, Math.round(hole));
    for (let j = 0; j < k; j++) targets.push(feet[i] + (hole * (j + 0.5)) / k);
  }
  return targets;
}

function extended(targets: readonly number[], lengthU: number): number[] {
  const places = [...targets].filter((u) => u >= END_MARGIN / 2 && u <= lengthU - END_MARGIN / 2);
  if (places.length === 0) return evenPlaces(lengthU);
  while (places[0] - 1 >= END_MARGIN) places.unshift(places[0] - 1);
  while (places[places.length - 1] + 1 <= lengthU - END_MARGIN) places.push(places[places.length - 1] + 1);
  return places;
}

function evenPlaces(lengthU: number): number[] {
  const count = Math.max(1, Math.floor(lengthU - 2 * END_MARGIN) + 1);
  const free = lengthU - (count - 1);
  return Array.from({ length: count }, (_, i) => free / 2 + i);
}

function repaired(places: readonly number[]): number[] {
  const out: number[] = [];
  for (const u of places) {
    const last = out[out.length - 1];
    if (last === undefined || u - last >= MERGE_BELOW) {
      if (last !== undefined && u - last > INSERT_ABOVE) out.push((last + u) / 2);
      out.push(u);
    } else {
      out[out.length - 1] = (last + u) / 2;
    }
  }
  return out;
}

function relax(places: number[], targets: readonly number[], low: number, high: number) {
  const last = places.length - 1;
  // NaN where a knot has no brick place.
  const goals = new Float64Array(places.length);
  for (let sweep = 0; sweep < RELAX_SWEEPS; sweep++) {
    for (let i = 0; i <= last; i++) goals[i] = goalNear(targets, places[i]) ?? Number.NaN;
    for (let i = 0; i <= last; i++) {
      let pull = 0;
      let weight = 0;
      if (i > 0) {
        pull += places[i - 1] + 1;
        weight++;
      }
      if (i < last) {
        pull += places[i + 1] - 1;
        weight++;
      }
      const goal = goals[i];
      if (!Number.isNaN(goal)) {
        pull += BRICK_PULL * goal;
        weight += BRICK_PULL;
      }
      if (weight > 0) places[i] = Math.min(high, Math.max(low, pull / weight));
    }
  }
}

/** The brick place a knot belongs to: one within half a spacing, or none. */
function goalNear(targets: readonly number[], u: number): number | undefined {
  const nearest = nearestOf(targets, u);
  return nearest !== undefined && Math.abs(nearest - u) <= 0.5 ? nearest : undefined;
}
