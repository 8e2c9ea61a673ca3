/** Strands that do a job of their own, beside the pieces that are hooked in rows. Common practice, no source. */

export const STRAND_JOBS = ['closeTop', 'bracePuff', 'wrapTie'] as const;

export type StrandJob = (typeof STRAND_JOBS)[number];

export interface StrandJobInfo {
  /** What one of them does. */
  readonly name: string;
  /** What she does with it. */
  readonly deed: string;
  /** What is done with one of them. */
  readonly how: string;
  /** Minutes for one, with the pace 'some'. */
  readonly minutes: number;
  /** How many people take. */
  readonly usual: number;
}

export const STRAND_INFO: Readonly<Record<StrandJob, StrandJobInfo>> = {
  closeTop: {
    name: 'closes an open top',
    deed: 'Close the open top',
    how: 'Hooked through both sides of the rim, opposite holes in turn, and drawn up: a handful of them shut it.',
    minutes: 0.6,
    usual: 6,
  },
  bracePuff: {
    name: 'braces a puff or coil',
    deed: 'Brace the puff or coil',
    how: 'Led once round under the puff, through the hair at its foot, and tied to itself: it lifts it and keeps it from spreading.',
    minutes: 2,
    usual: 1,
  },
  wrapTie: {
    name: 'wraps a tie',
    deed: 'Wrap the tie',
    how: 'Hooked beside the tie, wound round it over the band, its end drawn under the turns: the band is out of sight.',
    minutes: 1.5,
    usual: 1,
  },
};

export const MOST_STRANDS = 12;
export const STRAND_COUNT = [1, 40] as const;
