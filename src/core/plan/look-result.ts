/** What is said of how a plan looks: plain values that cross to the screen or a file unchanged. */
import type {
  BarePatch,
  Concealment,
  Isoline,
  LineShown,
  OutlineBox,
  RowOver,
  Side,
  SizeView,
} from '../cover/index.ts';
import type { HairMesh, HairState } from '../fall/index.ts';
import type { HairGaps } from '../fullness/index.ts';
import type { DirectionDeg, Point } from '../head/index.ts';
import type { BiteGroup } from '../load/index.ts';
import type { FallGuess, FallGuesses, LookAge, SpacingZone } from '../trade/index.ts';
import type { PlanInputs } from './inputs.ts';

export interface ToldPatch extends BarePatch {
  readonly atMm: Point;
  /** "one finger behind the front hairline, …". */
  readonly words: string;
}

export interface Look {
  /** Share of the scalp that shows, straight on, at every vertex. */
  readonly shows: Float32Array;
  readonly hiddenShare: number;
  readonly hiddenIn: Readonly<Record<SpacingZone, number>>;
  /** Mean thickness of the hair over the scalp, mm. */
  readonly thicknessMm: number;
  /** Share that shows, seen from each side. */
  readonly seen: Readonly<Record<Side, number>>;
  readonly patches: readonly ToldPatch[];
  /** Her gaps and those for this hair, with what each comes to. */
  readonly gaps: HairGaps;
  /** One for each knot of the plan, in its order. */
  readonly knots: readonly Concealment[];
  readonly lines: readonly LineShown[];
  readonly isolines: readonly Isoline[];
  readonly bites: readonly BiteGroup[];
  /** Luminances of the hair, of what is under it as worn, and of a white block. */
  readonly ground: { readonly hair: number; readonly worn: number; readonly block: number };
}

export interface LookAsked {
  readonly inputs: PlanInputs;
  readonly guesses?: FallGuesses;
  readonly state?: HairState;
  readonly age?: LookAge;
  /** Only so many knots are in yet. */
  readonly knotsIn?: number;
}

export interface HairOnHead {
  readonly mesh: HairMesh;
  readonly size: Readonly<Record<SizeView, OutlineBox>>;
  /** Its outermost points all round, xyz interleaved, mm in the frame of the head. */
  readonly extentMm: Float32Array;
  /** Before trimming, where something is trimmed. */
  readonly untrimmed: Readonly<Record<SizeView, OutlineBox>> | undefined;
  /** Mean thickness of the hair over the scalp, mm. */
  readonly meanThicknessMm: number;
  /** Pieces of what is tied up that don't reach the tie, and stay as they fall. */
  readonly tooShortToTie: number;
}

/** Hidden share over the ranges of the guesses: all together, and each by itself. */
export interface GuessRange {
  readonly all: readonly [low: number, high: number];
  readonly by: Readonly<Record<FallGuess, readonly [low: number, high: number]>>;
}

export interface WhyHere {
  readonly words: string;
  readonly vertex: number;
  readonly shows: number;
  readonly rows: ReadonlyArray<RowOver & { readonly label: string }>;
  /** One more piece where there is most room beside it: what would show then, here and of the whole head; or why none can go in. */
  readonly onePieceMore:
    | { readonly at: DirectionDeg; readonly shows: number; readonly hiddenShare: number; readonly massG: number }
    | { readonly refused: string };
}
