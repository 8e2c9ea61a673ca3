/** What the rules of knots look at, and what they decide. */

import {
  type BorderKnot,
  type Entry,
  type IntoWay,
  type KnotKind,
  type SchoolName,
  type Schools,
  TEXTURE_INFO,
  type Texture,
  type Through,
} from '../../trade/index.ts';

/** What the rules look at. */
export interface KnotSituation {
  readonly texture: Texture;
  readonly canOneLeg: boolean;
  /** One-leg only because she insists: its middle is stiff. */
  readonly stiff: boolean;
  readonly canLock: boolean;
  /** A thread loop that the piece itself can be drawn through; loose hair that has to be folded. */
  readonly threadLoop: boolean;
  readonly loose: boolean;
  /** One that was hooked for a test slid. */
  readonly slips: boolean;
  readonly clings: boolean;
  readonly capped: boolean;
  /** Filled on a block: there is no hair to take up. */
  readonly onBlock: boolean;
  /** What the hook meets: scalp, a wide twist or plait, a coil, a band, a threaded rod. */
  readonly on: 'scalp' | 'twist' | 'coil' | 'band' | 'rod';
  /** How she said that it goes into what the base offers there; undefined for pieces in rows. */
  readonly into: IntoWay | undefined;
  readonly netHere: 'net' | 'margin' | 'cutOut';
  /** Stays behind in own hair when the wig comes off. */
  readonly blending: boolean;
  /** Nothing lies above to hide it: beside the part, round the crown, or along the front hairline. */
  readonly exposed: 'part' | 'crown' | 'front' | false;
  /** One row further: it has to lie flat under the last. */
  readonly secondRow: boolean;
  /** In the outermost line along hairline, ears and nape. */
  readonly perimeter: boolean;
  /** A place where the cap is held: corners and every other row's end. */
  readonly anchorPlace: boolean;
  readonly tenderOrThin: boolean;
  /** In the row along the border: the knot that she chose for it. */
  readonly border: BorderKnot | undefined;
  readonly schools: Schools;
  /** Where a school was said for this place alone: in which words. */
  readonly saidFor: Readonly<Partial<Record<SchoolName, string>>>;
}

export interface RuleStep {
  readonly id: string;
  readonly because: string;
  readonly school?: SchoolName;
  /** The place that its school was said for, where it is not the plan's own. */
  readonly saidFor?: string;
}

/** What she may decide herself about a knot, a row or a zone. */
export interface KnotOverride {
  readonly kind?: KnotKind;
  readonly wraps?: number;
  readonly lock?: boolean;
  readonly through?: Through;
}

export interface KnotDecision {
  readonly kind: KnotKind;
  /** Passages of the tails through the loop. */
  readonly wraps: number;
  readonly lock: boolean;
  readonly through: Through;
  /** Holes of the net that it takes; 0 where there is none. */
  readonly holes: number;
  readonly entry: Entry;
  /** Its root is combed back afterwards. */
  readonly backcomb: boolean;
  /** What it may be here, for who wants it otherwise. */
  readonly may: MayBe;
  /** Why, rule by rule. */
  readonly chain: readonly RuleStep[];
  /** Why a wish of hers was not followed. */
  readonly refused?: string;
}

export interface Rule<T> extends RuleStep {
  readonly when: (s: KnotSituation) => boolean;
  readonly decide: (s: KnotSituation) => T;
}

export const grip = (s: KnotSituation) => TEXTURE_INFO[s.texture].grip;

export const springy = (s: KnotSituation) => TEXTURE_INFO[s.texture].springy;

export const netHolds = (s: Pick<KnotSituation, 'capped' | 'netHere' | 'blending'>) =>
  s.capped && s.netHere !== 'cutOut' && !s.blending;

export const openByChoice = (s: KnotSituation) => s.exposed !== false && s.schools.oneLeg === 'exposed';

/** The knot of a place where nothing special is asked. */
export function ordinary(s: KnotSituation): KnotKind {
  if (s.loose) return 'fold';
  return s.threadLoop && s.schools.threadLoop === 'drawnThrough' ? 'threadLoop' : 'wrap';
}

export interface MayBe {
  readonly kinds: readonly KnotKind[];
  readonly through: readonly Through[];
  readonly lock: boolean;
}
