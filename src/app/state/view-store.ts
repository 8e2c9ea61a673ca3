/** What is looked at: the angle, the mirror, the selected knot. Of the screen only, never of the plan. */
import { create } from 'zustand';

export interface ViewAngle {
  /** Where the viewer stands round the head, rad: 0 in front, π/2 at her left. */
  readonly azimuth: number;
  readonly elevation: number;
}

export const VIEWS = {
  behind: { azimuth: Math.PI, elevation: 0.06 },
  left: { azimuth: Math.PI / 2, elevation: 0.06 },
  right: { azimuth: -Math.PI / 2, elevation: 0.06 },
  front: { azimuth: 0, elevation: 0.1 },
  top: { azimuth: Math.PI, elevation: 1.5 },
} as const satisfies Record<string, ViewAngle>;
export type ViewName = keyof typeof VIEWS;

interface ViewState extends ViewAngle {
  readonly mirror: boolean;
  readonly selectedId: string | undefined;
  /** The measure whose tape is drawn. */
  readonly tape: string | undefined;
  readonly moving: boolean;
  turn(angle: ViewAngle): void;
  setMoving(moving: boolean): void;
  toggleMirror(): void;
  select(id: string | undefined): void;
  showTape(measure: string | undefined): void;
}

export const useView = create<ViewState>((set) => ({
  azimuth: 2.5,
  elevation: 0.46,
  mirror: false,
  selectedId: undefined,
  tape: undefined,
  moving: false,
  turn: ({ azimuth, elevation }) =>
    set({ azimuth: wrap(azimuth), elevation: Math.min(1.5, Math.max(-0.35, elevation)) }),
  setMoving: (moving) => set({ moving }),
  toggleMirror: () => set((s) => ({ mirror: !s.mirror })),
  select: (selectedId) => set({ selectedId }),
  showTape: (tape) => set({ tape }),
}));

function wrap(angle: number): number {
  const turn = 2 * Math.PI;
  return ((((angle + Math.PI) % turn) + turn) % turn) - Math.PI;
}
