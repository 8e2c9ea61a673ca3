/** With fewer packs than are wanted: what she can do, each in steps from mild to strong, each step a change of the plan. */
import { pieceG } from '../core/hair/index.ts';
import {
  fingersFigure,
  PIECE_ZONES,
  type PieceZone,
  SPACING_LIMITS_FINGERS,
  SPLITS,
  type SpacingZone,
  type Split,
  ZONES,
} from '../core/trade/index.ts';
import { addProduct, keepLowerHalves, splitZones } from './cap-and-hair.ts';
import type { PlanDocument, ProductAsWritten } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { setSpacing } from './spacing-commands.ts';

export interface LessWay {
  readonly key: string;
  readonly name: string;
  /** What it does besides. */
  readonly why: string;
  readonly steps: readonly PlanChange[];
}

/** Hair that was worn, as loose pieces. */
export interface WornLot {
  readonly product: ProductAsWritten;
  readonly loose: number;
}

type Fingers = Readonly<Record<SpacingZone, number>>;

const QUARTER = 0.25;
const MOST_STEPS = 8;
const BEHIND = ['back', 'nape'] as const satisfies readonly SpacingZone[];
const FRONT = ['part', 'top', 'faceEdge'] as const satisfies readonly PieceZone[];
/** Behind, so wide that next to nothing hangs there (guess). */
const NEXT_TO_NOTHING = 4;

/** @param fingers gaps of all zones as they are, hers or left to the hair */
export function lessWays(plan: PlanDocument, fingers: Fingers, worn: readonly WornLot[]): LessWay[] {
  return [
    wider(plan, fingers, 'wider', ZONES, 'Wider gaps everywhere', 'Fewer knots, fewer hours; the scalp shows sooner.'),
    wider(
      plan,
      fingers,
      'widerBehind',
      BEHIND,
      'Wider gaps behind',
      'Hair from above hangs over them; the front stays as it is.',
    ),
    nextToNothing(plan, fingers),
    opened(plan, fingers),
    finer(
      plan,
      'finerBehind',
      BEHIND,
      'Pieces behind split finer',
      'Each covers less; none is wasted where much hangs over it.',
    ),
    finer(
      plan,
      'finerFront',
      FRONT,
      'Pieces in front split finer',
      'They lie flatter at part and edge, and fall thinner.',
    ),
    finer(
      plan,
      'finer',
      PIECE_ZONES,
      'All pieces split finer',
      'As many knots, half the hair: lighter, and thinner all over.',
    ),
    ...(plan.rows.fringe.how === 'none'
      ? []
      : [
          finer(
            plan,
            'underFringe',
            ['faceEdge'],
            'Finer pieces under the fringe',
            'The fringe hangs over them: little of it is missed.',
          ),
        ]),
    halves(plan),
    wornBehind(plan, worn),
    later(plan),
  ].filter((way) => way.steps.length > 0);
}

const most = Math.min(NEXT_TO_NOTHING, SPACING_LIMITS_FINGERS[1]);

/** Each step a quarter of a finger, until nothing gets wider any more. */
function quarters(fingers: Fingers, zones: readonly SpacingZone[]): Fingers[] {
  const steps: Fingers[] = [];
  for (let k = 1; k <= MOST_STEPS; k++) {
    const before = steps.at(-1) ?? fingers;
    const next = { ...fingers };
    for (const z of zones) next[z] = Math.max(fingers[z], Math.min(most, fingers[z] + k * QUARTER));
    if (zones.every((z) => next[z] === before[z])) break;
    steps.push(next);
  }
  return steps;
}

function wider(
  plan: PlanDocument,
  fingers: Fingers,
  key: string,
  zones: readonly SpacingZone[],
  name: string,
  why: string,
): LessWay {
  const steps = quarters(fingers, zones).map((next, k) => ({
    ...setSpacing(plan, next),
    words: `${name}, by ${fingersFigure((k + 1) * QUARTER)}`,
  }));
  return { key, name, why, steps };
}

function nextToNothing(plan: PlanDocument, fingers: Fingers): LessWay {
  const name = 'Next to nothing behind';
  const next = { ...fingers, back: Math.max(fingers.back, most), nape: Math.max(fingers.nape, most) };
  const isWider = BEHIND.some((z) => next[z] > fingers[z]);
  return {
    key: 'bareBehind',
    name,
    why: 'For hair long enough to hang over it, worn down: put up, the back is bare.',
    steps: isWider ? [{ ...setSpacing(plan, next), words: name }] : [],
  };
}

/** Opened hair widens and fills; gaps grow by what it gives. */
function opened(plan: PlanDocument, fingers: Fingers): LessWay {
  const cuts = plan.cuts.map((c) => {
    const product = plan.products.find((p) => p.id === c.product);
    const can =
      product && product.test.apart !== 'clings' && product.strandsPerPiece > 1 && product.texture !== 'straight';
    return can ? { ...c, opened: { when: 'after' as const, strands: 1, reach: 1 } } : c;
  });
  const isMore = cuts.some((c, i) => openOf(c) > openOf(plan.cuts[i]));
  const name = 'Opened all the way, and wider';
  return {
    key: 'opened',
    name,
    why: 'Fuller from fewer pieces, by more handiwork; an opened coil won’t close again.',
    steps: isMore
      ? quarters(fingers, ZONES).map((next, k) => ({
          words: `${name} by ${fingersFigure((k + 1) * QUARTER)}`,
          plan: setSpacing({ ...plan, cuts }, next).plan,
        }))
      : [],
  };
}

const openOf = ({ opened: { when, strands, reach } }: PlanDocument['cuts'][number]) =>
  when === 'never' ? 0 : strands * reach;

const IN_WORDS: Readonly<Record<Split, string>> = { 1: 'one', 2: 'two', 4: 'four', 8: 'eight', 16: 'sixteen' };

/** Twice, then four times as fine as the coarsest of these zones is now, as far as there are strands to split. */
function finer(plan: PlanDocument, key: string, zones: readonly PieceZone[], name: string, why: string): LessWay {
  const cuts = zones.map((z) => plan.cuts.find((c) => c.id === plan.pieces[z].cut));
  const now = Math.min(...cuts.map((c) => c?.split ?? 1));
  const strands = Math.min(...cuts.map((c) => plan.products.find((p) => p.id === c?.product)?.strandsPerPiece ?? 1));
  const steps = [2 * now, 4 * now]
    .filter((s): s is Split => s <= strands && (SPLITS as readonly number[]).includes(s))
    .map((split) => ({ ...splitZones(plan, zones, split, `${name}, in ${IN_WORDS[split]}`) }));
  return { key, name, why, steps };
}

/** Upper halves behind, their lower halves at the nape: each raw piece hangs twice. */
function halves(plan: PlanDocument): LessWay {
  const name = 'Cut in half behind';
  const cut = plan.cuts.find((c) => c.id === plan.pieces.back.cut);
  const product = plan.products.find((p) => p.id === cut?.product);
  const way = {
    key: 'halves',
    name,
    why: 'Upper halves keep their loop and half of their length. Lower ones have none, are folded, hang a quarter, and go to the nape. Hook two whole ones first and look: what is cut is gone.',
  };
  if (!cut || !product || cut.half || product.lowerHalfOf !== undefined || product.texture === 'twist')
    return { ...way, steps: [] };
  const kept = keepLowerHalves(plan, product.id).plan;
  const lower = kept.cuts.at(-1);
  if (!lower) return { ...way, steps: [] };
  const upper = { ...cut, id: `${lower.id}-upper`, name: `${cut.name}, upper halves`, half: true };
  const pieces = { ...kept.pieces, back: { cut: upper.id }, nape: { cut: lower.id } };
  return { ...way, steps: [{ words: name, plan: { ...kept, cuts: [...kept.cuts, upper], pieces } }] };
}

/** Pieces that were worn before go where they are seen least. */
function wornBehind(plan: PlanDocument, lots: readonly WornLot[]): LessWay {
  const main = plan.products[0];
  const lot = lots
    .filter((l) => l.product.condition !== 'new' && l.loose > 0 && l.product.texture === main.texture)
    .sort((a, b) => b.loose - a.loose)[0];
  const way = {
    key: 'worn',
    name: 'Worn pieces at the nape',
    why: 'Frizz is welcome there: it fills. Comb, wash and dry them first.',
  };
  if (!lot) return { ...way, steps: [] };
  const { product, loose } = lot;
  const { id: _, lowerHalfOf: __, ...made } = product;
  const asOnePack = {
    ...made,
    name: `${product.name}, worn`,
    piecesPerPack: loose,
    packMassG: Math.max(5, Math.round(10 * loose * pieceG(product)) / 10),
    test: { ...product.test, counted: loose },
    packsAtHand: 1,
    packPrice: 0,
  };
  const added = addProduct(plan, asOnePack).plan;
  const cut = added.cuts.at(-1);
  if (!cut) return { ...way, steps: [] };
  return {
    ...way,
    steps: [{ words: way.name, plan: { ...added, pieces: { ...added.pieces, nape: { cut: cut.id } } } }],
  };
}

function later(plan: PlanDocument): LessWay {
  const name = 'The second pass later';
  return {
    key: 'later',
    name,
    why: 'A finished style may be opened again for additions next day, or next month.',
    steps:
      plan.rows.secondPass === 'none'
        ? []
        : [{ words: name, plan: { ...plan, rows: { ...plan.rows, secondPass: 'none' } } }],
  };
}
