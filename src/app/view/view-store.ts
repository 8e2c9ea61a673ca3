/** What is looked at: the angle, the mirror, the selected knot. Of the screen only, never of the plan. */
import { create } from 'zustand';
import type { Pose } from '../../core/fall/index.ts';
import type { PlanResult } from '../../core/findings/index.ts';
import type { DirectionDeg } from '../../core/head/index.ts';
import type { HeadScene, Look } from '../../core/plan/index.ts';
import type { Age, LookAge, MarkKind } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { type Closeness, WHOLE } from '../head-view/framing.ts';
import type { Projection } from '../head-view/projection.ts';
import type { ViewAngle } from './angle.ts';

export type { ViewAngle };

export const VIEWS = {
  behind: { azimuth: Math.PI, elevation: 0.06 },
  left: { azimuth: Math.PI / 2, elevation: 0.06 },
  right: { azimuth: -Math.PI / 2, elevation: 0.06 },
  front: { azimuth: 0, elevation: 0.1 },
  top: { azimuth: Math.PI, elevation: 1.5 },
  /** As one stands before a mirror, a little turned. */
  threeQuarters: { azimuth: 0.6, elevation: 0.12 },
} as const satisfies Record<string, ViewAngle>;
export type ViewName = keyof typeof VIEWS;

/** What a finger does on the head: turn it, unless a tool is held. */
export type Tool =
  | { readonly kind: 'turn' }
  | { readonly kind: 'hairline' }
  | { readonly kind: 'brush'; readonly mark: MarkKind; readonly radiusMm: number; readonly erase: boolean }
  | { readonly kind: 'cut' }
  | { readonly kind: 'row' }
  /** Fuller here, thinner there. */
  | { readonly kind: 'density'; readonly factor: number; readonly radiusMm: number }
  /** Paints a place that has schools of its own. */
  | { readonly kind: 'place'; readonly id: string; readonly radiusMm: number }
  /** Sets a comb of the cap where it is dropped. */
  | { readonly kind: 'comb' }
  /** Chooses ties that pieces go into. */
  | { readonly kind: 'tie'; readonly id: string }
  | { readonly kind: 'moveKnot' }
  | { readonly kind: 'addKnot' }
  /** Rows are pulled on the cloth. */
  | { readonly kind: 'pullRow' }
  /** Parts the hair where it is drawn. */
  | { readonly kind: 'finger' };
export const TURN_TOOL: Tool = { kind: 'turn' };

/** A plan that this one is held against, worked out and looked at like it. */
export interface OtherPlan {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly look: Look;
  readonly scene: HeadScene;
}

export type Against =
  | { readonly kind: 'before'; readonly steps: number }
  | { readonly kind: 'plan'; readonly id: string }
  /** What a search found, not taken yet. */
  | { readonly kind: 'found'; readonly plan: PlanDocument };

/** How the finished style is looked at in Check. */
export interface CheckView {
  readonly pose: Pose;
  readonly age: Age;
  /** Only up to the selected knot. */
  readonly soFar: boolean;
  /** Over a white block in place of her head. */
  readonly onBlock: boolean;
  /** Line of the finger that parts the hair, xyz interleaved, mm. */
  readonly finger: readonly number[] | undefined;
  /** The plan that it is held against: an older state of this one, or another. */
  readonly against: Against | undefined;
  /** The place that is asked about. */
  readonly whyAt: DirectionDeg | undefined;
}
/** How a style is looked at, at Check and wherever else its hair is shown. */
export type HairView = Omit<CheckView, 'age'> & { readonly age: LookAge };

export const PLAIN_CHECK: CheckView = {
  pose: 'rest',
  age: 'finished',
  soFar: false,
  onBlock: false,
  finger: undefined,
  against: undefined,
  whyAt: undefined,
};

interface ViewState extends ViewAngle {
  readonly check: CheckView;
  /** At Takedown: knots that hold to own hair and are still in. */
  readonly lit: ReadonlySet<string> | undefined;
  /** At Wear: how far it has come by the day that is looked at. */
  readonly wornAge: LookAge;
  /** The day that is looked at there, and the first. */
  readonly wornDay: { readonly first: string; readonly day: string } | undefined;
  readonly mirror: boolean;
  readonly close: Closeness;
  readonly selectedId: string | undefined;
  /** The measure whose tape is drawn. */
  readonly tape: string | undefined;
  readonly moving: boolean;
  readonly tool: Tool;
  readonly sectionId: string | undefined;
  /** Place with schools of its own that is in hand. */
  readonly placeId: string | undefined;
  /** Key of the line between two sections whose beads are shown. */
  readonly lineKey: string | undefined;
  readonly showBumps: boolean;
  /** Why the last edit on the head was not made. */
  readonly refusal: string | undefined;
  /** A place on the head is asked for: what is done with a touch there. */
  readonly touched: ((seen: Projection, scene: HeadScene, x: number, y: number) => void) | undefined;
  /** The plan of `check.against`, worked out. */
  readonly other: OtherPlan | undefined;
  turn(angle: ViewAngle): void;
  setMoving(moving: boolean): void;
  toggleMirror(): void;
  setClose(close: Closeness): void;
  /** The whole is in the picture again. */
  stepBack(): void;
  select(id: string | undefined): void;
  showTape(measure: string | undefined): void;
  hold(tool: Tool): void;
  selectSection(id: string | undefined): void;
  selectPlace(id: string | undefined): void;
  selectLine(key: string | undefined): void;
  setShowBumps(show: boolean): void;
  refuse(why: string | undefined): void;
  setCheck(change: Partial<CheckView>): void;
  light(ids: ReadonlySet<string> | undefined): void;
  setWornAge(age: LookAge): void;
  lookAtDay(day: ViewState['wornDay']): void;
  setOther(other: OtherPlan | undefined): void;
}

export const useView = create<ViewState>((set) => ({
  azimuth: 2.5,
  elevation: 0.46,
  mirror: false,
  close: WHOLE,
  selectedId: undefined,
  tape: undefined,
  moving: false,
  tool: TURN_TOOL,
  sectionId: undefined,
  placeId: undefined,
  lineKey: undefined,
  showBumps: false,
  refusal: undefined,
  check: PLAIN_CHECK,
  wornAge: 'finished',
  wornDay: undefined,
  lit: undefined,
  other: undefined,
  touched: undefined,
  turn: ({ azimuth, elevation }) =>
    set({ azimuth: wrap(azimuth), elevation: Math.min(1.5, Math.max(-0.35, elevation)) }),
  setMoving: (moving) => set({ moving }),
  toggleMirror: () => set((s) => ({ mirror: !s.mirror })),
  setClose: (close) => set({ close }),
  stepBack: () => set({ close: WHOLE }),
  select: (selectedId) => set({ selectedId }),
  showTape: (tape) => set({ tape }),
  hold: (tool) => set({ tool }),
  selectPlace: (placeId) => set({ placeId, tool: TURN_TOOL }),
  selectSection: (sectionId) => set({ sectionId, lineKey: undefined }),
  selectLine: (lineKey) => set({ lineKey }),
  setShowBumps: (showBumps) => set({ showBumps }),
  refuse: (refusal) => set({ refusal }),
  setOther: (other) => set({ other }),
  light: (lit) => set({ lit }),
  setWornAge: (wornAge) => set({ wornAge }),
  lookAtDay: (wornDay) => set({ wornDay }),
  setCheck: (change) => set((s) => ({ check: { ...s.check, ...change } })),
}));

function wrap(angle: number): number {
  const turn = 2 * Math.PI;
  return ((((angle + Math.PI) % turn) + turn) % turn) - Math.PI;
}
