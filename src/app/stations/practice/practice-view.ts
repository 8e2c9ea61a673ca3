/** What is practised, and how the moving knot is looked at. Of the screen only. */
import { create } from 'zustand';

/** To be looked at, not to be kept up with. */
export const QUICK = 0.3;

interface PracticeView {
  readonly part: string;
  /** Which of the plan's knots, by its sign. */
  readonly knot: string | undefined;
  /** 0 nothing done, 1 the knot finished. */
  readonly time: number;
  readonly isPlaying: boolean;
  /** Times as slow as she hooks. */
  readonly slower: number;
  readonly isFromAbove: boolean;
  readonly isMirrored: boolean;
  readonly isLeftHanded: boolean;
  set(change: Partial<Omit<PracticeView, 'set'>>): void;
}

export const usePractice = create<PracticeView>((set) => ({
  part: 'knots',
  knot: undefined,
  time: 0,
  isPlaying: false,
  slower: QUICK,
  isFromAbove: false,
  isMirrored: false,
  isLeftHanded: false,
  set,
}));
