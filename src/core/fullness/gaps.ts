/**
 * Gaps at which hair reaches what she aims at with the least of it. From the widest gaps that people lay one zone after
 * the other is closed by a quarter finger, always where a gram more does most, until it is enough: so the top goes
 * before what its hair falls over; then whatever may be wider again is. What pieces hide in a cell is 1 - e^(-λ), λ the
 * area that their strands hide there over that of the cell: a Boolean model (P. Hall, "Introduction to the Theory of
 * Coverage Processes", Wiley 1988, ch. 3; from memory); bricks hide a little more than places at random.
 */
import { exp } from '../numerics/index.ts';
import { edgeFactor, gapFactor, type ZoneShares } from '../rows/index.ts';
import { type SpacingZone, ZONES } from '../trade/index.ts';
import type { Cells } from './cells.ts';
import type { CellReach } from './reach.ts';

export type ByZone = Readonly<Record<SpacingZone, number>>;

/** Where a cell lies, for the zones. */
export interface CellPlace {
  /** How much it has of each zone: gaps run from one into the next. */
  readonly shares: ZoneShares;
  readonly zone: SpacingZone;
}

export interface Ground {
  readonly cells: Cells;
  readonly places: readonly CellPlace[];
  /** Share of each cell where pieces go, and where cover is owed. */
  readonly open: Float64Array;
  readonly owed: Float64Array;
  /** Scalp where cover is owed, by zone, mm². */
  readonly owedIn: ByZone;
  readonly areaMm2: number;
}

/** A piece hooked in a cell: what it weighs, and how high one gram of it stands on one mm², mm. */
export interface CellPiece {
  readonly massG: number;
  readonly mm3PerG: number;
}

export interface Hooked {
  readonly ground: Ground;
  /** Of the piece of each cell. */
  readonly reach: readonly CellReach[];
  readonly pieces: readonly CellPiece[];
}

export interface Aim {
  /** Share of the scalp to hide, in all and in each zone. */
  readonly hidden: number;
  /** Least mean thickness of the hair over the scalp, mm. */
  readonly thicknessMm: number;
}

/** What hair at these gaps comes to. */
export interface Filling {
  readonly hidden: number;
  readonly hiddenIn: ByZone;
  readonly thicknessMm: number;
  readonly massG: number;
  /** As many as gaps ask for, and as a plan has where nothing is closed. */
  readonly pieces: number;
  readonly piecesIn: ByZone;
}

/** λ of knots in bricks against as many at random places (measured: over 54 plans of nine kinds of hair the look hides a point more in the mean). */
const BRICKS = 1.12;

/** Pieces a mm² in every cell. @param centresMm from knot to knot by zone */
function densities({ places, open }: Ground, centresMm: ByZone): Float64Array {
  const { top } = centresMm;
  const zones = {
    part: centresMm.part / top,
    back: centresMm.back / top,
    nape: centresMm.nape / top,
    faceEdge: centresMm.faceEdge / top,
  };
  const placed = new Float64Array(places.length);
  for (let i = 0; i < placed.length; i++) {
    const { shares } = places[i];
    const gap = top * gapFactor(zones, shares);
    placed[i] = open[i] / (gap * gap * edgeFactor(zones, shares));
  }
  return placed;
}

/**
 * What hair at these gaps comes to, worked out without laying a row: hides within five points of the look for rows along
 * a part, within six for coarse pieces that are swept back (checked by a test).
 */
export function fillingAt({ ground, reach, pieces }: Hooked, centresMm: ByZone): Filling {
  const { cells, owed, owedIn, places } = ground;
  const { count, areasMm2 } = cells;
  const placed = densities(ground, centresMm);
  const hides = new Float64Array(count);
  let volume = 0;
  let massG = 0;
  const piecesIn: Record<SpacingZone, number> = { ...NONE };
  for (let from = 0; from < count; from++) {
    const n = placed[from] * areasMm2[from];
    if (n === 0) continue;
    piecesIn[places[from].zone] += n;
    massG += n * pieces[from].massG;
    const { reaches, hidesMm2, lies } = reach[from];
    volume += n * pieces[from].massG * pieces[from].mm3PerG * lies;
    for (let k = 0; k < reaches.length; k++) hides[reaches[k]] += n * hidesMm2[k];
  }
  const hiddenIn: Record<SpacingZone, number> = { ...NONE };
  for (let i = 0; i < count; i++)
    hiddenIn[places[i].zone] += areasMm2[i] * owed[i] * (1 - exp((-BRICKS * hides[i]) / areasMm2[i]));
  const owedMm2 = sum(owedIn);
  const hidden = owedMm2 > 0 ? sum(hiddenIn) / owedMm2 : 1;
  for (const z of ZONES) hiddenIn[z] = owedIn[z] > 0 ? hiddenIn[z] / owedIn[z] : 1;
  return {
    hidden,
    hiddenIn,
    thicknessMm: volume / ground.areaMm2,
    massG,
    pieces: sum(piecesIn),
    piecesIn,
  };
}

export const NONE: ByZone = { part: 0, top: 0, back: 0, nape: 0, faceEdge: 0 };
const sum = (of: ByZone) => ZONES.reduce((s, z) => s + of[z], 0);

export interface GapLimits {
  /** In quarters of a finger: what is laid at least, and where it starts, the widest. */
  readonly least: ByZone;
  readonly most: ByZone;
  /** Of the gap on top, how wide the back is at least. */
  readonly backOverTop: number;
  /** Quarters of a finger to mm from knot to knot. */
  readonly centresMm: (quarters: ByZone) => ByZone;
}

export interface GapsForHair {
  /** Quarters of a finger. */
  readonly quarters: ByZone;
  readonly filling: Filling;
  /** Whether what she aims at is reached before knots sit on each other. */
  readonly reached: boolean;
}

export function gapsForHair(hooked: Hooked, aim: Aim, limits: GapLimits): GapsForHair {
  const short = shortOf(aim, hooked.ground);
  const at = (quarters: ByZone) => fillingAt(hooked, limits.centresMm(quarters));
  let quarters = limits.most;
  let filling = at(quarters);
  while (short(filling) > 0) {
    let best: { quarters: ByZone; filling: Filling; gain: number } | undefined;
    for (const closer of oneStep(quarters, -1, limits)) {
      const then = at(closer);
      const gain = (short(filling) - short(then)) / Math.max(1e-9, then.massG - filling.massG);
      if (!best || gain > best.gain) best = { quarters: closer, filling: then, gain };
    }
    if (!best) return { quarters, filling, reached: false };
    quarters = best.quarters;
    filling = best.filling;
  }
  // What was closed early may be more than is owed once the rest is closed.
  for (;;) {
    const wider = oneStep(quarters, 1, limits)
      .map((q) => ({ quarters: q, filling: at(q) }))
      .filter((w) => short(w.filling) <= 0)
      .toSorted((a, b) => a.filling.massG - b.filling.massG)[0];
    if (!wider || wider.filling.massG >= filling.massG) return { quarters, filling, reached: true };
    ({ quarters, filling } = wider);
  }
}

/** A zone may hide so much less than the whole (guess): to the eye it is as full. */
export const ZONE_SPARES = 0.05;

/**
 * How far a filling is from the aim: cover in all, cover in each zone by its share of the head, thickness. Beside a part
 * only the hair of the first rows can hide anything, so that zone counts in the whole alone.
 */
function shortOf(aim: Aim, { owedIn }: Ground): (filling: Filling) => number {
  const all = Math.max(1e-9, sum(owedIn));
  const missing = (hidden: number, of = aim.hidden) => Math.max(0, of - hidden);
  return ({ hidden, hiddenIn, thicknessMm }) =>
    missing(hidden) +
    ZONES.reduce(
      (s, z) => s + (z === 'part' ? 0 : (missing(hiddenIn[z], aim.hidden - ZONE_SPARES) * owedIn[z]) / all),
      0,
    ) +
    (aim.thicknessMm > 0 ? Math.max(0, 1 - thicknessMm / aim.thicknessMm) : 0);
}

/** One zone a quarter closer or wider, each that may; what she set out of order herself doesn't hold the others. */
function oneStep(quarters: ByZone, step: 1 | -1, { least, most, backOverTop }: GapLimits): ByZone[] {
  const wasInOrder = isInOrder(quarters, backOverTop);
  return ZONES.map((z) => ({ ...quarters, [z]: quarters[z] + step })).filter(
    (other, i) =>
      other[ZONES[i]] >= least[ZONES[i]] &&
      other[ZONES[i]] <= most[ZONES[i]] &&
      (!wasInOrder || isInOrder(other, backOverTop)),
  );
}

/** Tighter at the part and the face, looser behind, the nape loosest, and no zone far from the one it runs into (common practice, no source). */
function isInOrder({ part, top, back, nape, faceEdge }: ByZone, backOverTop: number): boolean {
  const falls = part <= top && faceEdge <= top && backOverTop * top <= back && back <= nape;
  return falls && 2 * top <= 3 * part && 2 * top <= 3 * faceEdge && back <= 3.5 * top && nape <= 2 * back;
}
