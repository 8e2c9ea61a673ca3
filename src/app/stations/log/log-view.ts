/** Which style of the log is looked at, and which two are held against each other. Of the screen only. */
import { create } from 'zustand';
import type { Styles } from './use-styles.ts';

interface LogView {
  /** As they were read last, for the whole of the log. */
  readonly styles: Styles | undefined;
  readonly chosen: string | undefined;
  readonly pair: readonly string[];
  readonly isCompared: boolean;
  choose(id: string): void;
  /** The third one takes the place of the first. */
  togglePair(id: string): void;
  compare(isCompared: boolean): void;
}

export const useLogView = create<LogView>((set) => ({
  styles: undefined,
  chosen: undefined,
  pair: [],
  isCompared: false,
  choose: (chosen) => set({ chosen }),
  togglePair: (id) =>
    set(({ pair }) => ({
      pair: pair.includes(id) ? pair.filter((p) => p !== id) : [...pair.slice(-1), id],
      isCompared: false,
    })),
  compare: (isCompared) => set({ isCompared }),
}));
