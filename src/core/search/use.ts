/**
 * What a best-use search may change of a plan, and the plan it makes of a genome: gaps by zone, how pieces of the front
 * and of the back are cut, how far they are opened, and the brush over places that were bare. Where the rows fall between
 * two gaps is left alone: what it moves of the cover is chance. What she did by hand, her locks, her part, her base and her cap stay as they are.
 */

import { dequal } from 'dequal';
import { brushRadiusMm } from '../cover/index.ts';
import type { Preparation } from '../hair/index.ts';
import { directionDeg } from '../head/index.ts';
import type { PlanInputs, ToldPatch } from '../plan/index.ts';
import type { BrushStroke } from '../rows/index.ts';
import {
  fingersFigure,
  lowerFirst,
  type SpacingZone,
  type Split,
  USUAL_SPLIT,
  upperFirst,
  widestFingers,
  ZONES,
  zoneName,
} from '../trade/index.ts';
import type { Genome } from './search.ts';

/** What of a plan, document or inputs, a search changes. */
export interface Usable extends Pick<PlanInputs, 'spacing' | 'cuts' | 'pieces'> {
  readonly rows: Pick<PlanInputs['rows'], 'brush'>;
}

export interface Allowed {
  /** Pieces may be split lengthwise, cut in half, opened. */
  readonly split: boolean;
  readonly half: boolean;
  readonly open: boolean;
}

interface CutChoice {
  readonly split: Split;
  readonly half: boolean;
}

/** Zones that are cut alike. */
const GROUPS = { front: ['part', 'top', 'faceEdge'], back: ['back', 'nape'] } as const satisfies Record<
  string,
  readonly SpacingZone[]
>;
type Group = keyof typeof GROUPS;
const GROUP_NAMES = Object.keys(GROUPS) as Group[];

/** Steps of the gap from what it is now, fingers. */
const GAP_STEPS = [-0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1] as const;
const LEAST_FINGERS = 0.5;
const MOST_FINGERS = 4;
const OPENINGS = [0, 0.5, 1] as const;
/** Fuller over bare places, none, or as much again. */
const BRUSHES = [1, 0.88, 0.76] as const;
const MOST_STROKES = 3;

export interface UseSpace {
  readonly sizes: readonly number[];
  /** The plan as it is. */
  readonly now: Genome;
  readonly gaps: Readonly<Record<SpacingZone, readonly number[]>>;
  readonly cuts: Readonly<Record<Group, readonly CutChoice[]>>;
  readonly openings: readonly number[];
  readonly brushes: readonly number[];
  readonly strokes: ReadonlyArray<Pick<BrushStroke, 'stroke'>>;
}

/** @param fingers of every zone as they are, hers or left to the hair; @param bare places of the plan as it is, the barest first */
export function searchSpace(
  inputs: Usable & Pick<PlanInputs, 'products' | 'fingerMm'>,
  fingers: Readonly<Record<SpacingZone, number>>,
  allowed: Allowed,
  bare: readonly ToldPatch[],
): UseSpace {
  const gaps = Object.fromEntries(
    ZONES.map((z) => {
      const now = fingers[z];
      const near = GAP_STEPS.map((by) => now + by).filter(
        (f) => f === now || (f >= LEAST_FINGERS && f <= MOST_FINGERS),
      );
      return [z, near];
    }),
  ) as unknown as UseSpace['gaps'];
  const cuts = Object.fromEntries(
    GROUP_NAMES.map((g) => [g, cutChoices(inputs, allowed, g)]),
  ) as unknown as UseSpace['cuts'];
  const openings =
    allowed.open && GROUP_NAMES.every((g) => canOpen(inputs, g))
      ? withFirst(openedNow(inputs), OPENINGS)
      : [openedNow(inputs)];
  const gapMm = fingers.top * inputs.fingerMm;
  const strokes = bare
    .slice(0, MOST_STROKES)
    .map((p) => ({ stroke: { points: [directionDeg(p.atMm)], radiusMm: brushRadiusMm(p, gapMm) } }));
  const space = {
    gaps,
    cuts,
    openings,
    brushes: strokes.length > 0 ? BRUSHES : [1],
    strokes,
  };
  const lists = [...ZONES.map((z) => gaps[z]), ...GROUP_NAMES.map((g) => cuts[g]), space.openings, space.brushes];
  const now = [...ZONES.map((z) => gaps[z].indexOf(fingers[z])), 0, 0, 0, 0];
  return { ...space, sizes: lists.map((l) => l.length), now };
}

/** The value that it has now stands first. */
function withFirst<T>(now: T, all: readonly T[]): T[] {
  return [now, ...all.filter((v) => v !== now)];
}

const cutOf = (inputs: Pick<PlanInputs, 'cuts' | 'pieces'>, g: Group) =>
  inputs.cuts.find((c) => c.id === inputs.pieces[GROUPS[g][g === 'front' ? 1 : 0]].cut) ?? inputs.cuts[0];

const productOf = (inputs: Usable & Pick<PlanInputs, 'products'>, g: Group) =>
  inputs.products.find((p) => p.id === cutOf(inputs, g).product) ?? inputs.products[0];

const canOpen = (inputs: Usable & Pick<PlanInputs, 'products'>, g: Group) =>
  productOf(inputs, g).test.apart !== 'clings';

function openedNow(inputs: Usable): number {
  const { opened } = cutOf(inputs, 'front');
  return opened.when === 'never' ? 0 : opened.strands * opened.reach;
}

/** Ways to cut that leave a strand to hook; the way it is cut now first. */
function cutChoices(inputs: Usable & Pick<PlanInputs, 'products'>, allowed: Allowed, g: Group): CutChoice[] {
  const now = cutOf(inputs, g);
  const { strandsPerPiece } = productOf(inputs, g);
  const splits = ([1, 2, 4] as const).filter((s) => s === now.split || (allowed.split && s <= strandsPerPiece));
  const halves = [false, true].filter((h) => h === now.half || allowed.half);
  const all = splits.flatMap((split) => halves.map((half): CutChoice => ({ split, half })));
  const isNow = (c: CutChoice) => c.split === now.split && c.half === now.half;
  return [{ split: now.split, half: now.half }, ...all.filter((c) => !isNow(c))];
}

/** The plan with what a genome says; a genome that says nothing new gives the plan itself back. */
export function planWithUse<T extends Usable>(plan: T, space: UseSpace, genome: Genome): T {
  const at = places(genome);
  const fingers = Object.fromEntries(
    ZONES.map((z, i) => [z, space.gaps[z][at.gaps[i]]]),
  ) as PlanInputs['spacing']['fingers'];
  // What was judged is what is taken: gaps that were left to the hair are hers from then on.
  const isAsItIs = genome.every((g, i) => g === space.now[i]);
  let next: T = isAsItIs ? plan : { ...plan, spacing: { ...plan.spacing, fingers } };
  GROUP_NAMES.forEach((g, i) => {
    next = withCut(next, g, space.cuts[g][at.cuts[i]], at.opening === 0 ? undefined : space.openings[at.opening]);
  });
  const factor = space.brushes[at.brush];
  const brush = factor === 1 ? plan.rows.brush : [...plan.rows.brush, ...space.strokes.map((s) => ({ ...s, factor }))];
  return { ...next, rows: { ...next.rows, brush } };
}

function places(genome: Genome) {
  const n = ZONES.length;
  return {
    gaps: genome.slice(0, n),
    cuts: genome.slice(n, n + 2),
    opening: genome[n + 2],
    brush: genome[n + 3],
  };
}

/** @param opened undefined leaves it as it is */
function withCut<T extends Usable>(plan: T, g: Group, choice: CutChoice, opened: number | undefined): T {
  const old = cutOf(plan, g);
  const change: Partial<Preparation> =
    opened === undefined
      ? {}
      : { opened: opened === 0 ? { ...old.opened, when: 'never' } : { when: 'after', strands: 1, reach: opened } };
  const wanted: Preparation = { ...old, ...change, split: choice.split, half: choice.half };
  const isSame = (c: Preparation) => dequal({ ...c, id: '', name: '' }, { ...wanted, id: '', name: '' });
  if (isSame(old)) return plan;
  const there = plan.cuts.find(isSame);
  const cut = there ?? { ...wanted, id: freshId(plan.cuts), name: nameOf(choice, opened) };
  const pieces = { ...plan.pieces };
  // A zone that is mixed, or hooked with another product, stays as she set it.
  for (const z of GROUPS[g]) if (plan.pieces[z].cut === old.id && !plan.pieces[z].mixed) pieces[z] = { cut: cut.id };
  return { ...plan, cuts: there ? plan.cuts : [...plan.cuts, cut], pieces };
}

function freshId(cuts: readonly Preparation[]): string {
  let n = cuts.length + 1;
  while (cuts.some((c) => c.id === `cut-${n}`)) n++;
  return `cut-${n}`;
}

function nameOf({ split, half }: CutChoice, opened: number | undefined): string {
  const parts = [
    split > 1 ? `split in ${split}` : '',
    half ? 'halves' : '',
    opened ? `opened ${Math.round(100 * opened)} %` : '',
  ].filter(Boolean);
  const words = parts.join(', ') || 'whole pieces';
  return upperFirst(words);
}

/** One line of what a genome proposes: what it is about, as planned and as found. */
export interface Proposed {
  readonly what: string;
  readonly was: string;
  readonly now: string;
}

/** Every zone, what is cut, opened and brushed: as planned and as found. */
export function proposals(space: UseSpace, genome: Genome, partKind: PlanInputs['part']['kind']): Proposed[] {
  const at = places(genome);
  const now = places(space.now);
  const gaps = ZONES.map((z, i) => ({
    what: zoneName(z, partKind),
    was: fingersFigure(space.gaps[z][now.gaps[i]]),
    now: fingersFigure(space.gaps[z][at.gaps[i]]),
  }));
  const cut = (g: Group, i: number) => lowerFirst(nameOf(space.cuts[g][i], undefined));
  const cuts = GROUP_NAMES.map((g, i) => ({
    what: g === 'front' ? 'Pieces in front' : 'Pieces behind',
    was: cut(g, now.cuts[i]),
    now: cut(g, at.cuts[i]),
  }));
  const opened = (i: number) => (space.openings[i] === 0 ? 'no' : `${Math.round(100 * space.openings[i])} %`);
  const thin = `${space.strokes.length} thin ${space.strokes.length === 1 ? 'place' : 'places'}`;
  const brushed = (i: number) => (i === 0 ? 'as it is' : `at ${thin}`);
  return [
    ...gaps,
    ...cuts,
    { what: 'Opened', was: opened(now.opening), now: opened(at.opening) },
    { what: 'Fuller', was: brushed(now.brush), now: brushed(at.brush) },
  ];
}

/** Where a genome goes beyond what people do, in words: it may be right, and nobody has tried it. */
export function beyondUsual(
  space: UseSpace,
  genome: Genome,
  inputs: Usable & Pick<PlanInputs, 'products'>,
  partKind: PlanInputs['part']['kind'],
): string[] {
  const at = places(genome);
  const widest = widestFingers(productOf(inputs, 'front').lengthMm);
  const gaps = ZONES.filter((z, i) => space.gaps[z][at.gaps[i]] > widest[z]).map(
    (z) => `${lowerFirst(zoneName(z, partKind))} wider than the ${fingersFigure(widest[z])} that people lay at most`,
  );
  const cuts = GROUP_NAMES.filter((g, i) => space.cuts[g][at.cuts[i]].split > USUAL_SPLIT[g]).map(
    (g) => `${g === 'front' ? 'in front' : 'behind'} finer than people split there`,
  );
  return [...gaps, ...cuts];
}
