/** What the store holds, table by table. */
import type { Side } from '../core/cover/index.ts';
import type { StyleFigures } from '../core/log/index.ts';
import type { PracticeRow } from '../core/practice/index.ts';
import type { FallGuess } from '../core/trade/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { Herself } from '../model/herself.ts';
import type { History } from '../model/history.ts';
import type { CapAsWritten, ProductAsWritten } from '../model/plan.ts';

export interface PlanRecord {
  readonly id: string;
  /** Counts up with every write: two tabs see each other by it. */
  readonly revision: number;
  readonly updatedAtMs: number;
  /** 0 while it is kept; deleted plans stay until undo is no longer wanted; below 0 a plan of the demo that is put away. */
  readonly deletedAtMs: number;
  /** The plan with its undo and redo, so that a reload loses neither. */
  readonly history: History;
  /** Whose it is; a plan out of a file is nobody's until she says so. */
  readonly wearer?: OfWearer | undefined;
}

/** Her head, hair and hands as they are now. */
export interface WearerRecord {
  readonly id: string;
  /** Counts up with every change of hers. */
  readonly revision: number;
  readonly updatedAtMs: number;
  readonly her: Herself;
  /** Of the demo and put away with it, or no longer wanted: her plans hold her all the same. */
  readonly isAway?: boolean;
}

/** How a plan’s hair looks, small. */
export interface PictureRecord {
  readonly planId: string;
  /** As a data URL. */
  readonly image: string;
}

/** A photo taken at a checkpoint; it never leaves the browser. */
export interface PhotoRecord {
  readonly id: string;
  readonly sessionId: string;
  readonly takenAtMs: number;
  readonly side: Side;
  /** As a data URL, no larger than it was measured. */
  readonly image: string;
  /** Knots that were in then. */
  readonly knotsIn: number;
}

/** What was noted of a day on which a style was worn. */
export interface WearRecord extends WearEvent {
  readonly sessionId: string;
}

/** What an install came to, folded from its events; gone, and made anew, as soon as one is added to them. */
export interface StyleRecord {
  readonly sessionId: string;
  readonly finishedAtMs: number;
  readonly isOffAtNight: boolean;
  readonly piecesPerPack: number;
  /** Of the knots that were timed: how many, and what they took, s. */
  readonly timedKnots: number;
  readonly seconds: number;
}

/** The same row by row and knot by knot: read only where it is asked for. */
export interface DeedsRecord extends StyleFigures {
  readonly sessionId: string;
  /** What photos and first rows made of the guesses, over those of the table. */
  readonly strands: Readonly<Partial<Record<FallGuess, number>>>;
}

/** A test row on a scrap of net, or an answer to a question from a plan of hers. */
export type PracticeRecord = {
  readonly id: string;
  /** Whose; of a plan that is nobody's, that plan. */
  readonly of: string;
  readonly atMs: number;
} & (
  | { readonly kind: 'row'; readonly row: PracticeRow }
  | { readonly kind: 'answer'; readonly question: string; readonly isRight: boolean }
);

/** Hair, caps and things that are hers, whatever plan they are used in. */
export type StashRecord = {
  readonly id: string;
  readonly updatedAtMs: number;
  /** Whose; in everybody's stash what was kept before there were wearers, or in a plan of nobody's. */
  readonly of?: string;
} & (
  | {
      readonly kind: 'hair';
      /** Its packs at hand are those of the lot that no one has opened. */
      readonly product: ProductAsWritten;
      /** Pieces out of packs that are opened. */
      readonly loose: number;
      /** Loose pieces that were cut in half are a lot of their own. */
      readonly cut?: 'upper' | 'lower';
    }
  | { readonly kind: 'cap'; readonly name: string; readonly cap: CapAsWritten }
  | {
      readonly kind: 'thing';
      readonly name: string;
      readonly count: number;
      /** They come so many in a bag, at this price. */
      readonly inBag: number;
      readonly bagPrice: number;
    }
);

/** Hair that is ordered and not there yet, or has come. */
export interface OrderRecord {
  readonly id: string;
  readonly planId: string;
  readonly of?: string;
  readonly seller: string;
  readonly orderedAtMs: number;
  /** As "2026-12-05". */
  readonly arrives: string;
  readonly total: number;
  readonly currency: string;
  readonly lines: ReadonlyArray<{ readonly product: ProductAsWritten; readonly packs: number }>;
  readonly hasCome: 0 | 1;
}

export interface Setting {
  readonly key: string;
  readonly value: string;
}

/** Whose plan it is, and as of which of her versions. */
export interface OfWearer {
  readonly id: string;
  readonly revision: number;
  /** The newest version that she chose not to follow. */
  readonly staysAt?: number;
  /** How the plan had her before it followed: to undo that is no change of hers. */
  readonly was?: { readonly revision: number; readonly her: Herself };
}

/** A record without a plan in it is kept, listed, and can be saved as a file, and nothing more. */
export const holdsPlan = (record: PlanRecord): boolean => typeof record.history?.present?.plan?.name === 'string';
