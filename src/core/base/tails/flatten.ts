/**
 * A parking that lowers the highest bump: one tail after the other is laid every way that it can reach, and
 * stays where the whole map is flattest (coordinate descent on Σ area × height⁸, which the highest places
 * dominate). What it proposes is only taken if the highest bump is lower than before.
 */

import { dequal } from 'dequal';
import { directionDeg, type Point } from '../../head/index.ts';
import { pow } from '../../numerics/index.ts';
import { bumpMap, depositTail, lyingVolume } from '../bumps/bumps.ts';
import type { Deposit } from '../bumps/deposit.ts';
import type { Laying, Parking } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import type { SectionMap } from '../sections/section-map.ts';
import { joinTails, type ParkedTail, parkingOf, parkTail } from './parking.ts';
import type { Tail } from './tails.ts';

export interface Flattening {
  readonly beforeMm: number;
  readonly afterMm: number;
  readonly lumpsBefore: number;
  readonly lumpsAfter: number;
  /** Only sections whose parking changes. */
  readonly parking: Readonly<Record<string, Parking>>;
}

const PASSES = 3;
const POWER = 8;

export function flatten(ground: BaseContext, map: SectionMap, tails: readonly Tail[], choice: Laying): Flattening {
  const start = map.sections.map((_, i) => parkingOf(choice, map, i, tails[i]));
  const kept = map.sections.map((): ParkedTail[] => []);
  const parkOne = (p: Parking, i: number) => {
    const known = kept[i].find((tail) => dequal(tail.parking, p));
    if (known) return known;
    const tail = parkTail(ground, map, tails, i, p);
    kept[i].push(tail);
    return tail;
  };
  const parkAll = (parkings: readonly Parking[]) => joinTails(map, parkings.map(parkOne));
  const lying = lyingVolume(ground, map, tails, parkAll(start), choice);
  const laid = new Layer(ground, map, tails, choice, lying);
  let best = start;
  laid.lay(parkAll(best));
  for (let pass = 0; pass < PASSES; pass++) {
    const before = laid.roughness;
    for (const section of movable(map, best)) {
      for (const parking of candidates(ground, tails, section, parkOne)) {
        const trial = best.map((p, i) => (i === section ? parking : p));
        const parked = parkAll(trial);
        if (laid.roughnessOf(parked) >= laid.roughness * (1 - 1e-6)) continue;
        laid.lay(parked);
        best = trial;
      }
    }
    if (laid.roughness > 0.999 * before) break;
  }
  const before = laid.bumps(parkAll(start));
  const after = laid.bumps(parkAll(best));
  const lower = after.highestMm < before.highestMm;
  return {
    beforeMm: before.highestMm,
    afterMm: lower ? after.highestMm : before.highestMm,
    lumpsBefore: before.lumps.length,
    lumpsAfter: lower ? after.lumps.length : before.lumps.length,
    parking: lower
      ? Object.fromEntries(best.flatMap((p, i) => (p === start[i] ? [] : [[map.sections[i].id, p] as const])))
      : {},
  };
}

/** Tails that can be laid another way. */
function movable(map: SectionMap, parkings: readonly Parking[]): number[] {
  return map.sections
    .map((_, i) => i)
    .filter((i) => map.sections[i].role === 'base' && !['laid', 'hanging'].includes(parkings[i].how));
}

function candidates(
  ground: BaseContext,
  tails: readonly Tail[],
  section: number,
  parkOne: (parking: Parking, section: number) => ParkedTail,
): Parking[] {
  const { mark, shape } = ground;
  const tie = tails[section].tieMm;
  const side = Math.sign(tie[0] || 1);
  const towards = (p: Point) => directionDeg(p);
  const places: Point[] = [
    mark.occiput,
    [side * mark.napeCorner[0] * 0.7, mark.napeCorner[1] * 0.6, mark.napeCorner[2]],
    [-side * mark.napeCorner[0] * 0.7, mark.napeCorner[1] * 0.6, mark.napeCorner[2]],
    [side * mark.earTop[0], mark.earTop[1] + 30, -0.25 * shape.backDepthMm],
    [-side * mark.earTop[0], mark.earTop[1] + 30, -0.25 * shape.backDepthMm],
    [mark.crown[0] + side * 30, mark.crown[1], mark.crown[2] - 30],
  ];
  const all: Parking[] = [
    { how: 'folded' },
    { how: 'wrapped' },
    { how: 'crossed' },
    ...places.map((p): Parking => ({ how: 'sewn', to: towards(p) })),
  ];
  const { hairLengthMm, meanRootMm } = tails[section];
  const reaches = all.filter((p) => meanRootMm + parkOne(p, section).neededMm <= hairLengthMm);
  return reaches.length > 0 ? reaches : [{ how: 'folded' }];
}

/**
 * The hair as it lies now. A trial changes the tails of few sections, so that only the places under those are
 * weighed again; what each tail lays down is kept by what it hangs on.
 */
class Layer {
  /** Σ area × height^POWER of what lies now. */
  roughness = 0;
  /** For each section, what its tail laid down wherever it was tried. */
  private readonly kept: { of: ParkedTail; deposit: Deposit }[][];
  private readonly volume: Float64Array;
  private readonly change: Float64Array;
  private lyingNow: Deposit[] = [];

  constructor(
    private readonly ground: BaseContext,
    private readonly map: SectionMap,
    private readonly tails: readonly Tail[],
    private readonly choice: Laying,
    private readonly lying: Float64Array,
  ) {
    this.kept = map.sections.map(() => []);
    this.volume = lying.slice();
    this.change = new Float64Array(lying.length);
    for (let v = 0; v < lying.length; v++) this.roughness += this.term(v, lying[v]);
  }

  /** What it would be with the tails parked so. */
  roughnessOf(parked: readonly ParkedTail[]): number {
    const touched = this.changes(this.deposits(parked));
    let sum = this.roughness;
    for (const v of touched) {
      sum += this.term(v, this.volume[v] + this.change[v]) - this.term(v, this.volume[v]);
      this.change[v] = 0;
    }
    return sum;
  }

  lay(parked: readonly ParkedTail[]) {
    const deposits = this.deposits(parked);
    for (const v of this.changes(deposits)) {
      this.roughness -= this.term(v, this.volume[v]);
      this.volume[v] += this.change[v];
      this.roughness += this.term(v, this.volume[v]);
      this.change[v] = 0;
    }
    this.lyingNow = deposits;
  }

  bumps(parked: readonly ParkedTail[]) {
    return bumpMap(this.ground, this.map, this.lying, this.deposits(parked));
  }

  private term(v: number, volume: number): number {
    const area = this.ground.mesh.vertexAreasMm2[v];
    return area * pow(volume / area, POWER);
  }

  /** Writes into `change` what would differ, and returns the places where it does. */
  private changes(deposits: readonly Deposit[]): Set<number> {
    const touched = new Set<number>();
    const add = (deposit: Deposit | undefined, sign: 1 | -1) => {
      if (!deposit) return;
      for (let i = 0; i < deposit.vertices.length; i++) {
        const v = deposit.vertices[i];
        this.change[v] += sign * deposit.volumeMm3[i];
        touched.add(v);
      }
    };
    deposits.forEach((deposit, i) => {
      if (deposit === this.lyingNow[i]) return;
      add(this.lyingNow[i], -1);
      add(deposit, 1);
    });
    return touched;
  }

  private deposits(parked: readonly ParkedTail[]): Deposit[] {
    return parked.map((tail, i) => {
      const known = this.kept[i].find(({ of }) => isSameTail(of, tail));
      if (known) return known.deposit;
      const deposit = depositTail(this.ground, this.map, this.tails[i], tail, this.choice);
      this.kept[i].push({ of: tail, deposit });
      return deposit;
    });
  }
}

/** Same way to the same place, and as much hair fed into it, to the rounding of a sum in another order. */
const isSameTail = (a: ParkedTail, b: ParkedTail) =>
  dequal(a.parking, b.parking) && Math.abs(a.joinedMm3 - b.joinedMm3) < 1e-6 * (1 + a.joinedMm3);
