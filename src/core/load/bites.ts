/**
 * What each bite of own hair carries: mass of its piece, less what the net takes, over the own hair in the bite. A
 * bite is a square of scalp taken up with the hook. Multiples of the hair's own weight, never a promise.
 */
import type { HairOnScalp, RegionHair } from '../hair/index.ts';
import { BITE_HAIRS, type IntoWay, type Through } from '../trade/index.ts';

/** How far bites differ from the likely one; alike for every strand. */
const BITE_SPREAD = BITE_HAIRS.medium;

export interface BiteLoad {
  /** Index of its knot. */
  readonly knot: number;
  readonly hairs: number;
  readonly ownMg: number;
  /** A hair of it carries, mg, low and high, dry. */
  readonly mgAHair: readonly [low: number, high: number];
  /** The same over the weight of that hair. */
  readonly timesOwn: readonly [low: number, high: number];
}

/** Standard gravity, m/s² (CGPM 1901). */
export const GRAVITY = 9.80665;
/** Wet hair and fibre weigh so much more (from memory). */
export const WET: readonly [number, number] = [1.5, 2];

/** Pull on one hair, mN. */
export const milliNewton = (mg: number) => mg * 1e-3 * GRAVITY;

/** @param shareOfNet of the mass that the net takes, low and high; none in a cut-out. */
export function biteLoad(
  knot: number,
  massG: number,
  biteMm: number,
  hair: Pick<RegionHair, 'hairsPerMm2' | 'massGPerMm2'>,
  shareOfNet: readonly [low: number, high: number],
): BiteLoad | undefined {
  const hairs = hair.hairsPerMm2 * biteMm * biteMm;
  if (hairs < 1) return undefined;
  const ownMg = hair.massGPerMm2 * biteMm * biteMm * 1000;
  // The lower end with as many hairs as people take and the most that the net bears, the upper end with the fewest and the least.
  const [few, likely, many] = BITE_SPREAD;
  const mg = (share: number, of: number) => (1000 * massG * (1 - share)) / ((hairs * of) / likely);
  const mgAHair = [mg(shareOfNet[1], many), mg(shareOfNet[0], few)] as const;
  const own = ownMg / hairs;
  return { knot, hairs, ownMg, mgAHair, timesOwn: [mgAHair[0] / own, mgAHair[1] / own] };
}

export interface BiteGroup {
  readonly name: 'all' | 'edge' | 'tender';
  readonly bites: number;
  /** Middle one, times its own weight at the high end, and the worst one. */
  readonly median: number;
  readonly worst: BiteLoad | undefined;
  readonly loads: readonly BiteLoad[];
}

export const BITE_WORDS: Readonly<Record<BiteGroup['name'], string>> = {
  all: 'of own hair',
  edge: 'at the edge',
  tender: 'on tender or thin places',
};

export function groupBites(name: BiteGroup['name'], bites: readonly BiteLoad[]): BiteGroup {
  const sorted = [...bites].sort((a, b) => a.mgAHair[1] - b.mgAHair[1]);
  return {
    name,
    bites: bites.length,
    median: sorted.length > 0 ? sorted[sorted.length >> 1].timesOwn[1] : 0,
    worst: sorted.at(-1),
    loads: bites,
  };
}

/** The edge of the hair, which carries worst, mm inside the hairline. */
const EDGE_MM = 12;

export interface BitingKnot {
  readonly through: Through;
  readonly biteMm: number;
  readonly massG: number;
  /** It goes into the base, which the net spares nothing. */
  readonly into?: IntoWay | undefined;
  readonly onNet: 'net' | 'margin' | 'cutOut' | 'none';
  readonly tenderOrThin: boolean;
}

/** What each bite of own hair carries: of all, at the edge, where she is tender or thin. @param under vertex under each knot */
export function biteGroups(
  knots: readonly BitingKnot[],
  under: ArrayLike<number>,
  { regionOf, regions }: HairOnScalp,
  fromHairline: Float64Array,
  shareOfPull: readonly [low: number, high: number],
): BiteGroup[] {
  const none = [0, 0] as const;
  const bites = knots.flatMap((k, i) => {
    if (k.through === 'net' || k.biteMm === 0) return [];
    const share = k.onNet === 'none' || k.onNet === 'cutOut' || k.into !== undefined ? none : shareOfPull;
    return biteLoad(i, k.massG, k.biteMm, regions[regionOf[under[i]]], share) ?? [];
  });
  const atEdge = bites.filter((b) => fromHairline[under[b.knot]] < EDGE_MM);
  const onTender = bites.filter((b) => knots[b.knot].tenderOrThin);
  return [groupBites('all', bites), groupBites('edge', atEdge), groupBites('tender', onTender)];
}
