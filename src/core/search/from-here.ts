/** A new plan from here: of steps in one direction the mildest that the hair or the time left suffices for, and what it costs. */
import { distance } from '../geometry/index.ts';
import type { HookedPiece } from '../hair/index.ts';
import { hidden, type PlanGraph, type PlanInputs, plan, planGraph, thickness } from '../plan/index.ts';

export interface Placed {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

export interface FromHereAsked {
  /** From mild to strong; each in variants that differ in where the first new row lies. */
  readonly steps: ReadonlyArray<readonly PlanInputs[]>;
  readonly placed: readonly Placed[];
  /** Packs that are left, fractions and all, and pieces that her hands take for each planned. */
  readonly packsLeft: number;
  readonly piecesFactor: number;
  /** Seconds that are left, and what her hands take for each that is told. */
  readonly secondsLeft?: number;
  readonly pace: number;
}

export interface FromHereFigures {
  readonly hidden: number;
  readonly thicknessMm: number;
  readonly knotsToCome: number;
  readonly packsToCome: number;
  readonly secondsToCome: number;
}

export interface FromHereFound {
  readonly step: number;
  readonly variant: number;
  readonly figures: FromHereFigures;
  /** Whether what is left suffices. */
  readonly does: boolean;
}

/** As coarse as every search: all ways are held against each other on the same head. */
const MESH = 24;
/** Nearer than this to a knot that is in, a knot is that one, mm: the coarse head lies a little elsewhere. */
const SAME_MM = 5;
const BALLS_KEPT = 4;
let kept: PlanGraph | undefined;

type Told = Pick<FromHereAsked, 'placed' | 'piecesFactor' | 'pace'>;

/** What is to come of a plan once so much is in. @throws RangeError where it can't be laid */
function figuresFromHere(inputs: PlanInputs, told: Told): FromHereFigures {
  kept ??= planGraph({ balls: BALLS_KEPT });
  const now = kept.ask({ inputs: { ...inputs, meshFrequency: MESH } });
  const { knots, pieces, rowScheme } = now.of(plan);
  if (rowScheme.cannotLay) throw new RangeError(rowScheme.cannotLay);
  const rest = notPlaced(knots, told.placed);
  return {
    hidden: now.of(hidden),
    thicknessMm: now.of(thickness).meanMm,
    knotsToCome: rest.length,
    packsToCome: told.piecesFactor * packsFor(rest, pieces),
    secondsToCome: told.pace * rest.reduce((sum, k) => sum + k.seconds, 0),
  };
}

/** Packs that knots take, fractions and all. */
export function packsFor(
  knots: ReadonlyArray<{ readonly cut: string }>,
  pieces: ReadonlyArray<Pick<HookedPiece, 'cut' | 'perPack'>>,
): number {
  const perPack = new Map(pieces.map((p) => [p.cut, p.perPack]));
  return knots.reduce((sum, k) => sum + 1 / (perPack.get(k.cut) ?? Number.POSITIVE_INFINITY), 0);
}

/** Each knot that is in takes the one nearest to it away from those to come. */
function notPlaced<K extends Placed>(knots: readonly K[], placed: readonly Placed[]): K[] {
  const free = new Set(knots);
  for (const p of placed) {
    let nearest: K | undefined;
    let away = SAME_MM;
    for (const k of free) {
      const mm = distance([k.xMm, k.yMm, k.zMm], [p.xMm, p.yMm, p.zMm]);
      if (mm < away) {
        away = mm;
        nearest = k;
      }
    }
    if (nearest) free.delete(nearest);
  }
  return [...free];
}

/** Halved instead of tried one by one; a step that can't be laid is too strong. @returns undefined where none can be laid */
export function leastFromHere(asked: FromHereAsked): FromHereFound | undefined {
  let low = 0;
  let high = asked.steps.length - 1;
  let does: FromHereFound | undefined;
  let strongest: FromHereFound | undefined;
  while (low <= high) {
    const step = (low + high) >> 1;
    const tried = bestVariant(asked, step);
    if (!tried) {
      high = step - 1;
    } else if (tried.does) {
      does = tried;
      high = step - 1;
    } else {
      if (!strongest || step > strongest.step) strongest = tried;
      low = step + 1;
    }
  }
  return does ?? strongest;
}

/** Of where the first new row may lie, the place where the whole hides most. */
function bestVariant(asked: FromHereAsked, step: number): FromHereFound | undefined {
  let best: FromHereFound | undefined;
  asked.steps[step].forEach((inputs, variant) => {
    try {
      const figures = figuresFromHere(inputs, asked);
      const does =
        figures.packsToCome <= asked.packsLeft + 1e-9 &&
        (asked.secondsLeft === undefined || figures.secondsToCome <= asked.secondsLeft);
      if (!best || isBetter({ does, figures }, best)) best = { step, variant, figures, does };
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
    }
  });
  return best;
}

const isBetter = (a: Pick<FromHereFound, 'does' | 'figures'>, b: FromHereFound) =>
  a.does === b.does ? a.figures.hidden > b.figures.hidden : a.does;
