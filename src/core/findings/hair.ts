/** What an opened pack, a cut or a dressing can do wrong. */

import { type HookedPiece, mainCut, type Preparation, type Product } from '../hair/index.ts';
import type { PlanInputs } from '../plan/index.ts';
import {
  DRESSING_INFO,
  KNOT_SECONDS,
  LIES_FLAT_MM,
  lowerFirst,
  MOST_ON_HEAD_G,
  OPENED_INFO,
  PACE_FACTOR,
  PIECE_LIMITS_G,
  type PieceZone,
  SPLITS,
  type Split,
  STIFF_WIDENS,
  TEXTURE_INFO,
} from '../trade/index.ts';
import type { Check } from './check.ts';

export function productOf(inputs: Pick<PlanInputs, 'products'>, id: string): Product {
  return inputs.products.find((p) => p.id === id) ?? inputs.products[0];
}

/** What the top is made of. */
export function mainProduct(inputs: Pick<PlanInputs, 'products' | 'cuts' | 'pieces'>): Product {
  return productOf(inputs, mainCut(inputs).product);
}

const usedProducts = (inputs: PlanInputs, knots: ReadonlyArray<{ readonly cut: string }>) => {
  const cuts = new Set(knots.map((k) => k.cut));
  const ids = new Set(inputs.cuts.filter((c) => cuts.has(c.id)).map((c) => c.product));
  return inputs.products.filter((p) => ids.has(p.id));
};

/** Open places are one-leg by her choice, or where the hair asks for it. */
const asksOneLeg = ({ exposed }: PlanInputs['schools']) => exposed === 'oneLeg' || exposed === 'byHair';

const clings: Check = (inputs, { knots }) => {
  const bad = usedProducts(inputs, knots).find((p) => p.test.apart === 'clings');
  if (!bad || !knots.some((k) => k.exposed && k.schools.oneLeg !== 'never' && asksOneLeg(k.schools))) return undefined;
  return {
    code: 'hair.clings',
    severity: 'caution',
    station: 'hair',
    what: `The strands of ${bad.name} cling together.`,
    why: 'They don’t part into two legs, so no one-leg knots: layer from back to front, or no part.',
    fix: {
      deed: 'Lay open places from back to front',
      change: { kind: 'setSchool', school: 'exposed', value: 'backToFront' },
    },
  };
};

const absurdPiece: Check = (inputs, { knots, pieces }) => {
  const bad = pieces.find(
    (p) => knots.some((k) => k.cut === p.cut) && (p.massG < PIECE_LIMITS_G[0] || p.massG > PIECE_LIMITS_G[1]),
  );
  if (!bad) return undefined;
  const grams = bad.massG < 1 ? bad.massG.toFixed(3) : bad.massG.toFixed(0);
  return {
    code: 'hair.absurdPiece',
    severity: 'stop',
    station: 'hair',
    what: `A piece of ${grams} g can’t be hooked.`,
    why: `${productOf(inputs, bad.product).name}: a pack of ${Math.round(productOf(inputs, bad.product).packMassG)} g gives pieces of ${grams} g; people hook ${PIECE_LIMITS_G[0]} to ${PIECE_LIMITS_G[1]} g. Look at the mass of the pack, the pieces in it and the split.`,
  };
};

const absurdMass: Check = (_, { load }) => {
  if (load.massG <= MOST_ON_HEAD_G) return undefined;
  return {
    code: 'hair.absurdMass',
    severity: 'stop',
    station: 'hair',
    what: `${(load.massG / 1000).toFixed(1)} kg can’t hang on a head.`,
    why: 'Nobody wears more than a kilogram and a half. Look at the mass of the pack, the pieces in it and the gaps before you trust any figure.',
  };
};

const sheds: Check = (inputs, { knots }) => {
  const bad = usedProducts(inputs, knots).find((p) => p.test.tug === 'sheds' || p.test.tug === 'loopSlips');
  if (!bad) return undefined;
  return {
    code: 'hair.sheds',
    severity: 'caution',
    station: 'hair',
    what: bad.test.tug === 'sheds' ? `${bad.name} sheds at a tug.` : `The loops of ${bad.name} slip at a tug.`,
    why:
      bad.test.tug === 'sheds'
        ? 'It will go on shedding while it is worn. Take it back while the other packs are shut, or keep it for fill.'
        : 'A loop that slips lets the whole piece out. Knot its thread once, or fold it by hand.',
  };
};

const counted: Check = (inputs, { knots }) => {
  const off = usedProducts(inputs, knots).find(
    (p) => p.test.counted !== undefined && p.test.counted !== p.piecesPerPack,
  );
  if (!off) return undefined;
  return {
    code: 'hair.counted',
    severity: 'note',
    station: 'hair',
    what: `Your pack of ${off.name} holds ${off.test.counted}, not ${off.piecesPerPack}.`,
    why: 'Everything is worked out with what you counted. Count the next pack too: they differ.',
  };
};

const heat: Check = (inputs, { knots }) => {
  const used = new Set(knots.map((k) => k.cut));
  const bad = inputs.cuts.find(
    (c) =>
      used.has(c.id) &&
      (DRESSING_INFO[c.dressed].heat || DRESSING_INFO[c.dressedAgain].heat) &&
      productOf(inputs, c.product).heatC === 0,
  );
  if (!bad) return undefined;
  return {
    code: 'hair.noHeat',
    severity: 'stop',
    station: 'hair',
    what: `${productOf(inputs, bad.product).name} bears no heat, and ${lowerFirst(bad.name)} is to be smoothed with a drier.`,
    why: 'It melts, and what melts burns skin. Heat is what the fibre’s label says, on the block where possible; hair left out is the hair at risk.',
    fix: { deed: 'Leave it as it is', change: { kind: 'setCut', cut: bad.id, change: { dressed: 'asItIs' } } },
  };
};

const coated: Check = (inputs, { knots }) => {
  if (!usedProducts(inputs, knots).some((p) => p.fibre === 'coated')) return undefined;
  return {
    code: 'hair.coated',
    severity: 'note',
    station: 'hair',
    what: 'Coated fibre can make a scalp itch.',
    why: 'Test a patch behind the ear for a day. Rinse it before use if its label allows. Itching that stays means out with it; ask a doctor.',
  };
};

const openedTooSoon: Check = (inputs, { knots }) => {
  if (inputs.cap.dome === 'none') return undefined;
  const used = new Set(knots.map((k) => k.cut));
  const bad = inputs.cuts.find((c) => {
    const { texture } = productOf(inputs, c.product);
    return (
      used.has(c.id) && OPENED_INFO[c.opened.when].before > 0 && c.opened.reach > 0.7 && TEXTURE_INFO[texture].springy
    );
  });
  if (!bad) return undefined;
  return {
    code: 'hair.openedTooSoon',
    severity: 'caution',
    station: 'hair',
    what: 'An opened coil won’t go back through a net.',
    why: `${bad.name} is opened ${Math.round(bad.opened.reach * 100)} % of the way before it is hooked. Open it after, half first, look, then the rest.`,
    fix: {
      deed: 'Open it after hooking',
      change: { kind: 'setCut', cut: bad.id, change: { opened: { ...bad.opened, when: 'after' } } },
    },
  };
};

/** Places where a thick knot is seen. */
const OPEN_ZONES: readonly PieceZone[] = ['part', 'faceEdge', 'fringe', 'border'];

const standsProud: Check = (inputs, { knots, pieces }) => {
  const open = knots.filter(
    (k) =>
      (k.exposed || k.onNet === 'cutOut') &&
      k.schools.exposed !== 'springy' &&
      !pieces.find((p) => p.cut === k.cut)?.liesFlat,
  );
  if (open.length === 0) return undefined;
  const piece = pieces.find((p) => p.cut === open[0].cut) as HookedPiece;
  const cut = inputs.cuts.find((c) => c.id === piece.cut) as Preparation;
  const product = productOf(inputs, cut.product);
  if (TEXTURE_INFO[product.texture].springy) return undefined;
  const flat = flatSplit(piece, cut, product);
  const zones = OPEN_ZONES.filter((z) => open.some((k) => k.pieceZone === z));
  return {
    code: 'hair.standsProud',
    severity: 'note',
    station: 'hair',
    what: `${open.length} open knots are thicker than lies flat.`,
    why: `About ${piece.knotWidthMm.toFixed(1)} mm; up to ${LIES_FLAT_MM} mm lies flat (a guess until you hook one). At the part and the hairline finer pieces, down to a sixteenth, do.`,
    knotIds: open.map((k) => k.id),
    ...(flat === undefined || zones.length === 0
      ? {}
      : {
          fix: {
            deed: `Split them in ${flat} there`,
            change: { kind: 'splitZones', zones, split: flat } as const,
          },
        }),
  };
};

/** The coarsest split whose knot lies flat; a knot's width goes with the root of its mass. */
export function flatSplit(
  piece: Pick<HookedPiece, 'knotWidthMm'>,
  cut: Preparation,
  product: Product,
): Split | undefined {
  return SPLITS.find(
    (s) =>
      s > cut.split && s <= product.strandsPerPiece && piece.knotWidthMm * Math.sqrt(cut.split / s) <= LIES_FLAT_MM,
  );
}

const tiredInSight: Check = (inputs, { knots }) => {
  const tired = new Set(inputs.products.filter((p) => p.condition === 'tired').map((p) => p.id));
  const open = knots.filter((k) => k.exposed && tired.has(k.piece.product));
  if (open.length === 0) return undefined;
  return {
    code: 'hair.tiredInSight',
    severity: 'note',
    station: 'hair',
    what: `${open.length} open places get hair that is tired.`,
    why: 'Worn hair comes back as fill, or where it is least seen: behind, and under rows to come.',
    knotIds: open.map((k) => k.id),
  };
};

const stiffOneLeg: Check = (inputs, { knots, pieces }) => {
  const on = knots.filter((k) => k.kind === 'oneLeg' && pieces.find((p) => p.cut === k.cut)?.stiff);
  if (on.length === 0) return undefined;
  const piece = pieces.find((p) => p.cut === on[0].cut) as HookedPiece;
  const minutes = Math.round((on.length * KNOT_SECONDS.stiffBent * PACE_FACTOR[inputs.pace]) / 60);
  return {
    code: 'hair.stiffOneLeg',
    severity: 'note',
    station: 'hair',
    what: `${on.length} one-leg ${on.length === 1 ? 'knot has' : 'knots have'} a stiff middle.`,
    why: `You insist on it: about ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} more, each about ${(STIFF_WIDENS * piece.knotWidthMm).toFixed(0)} mm wide instead of ${piece.knotWidthMm.toFixed(0)} (a guess), and its free side stands off the loop, which shows unless hair falls over it.`,
    knotIds: on.map((k) => k.id),
    fix: { deed: 'Wrap them as usual', change: { kind: 'setSchool', school: 'stiff', value: 'ordinary' } },
  };
};

export const HAIR_CHECKS: readonly Check[] = [
  absurdPiece,
  absurdMass,
  heat,
  clings,
  sheds,
  openedTooSoon,
  counted,
  standsProud,
  stiffOneLeg,
  tiredInSight,
  coated,
];

export const smoothUnheld: Check = (inputs, { piece, knots }) => {
  const smooth = TEXTURE_INFO[mainProduct(inputs).texture].grip === 'smooth';
  if (!smooth || inputs.cap.dome !== 'none' || knots.every((k) => k.lock || k.kind === 'oneLeg')) return undefined;
  return {
    code: 'hold.smoothUnheld',
    severity: 'caution',
    station: 'hair',
    what: 'Smooth hair with neither net nor lock.',
    why: 'Straight into own hair it creeps out even with four wraps, and the large bites pull.',
    fix: piece.canLock
      ? { deed: 'Lock every knot with its band', change: { kind: 'setSchool', school: 'smoothHold', value: 'lock' } }
      : { deed: 'Put a closed cap over the base', change: { kind: 'setCap', change: { dome: 'closed' } } },
  };
};

export const loopStays: Check = (inputs, { knots, piece }) => {
  const product = mainProduct(inputs);
  if (piece.canOneLeg || product.test.apart === 'clings') return undefined;
  const isWanted = ({ exposed, schools }: (typeof knots)[number]) => {
    if (schools.oneLeg !== 'exposed') return schools.oneLeg === 'everywhere';
    if (!exposed || !asksOneLeg(schools)) return false;
    return schools.exposed === 'oneLeg' || !TEXTURE_INFO[product.texture].springy;
  };
  const wanting = knots.filter(isWanted);
  if (wanting.length === 0) return undefined;
  return {
    code: 'knot.loopStays',
    severity: 'caution',
    station: 'hair',
    what: `${wanting.length} one-leg knots on a loop that can’t come off.`,
    why: 'One side has to go through alone, so both sides must be free. They are planned as ordinary knots and may show; a thread loop, or one that comes off, would do it.',
    knotIds: wanting.map((k) => k.id),
    fix: { deed: 'Plan without one-leg knots', change: { kind: 'setSchool', school: 'oneLeg', value: 'never' } },
  };
};

export const splitTooFine: Check = (inputs) => {
  const bad = inputs.cuts.find((c) => c.split > productOf(inputs, c.product).strandsPerPiece);
  if (!bad) return undefined;
  const { strandsPerPiece } = productOf(inputs, bad.product);
  return {
    code: 'hair.splitTooFine',
    severity: 'stop',
    station: 'hair',
    what: `A piece of ${strandsPerPiece} strands can’t be split in ${bad.split}.`,
    why: 'A strand is the least that can be hooked.',
    fix: { deed: 'Hook whole pieces', change: { kind: 'setCut', cut: bad.id, change: { split: 1 } } },
  };
};

export const latex: Check = (inputs) => {
  if (!inputs.products.some((p) => p.loop === 'slidingBand')) return undefined;
  return {
    code: 'hair.latex',
    severity: 'note',
    station: 'hair',
    what: 'The bands may hold latex.',
    why: 'It can cause allergy: wear one band at the wrist for a day first. Itching or a rash means leave it; ask a doctor if it stays.',
  };
};
