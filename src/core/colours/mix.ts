/** What becomes of the colours of a plan. */
import type { Evenness } from './neighbours.ts';

/** What became of one colour. */
export interface ColourDealt {
  readonly id: string;
  readonly pieces: number;
  /** Pieces that were asked for, a fraction included: more where there are too few packs of it. */
  readonly asked: number;
}

export interface Mix {
  readonly colours: readonly ColourDealt[];
  readonly evenness: Evenness | undefined;
  /** Pieces that there is no hair for in any colour. */
  readonly missing: number;
  /** The product that most is hooked of. */
  readonly mainProduct: string | undefined;
}
