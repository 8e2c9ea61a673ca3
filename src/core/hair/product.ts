/** A product as it comes, and what one hooked piece of it is after splitting and composing. */
import { TEXTURE_INFO, type Texture } from './textures.ts';

export const LOOPS = ['thread', 'slidingBand', 'ring', 'stiff', 'none'] as const;
export type Loop = (typeof LOOPS)[number];

export interface LoopInfo {
  readonly name: string;
  /** Can be pushed up to the root and hold a knot shut. */
  readonly locks: boolean;
  /** Whether one side can go through alone: with the loop left on, once it is taken off, or never. */
  readonly oneLeg: 'asItIs' | 'onceOff' | 'never';
}

/** Common practice, no source. */
export const LOOP_INFO: Readonly<Record<Loop, LoopInfo>> = {
  thread: { name: 'thread loop', locks: false, oneLeg: 'asItIs' },
  slidingBand: { name: 'sliding band', locks: true, oneLeg: 'onceOff' },
  ring: { name: 'ring', locks: true, oneLeg: 'onceOff' },
  stiff: { name: 'stiff middle', locks: false, oneLeg: 'never' },
  none: { name: 'no loop, folded by hand', locks: false, oneLeg: 'asItIs' },
};

export const SPLITS = [1, 2, 4, 8, 16] as const;
export type Split = (typeof SPLITS)[number];

export interface Product {
  readonly name: string;
  /** As counted in one opened pack. */
  readonly piecesPerPack: number;
  readonly strandsPerPiece: number;
  readonly packMassG: number;
  /** From fold to tip, as it hangs, mm. */
  readonly lengthMm: number;
  readonly texture: Texture;
  readonly loop: Loop;
  /** A ring or band can be taken off in her hands. */
  readonly loopComesOff: boolean;
  readonly packPrice: number;
  /** Each piece is split lengthwise into so many before hooking. */
  readonly split: Split;
  /** So many pieces are twisted together into one. */
  readonly composed: number;
}

export interface HookedPiece {
  readonly perPack: number;
  readonly massG: number;
  readonly strands: number;
  readonly hangingEnds: number;
  /** Width that its knot takes on the row, mm. */
  readonly knotWidthMm: number;
  /** Widest gap it covers, mm, for a finger of the given width. */
  readonly coversFingers: number;
  readonly canOneLeg: boolean;
  readonly canLock: boolean;
}

/** Fibre density g/mm³, about 1.3 g/cm³ for hair-like synthetic fibre (from memory). */
const FIBRE_DENSITY = 0.0013;
/** Fibre over space in a bundle held loosely (guess). */
const PACKING = 0.4;
/** Width of a wrapped knot over the thickness of its folded piece (guess; 2 g over 25 cm gives 7 to 8 mm). */
const KNOT_WIDENING = 2.5;
const REFERENCE_MASS_G = 2;

export function hookedPiece(product: Product): HookedPiece {
  const massG = (product.packMassG / product.piecesPerPack / product.split) * product.composed;
  const strands = (product.strandsPerPiece / product.split) * product.composed;
  // The piece is twice as long as it hangs, since it is folded over its loop.
  const sectionMm2 = massG / (2 * product.lengthMm) / FIBRE_DENSITY / PACKING;
  const thicknessMm = 2 * Math.sqrt(sectionMm2 / Math.PI);
  const fuller = Math.min(1.4, Math.max(0.5, Math.sqrt(massG / REFERENCE_MASS_G)));
  const loop = LOOP_INFO[product.loop];
  return {
    perPack: Math.floor((product.piecesPerPack * product.split) / product.composed),
    massG,
    strands,
    hangingEnds: 2 * strands,
    knotWidthMm: KNOT_WIDENING * thicknessMm,
    coversFingers: TEXTURE_INFO[product.texture].coversFingers * fuller,
    canOneLeg: loop.oneLeg === 'asItIs' || (loop.oneLeg === 'onceOff' && product.loopComesOff),
    canLock: loop.locks,
  };
}
