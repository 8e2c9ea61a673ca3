/** Loops that pieces come with, and what each allows. */

export const LOOPS = ['thread', 'slidingBand', 'ring', 'stiff', 'none'] as const;

export type Loop = (typeof LOOPS)[number];

export interface LoopInfo {
  readonly name: string;
  /** Can be pushed up to the root and hold a knot shut. */
  readonly locks: boolean;
  /** Whether one side can go through alone: with the loop left on, once it is taken off, or never. */
  readonly oneLeg: 'asItIs' | 'onceOff' | 'never';
  /** What it allows, for a first-time reader. */
  readonly allows: string;
}

/** One-leg with a stiff middle is so many times as wide as its knot would be, and its free side does not hide it (guess). */
export const STIFF_WIDENS = 1.3;

/** Common practice, no source. */
export const LOOP_INFO: Readonly<Record<Loop, LoopInfo>> = {
  thread: {
    name: 'thread loop',
    locks: false,
    oneLeg: 'asItIs',
    allows: 'Any wraps, and one-leg with the thread left on.',
  },
  slidingBand: {
    name: 'sliding band',
    locks: true,
    oneLeg: 'onceOff',
    allows: 'Any wraps, a lock with the band; one-leg once the band is off.',
  },
  ring: {
    name: 'ring',
    locks: true,
    oneLeg: 'onceOff',
    allows: 'Any wraps, a lock with the ring; one-leg once the ring is off.',
  },
  stiff: {
    name: 'stiff middle',
    locks: false,
    oneLeg: 'never',
    allows: 'Ordinary wraps: its sides stay together. One-leg only when you insist, bent flat by hand.',
  },
  none: {
    name: 'no loop, folded by hand',
    locks: false,
    oneLeg: 'asItIs',
    allows: 'A fold of loose hair: any wraps, and one-leg.',
  },
};
