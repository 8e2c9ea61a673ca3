/** How a style ages. */
import type { Grip } from './textures.ts';

export const AGES = ['finished', 'beforeOpening', 'firstWeek'] as const;

export type Age = (typeof AGES)[number];

export const AGE_INFO: Readonly<Record<Age, { readonly name: string; readonly words: string }>> = {
  finished: { name: 'finished', words: 'Opened, dressed and trimmed as planned.' },
  beforeOpening: { name: 'before opening', words: 'Hooked, nothing separated or trimmed yet.' },
  firstWeek: {
    name: 'after a week',
    words: 'Matted a little and slipped: a guess. Strands draw together, smooth hair creeps furthest.',
  },
};

/** After a week strands are this wide against fresh ones: they mat together (guess). */
export const MATTED_WIDTH = 0.85;

/** How far knots have crept down by then, mm (guess). */
export const SLIP_MM: Readonly<Record<Grip, number>> = { grips: 1, some: 2, smooth: 4 };
