/** Whether offered hair can stand in for what is wanted, and how many wanted pieces one of its packs gives. */
import { hairDifference } from '../colours/index.ts';
import type { HairKind } from './offer.ts';

export interface Fit {
  /** Wanted pieces from one offered pack; less than one where several packs make one. */
  readonly piecesAPack: number;
  /** Pieces are split into so many, or so many are taken together (below one). */
  readonly split: number;
  /** CIEDE2000. */
  readonly colourOff: number;
  /** Longer by so much, to be cut down, mm. */
  readonly longerMm: number;
}

/** Lengths that differ by less are the same on a head (guess). */
const SAME_LENGTH = 0.06;
/** A piece as heavy as so many wanted ones, give or take, can be split into them (common practice: a finer split is by eye). */
const SPLIT_SLACK = 0.15;
const MOST_SPLIT = 4;

/** @returns undefined where it can't stand in: another texture, fibre or loop, shorter, or pieces too unlike */
export function fitOf(wanted: HairKind, offered: HairKind): Fit | undefined {
  if (offered.texture !== wanted.texture || offered.fibre !== wanted.fibre || offered.loop !== wanted.loop)
    return undefined;
  const longerMm = offered.lengthMm - wanted.lengthMm;
  if (longerMm < -SAME_LENGTH * wanted.lengthMm) return undefined;
  const split = splitOf(bulk(offered) / bulk(wanted));
  if (split === undefined) return undefined;
  return {
    piecesAPack: offered.piecesPerPack * split,
    split,
    colourOff: offered.colour === wanted.colour ? 0 : hairDifference(wanted.colour, offered.colour),
    longerMm: longerMm > SAME_LENGTH * wanted.lengthMm ? longerMm : 0,
  };
}

/** Grams of a piece for each mm of it. */
const bulk = ({ packMassG, piecesPerPack, lengthMm }: HairKind) => packMassG / piecesPerPack / lengthMm;

/** Into how many pieces of the wanted bulk one is split; a half where two are hooked together. */
function splitOf(ratio: number): number | undefined {
  if (ratio >= 1) {
    const into = Math.floor(ratio + SPLIT_SLACK);
    return into <= MOST_SPLIT && ratio <= into * (1 + 2 * SPLIT_SLACK) ? into : undefined;
  }
  const together = Math.ceil(1 / ratio - SPLIT_SLACK);
  return together <= MOST_SPLIT ? 1 / together : undefined;
}
