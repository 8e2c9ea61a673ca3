/**
 * What she does to a piece before or after it is hooked: split lengthwise, cut in half, opened by degree, its
 * curl changed. Each changes pieces, worn length, width and minutes by the factors of one table here; they are
 * common practice where said and guesses elsewhere, and never hidden in a formula.
 */

import {
  DRESSING_INFO,
  type Dressing,
  type DressingInfo,
  FIBRE_DENSITY,
  HOLE_GIVES,
  KNOT_WIDENING,
  LIES_FLAT_MM,
  LOOP_INFO,
  OPEN_SHORTENS,
  OPEN_WIDENS,
  OPENED_INFO,
  type OpenedWhen,
  PIECE_PACKING,
  SECONDS_A_HALF,
  SECONDS_A_SPLIT,
  SECONDS_A_STRAND,
  SECONDS_ENDS_OFF,
  type Split,
} from '../trade/index.ts';
import { canOneLeg, loopHasToComeOff, type Product, pieceG, piecesInPack } from './product.ts';

export interface Opened {
  readonly when: OpenedWhen;
  /** Of its strands, and of the way from tip to root. */
  readonly strands: number;
  readonly reach: number;
}

export interface Preparation {
  readonly id: string;
  readonly name: string;
  /** Product that it is made of, by id. */
  readonly product: string;
  readonly split: Split;
  readonly half: boolean;
  readonly opened: Opened;
  readonly dressed: Dressing;
  /** What is done to it after that, once it is in. */
  readonly dressedAgain: Dressing;
  /** Cut off its ends before it is hooked, mm. */
  readonly endsOffMm: number;
}

/** One piece as it is hooked. */
export interface HookedPiece {
  readonly cut: string;
  readonly product: string;
  /** No whole number where several are twisted into one: the last of a pack is finished from the next. */
  readonly perPack: number;
  readonly massG: number;
  readonly strands: number;
  readonly hangingEnds: number;
  /** As worn, from the knot to the tip. */
  readonly lengthMm: number;
  /** Thickness of the folded piece where it is drawn through, mm. */
  readonly thicknessMm: number;
  /** Width that its knot takes on the row, mm. */
  readonly knotWidthMm: number;
  readonly liesFlat: boolean;
  /** Width as worn against the same hair untouched. */
  readonly widthFactor: number;
  readonly canOneLeg: boolean;
  /** Its middle is stiff: one-leg only by hand, when she insists. */
  readonly stiff: boolean;
  readonly canLock: boolean;
  readonly loopHasToComeOff: boolean;
  /** Before it is hooked, and after it, for one piece. */
  readonly secondsBefore: number;
  readonly secondsAfter: number;
  /** Of those after it: opening its strands, dressing it, and dressing it once more. */
  readonly secondsOpening: number;
  readonly secondsDressing: number;
  readonly secondsDressingAgain: number;
}

/** Thickness of a folded piece, mm. It is twice as long as it hangs, since it is folded over its loop. */
export function pieceThicknessMm(massG: number, foldLengthMm: number): number {
  const sectionMm2 = massG / (2 * foldLengthMm) / FIBRE_DENSITY / PIECE_PACKING;
  return 2 * Math.sqrt(sectionMm2 / Math.PI);
}

/** @throws RangeError where the cut is of another product. */
export function hookedPiece(product: Product, cut: Preparation): HookedPiece {
  if (cut.product !== product.id) throw new RangeError(`The cut ${cut.id} is of ${cut.product}, not ${product.id}.`);
  const share = (1 / cut.split) * (cut.half ? 0.5 : 1);
  const wholeMm = product.lengthMm * (cut.half ? 0.5 : 1);
  const foldLengthMm = Math.max(LEAST_LENGTH_MM, wholeMm - cut.endsOffMm);
  const massG = pieceG(product) * product.composed * share * (foldLengthMm / wholeMm);
  const strands = (product.strandsPerPiece / cut.split) * product.composed;
  const thicknessMm = pieceThicknessMm(massG, foldLengthMm);
  const { opened } = cut;
  const degree = opened.when === 'never' ? 0 : opened.strands * opened.reach;
  const { before } = OPENED_INFO[opened.when];
  const dress = DRESSING_INFO[cut.dressed];
  const again = DRESSING_INFO[cut.dressedAgain];
  const opening = SECONDS_A_STRAND * strands * degree;
  const takes = (d: DressingInfo) => strands * d.secondsAStrand + (massG * foldLengthMm * d.secondsAGramMetre) / 1000;
  // One piece in four is three splits for four pieces.
  const splits = (cut.split - 1) / cut.split;
  const locks = LOOP_INFO[product.loop].locks && cut.split === 1;
  const secondsOpening = (1 - before) * opening;
  const secondsDressing = dress.before ? 0 : takes(dress);
  return {
    cut: cut.id,
    product: product.id,
    perPack: (piecesInPack(product) * cut.split) / product.composed,
    massG,
    strands,
    hangingEnds: 2 * strands,
    lengthMm: foldLengthMm * (1 - OPEN_SHORTENS * degree) * dress.length * again.length,
    thicknessMm,
    knotWidthMm: KNOT_WIDENING * thicknessMm,
    liesFlat: KNOT_WIDENING * thicknessMm <= LIES_FLAT_MM,
    widthFactor: (1 + OPEN_WIDENS * degree) * dress.width * again.width,
    canOneLeg: canOneLeg(product),
    stiff: product.loop === 'stiff' && product.test.apart !== 'clings',
    canLock: locks,
    loopHasToComeOff: loopHasToComeOff(product),
    secondsBefore:
      splits * SECONDS_A_SPLIT +
      (cut.half ? SECONDS_A_HALF : 0) +
      (cut.endsOffMm > 0 ? SECONDS_ENDS_OFF : 0) +
      before * opening +
      (dress.before ? takes(dress) : 0),
    secondsAfter: secondsOpening + secondsDressing + takes(again),
    secondsOpening,
    secondsDressing,
    secondsDressingAgain: takes(again),
  };
}

/** However much of its ends is cut off, so much is left, mm. */
const LEAST_LENGTH_MM = 20;

/** Whether it can be drawn through a hole, and whether an opened coil could be drawn back. */
export function passesHole(piece: Pick<HookedPiece, 'thicknessMm'>, holeMm: number): boolean {
  return holeMm >= HOLE_GIVES * piece.thicknessMm;
}

/** Opened in one go, not in stages. */
const isWhole = ({ when }: Opened) => when === 'before' || when === 'after';

/** What is done to pieces, in the words of the bench. */
export function cutInWords(cut: Preparation): string {
  const parts = doneTo(cut);
  return parts.length > 0 ? parts.join(', ') : 'whole, as it comes';
}

export const isUntouched = (cut: Preparation) => doneTo(cut).length === 0;

function doneTo(cut: Preparation): string[] {
  return [
    cut.split > 1 ? `split in ${cut.split}` : '',
    cut.half ? 'cut in half' : '',
    cut.opened.when === 'never'
      ? ''
      : `opened ${Math.round(100 * cut.opened.strands * cut.opened.reach)} %${isWhole(cut.opened) ? '' : ':'} ${OPENED_INFO[cut.opened.when].name}`,
    cut.endsOffMm > 0 ? `${Math.round(cut.endsOffMm)} mm of the ends off` : '',
    cut.dressed === 'asItIs' ? '' : DRESSING_INFO[cut.dressed].name,
    cut.dressedAgain === 'asItIs' ? '' : `then ${DRESSING_INFO[cut.dressedAgain].name}`,
  ].filter(Boolean);
}
