/** Hair that she has, lot by lot: what plans take of it, what an install leaves, never less than none and nothing given twice. */

/** Hair of one product, colour, cut and condition. */
export interface Lot {
  readonly packs: number;
  /** Raw pieces out of packs that are opened. */
  readonly loose: number;
}

/** A plan that counts on packs of a lot. */
export interface Claim {
  readonly plan: string;
  readonly packs: number;
}

export interface Allotment extends Claim {
  /** Packs that are there for it. */
  readonly granted: number;
}

export interface Allotted {
  readonly plans: readonly Allotment[];
  /** Packs that no plan takes. */
  readonly free: number;
}

/** Who comes first is served first; what is not there is given to nobody. */
export function allot({ packs }: Pick<Lot, 'packs'>, claims: readonly Claim[]): Allotted {
  let free = Math.max(0, packs);
  const plans = claims.map((claim) => {
    const granted = Math.min(free, Math.max(0, claim.packs));
    free -= granted;
    return { ...claim, granted };
  });
  return { plans, free };
}

export interface Install {
  /** Packs of the lot that the plan took. */
  readonly atHand: number;
  /** Packs bought for it besides. */
  readonly bought: number;
  readonly piecesPerPack: number;
  /** Raw pieces that went into hair, cut or whole. */
  readonly piecesUsed: number;
}

export interface LeftAfter {
  readonly lot: Lot;
  readonly opened: number;
  /** What comes back: packs never opened, pieces of the last one. */
  readonly packsBack: number;
  readonly piecesBack: number;
}

/**
 * A lot after an install: loose pieces go first, then packs that were at hand, then bought ones; what no pack opened stays a pack.
 * More used than there was leaves nothing.
 */
export function afterInstall(lot: Lot, { atHand, bought, piecesPerPack, piecesUsed }: Install): LeftAfter {
  const own = Math.min(Math.max(0, atHand), lot.packs);
  const fromLoose = Math.min(lot.loose, piecesUsed);
  const fromPacks = piecesUsed - fromLoose;
  const opened = Math.min(own + bought, Math.ceil(fromPacks / piecesPerPack - 1e-9));
  const piecesBack = Math.max(0, Math.floor(opened * piecesPerPack - fromPacks + 1e-9));
  const packsBack = own + bought - opened;
  return {
    lot: { packs: lot.packs - own + packsBack, loose: lot.loose - fromLoose + piecesBack },
    opened,
    packsBack,
    piecesBack,
  };
}

/** How much a lot can do: whole packs and what lies about, in raw pieces. */
export const piecesOf = ({ packs, loose }: Lot, piecesPerPack: number) => packs * piecesPerPack + loose;
