/** Hair as it is sold and kept: fibre, condition, the opening test, and what a pack can be. */

export const FIBRES = ['plain', 'heatProof', 'coated', 'human'] as const;

export type Fibre = (typeof FIBRES)[number];

export const FIBRE_NAMES: Readonly<Record<Fibre, string>> = {
  plain: 'synthetic',
  heatProof: 'synthetic that bears heat',
  coated: 'synthetic, coated',
  human: 'human hair',
};

export const CONDITIONS = ['new', 'worn', 'tired'] as const;

export type Condition = (typeof CONDITIONS)[number];

export const CONDITION_NAMES: Readonly<Record<Condition, string>> = {
  new: 'new',
  worn: 'worn, still good',
  tired: 'tired: fill, or where least seen',
};

/** The opening test: tug one piece, pull one apart, hook one. Counting is the number of pieces itself. */
export const TUGS = ['untried', 'holds', 'sheds', 'loopSlips'] as const;

export const APARTS = ['untried', 'separates', 'clings'] as const;

export const HOOKEDS = ['untried', 'stays', 'slips'] as const;

export const PRODUCT_LIMITS = {
  piecesPerPack: [1, 400],
  bundlesPerPack: [1, 40],
  strandsPerPiece: [1, 400],
  packMassG: [5, 1000],
  lengthMm: [50, 1500],
  heatC: [0, 260],
  packPrice: [0, 10000],
  composed: [1, 8],
  timesWorn: [0, 100],
  packsAtHand: [0, 200],
  products: 12,
  colours: 4,
} as const;

/** Lighter and heavier than these no piece is hooked, g; heavier than this no head bears (common practice, no source, generous). */
export const PIECE_LIMITS_G = [0.05, 15] as const;
export const MOST_ON_HEAD_G = 1500;
